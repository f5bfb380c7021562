import { sweepOnLog } from '@wobrin/core/carriage'
import { ParameterError } from '@wobrin/core/errors'
import type { LogEntry, SweepEntryData } from '@wobrin/core/observations'
import { alignOrder, beforeSweep } from '@wobrin/core/procedures'
import type { SweepInput } from '../../shared/sweep'
import type { DiskShelf } from './disk-shelf'
import type { DriveService } from './drives'

/** Puts sweeps on the log. The estimate is worked out here again; what the order of work has to say is written beside it. */
export class SweepService {
  constructor(
    private readonly drives: DriveService,
    private readonly disks: DiskShelf,
  ) {}

  /** @throws ParameterError where a count cannot be, or cleaning or speed is still to be done; nothing is put on the log then */
  keep(driveId: string, { id, at, remark, ...sweep }: SweepInput): LogEntry {
    const drive = this.drives.get(driveId)
    const sent = this.drives.sent(id, drive.id)
    if (sent) return sent
    const data: SweepEntryData = { ...sweep, type: 'sweep', travel: sweep.travel as [number, number] }
    const order = alignOrder(drive.mechanism, this.drives.log(drive.id), disk => this.disks.trusts(disk))
    const { stops, says } = beforeSweep(order, data.adjuster)
    if (stops.length)
      throw new ParameterError(
        `before a sweep: ${stops[0]!.charAt(0).toLowerCase()}${stops[0]!.slice(1).replace(/\.$/, '')}`,
        'clean heads and the right speed first; the sweep is still on the page',
        { field: 'order' },
      )
    const { title, call, observations } = sweepOnLog(data, drive.mechanism)
    return this.drives.append({
      id,
      driveId,
      at,
      kind: 'measurement',
      station: 'align',
      title,
      detail: [remark, ...says].filter(Boolean).join(' '),
      call,
      observations,
      data,
      takesBack: null,
    })
  }
}
