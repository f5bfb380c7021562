import { readTestEntry } from '@wobrin/core/bench/entries'
import type { LineMapping } from '@wobrin/core/instruments/interface'
import { ParameterError } from '@wobrin/core/base/errors'
import type { LogEntry } from '@wobrin/core/log'
import { CODE_IDS, type TrackCode } from '@wobrin/core/signals/codes'
import type { ReadTestInput } from '../../shared/read-test'
import type { CaptureStore } from './capture-store'
import type { DriveService } from './drives'
import type { SimulatedRequest, SurfaceAnswer, SurfaceRequest } from './judge-file'
import type { AskedBy } from './judge-pool'

/**
 * Reads kept recordings of the interface, or the stand-in, and puts the surface on the log. No answer comes from
 * outside.
 */
export class ReadTestService {
  constructor(
    private readonly drives: DriveService,
    private readonly store: CaptureStore,
    private readonly judge: (request: SurfaceRequest | SimulatedRequest, by: AskedBy) => Promise<SurfaceAnswer>,
    private readonly trusts: (disk: string) => boolean,
  ) {}

  /** @throws InputError where the recording cannot be used; nothing is put on the log then */
  async measure(driveId: string, input: ReadTestInput, signal?: AbortSignal): Promise<LogEntry> {
    const drive = this.drives.get(driveId)
    const sent = this.drives.sent(input.id, drive.id)
    if (sent) return sent
    const kept = input.captureSha ? this.store.find(input.captureSha) : null
    const bus = {
      mapping: input.mapping as LineMapping,
      inverted: input.inverted,
      code: input.code as TrackCode | 'auto',
      context: { trustedDisk: input.disk ? this.trusts(input.disk) : input.trusted },
    }
    if (!kept && !input.simulated)
      throw new ParameterError('there is neither a recording nor a simulated drive', 'one of both', {
        field: 'captureSha',
      })
    const { mechanism, story } = input.simulated ?? { mechanism: '', story: '' }
    const surface = await this.judge(
      kept ? { path: this.store.path(kept.sha), name: kept.name, bus } : { simulated: { mechanism, story } },
      { id: input.id, signal },
    )
    const code = input.code === 'auto' ? 'auto' : CODE_IDS[input.code as TrackCode]
    return this.drives.append(
      readTestEntry(
        {
          ...input,
          recording: kept,
          simulated: kept ? null : { mechanism, story },
          read: kept
            ? { mapping: { ...surface.mapping }, inverted: input.inverted, code, trusted: input.trusted }
            : null,
        },
        drive,
        surface,
      ),
    )
  }
}
