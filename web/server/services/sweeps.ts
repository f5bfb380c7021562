import { sweepEntry } from '@wobrin/core/bench/entries'
import type { LogEntry } from '@wobrin/core/log'
import type { SweepInput } from '../../shared/sweep'
import type { DiskShelf } from './disk-shelf'
import type { DriveService } from './drives'

/** Puts adjuster sweeps on the log. */
export class SweepService {
  constructor(
    private readonly drives: DriveService,
    private readonly disks: DiskShelf,
  ) {}

  /** @throws ParameterError where a count cannot be, or cleaning or speed is still to be done; nothing is kept then */
  keep(driveId: string, { id, at, remark, simulated, ...sweep }: SweepInput): LogEntry {
    const drive = this.drives.get(driveId)
    const sent = this.drives.sent(id, drive.id)
    if (sent) return sent
    const input = {
      id,
      at,
      remark,
      simulated,
      sweep: { ...sweep, type: 'sweep' as const, travel: sweep.travel as [number, number] },
    }
    const trusts = (disk: string) => this.disks.trusts(disk)
    return this.drives.append(sweepEntry(input, drive, this.drives.log(drive.id), trusts))
  }
}
