import { sensedEntry } from '@wobrin/core/bench/entries'
import type { DriveFacts, LogEntry } from '@wobrin/core/log'
import type { Sensed, SensedAsk } from '@wobrin/core/instruments/sensed'
import type { SensedInput } from '../../shared/sensed'
import type { CaptureStore } from './capture-store'
import type { DriveService } from './drives'
import type { SensedRequest } from './judge-file'
import type { AskedBy } from './judge-pool'

/**
 * Takes speeds and steps from kept recordings of sound and films, and puts them on the log. The recording is read again
 * here: no answer comes from outside.
 */
export class SensedService {
  constructor(
    private readonly drives: DriveService,
    private readonly store: CaptureStore,
    private readonly judge: (request: SensedRequest, by: AskedBy) => Promise<Sensed>,
  ) {}

  /** @throws InputError where the recording cannot be used or tells nothing; nothing is put on the log then */
  async measure(driveId: string, input: SensedInput, signal?: AbortSignal): Promise<LogEntry> {
    const drive = this.drives.get(driveId)
    const sent = this.drives.sent(input.id, drive.id)
    if (sent) return sent
    const kept = this.store.find(input.captureSha)
    const request = { path: this.store.path(kept.sha), name: kept.name, sensed: askOf(input, drive) }
    const sensed = await this.judge(request, { id: input.id, signal })
    const by = request.sensed.of === 'film' ? 'Camera' : 'Sound'
    return this.drives.append(sensedEntry({ ...input, recording: kept, by }, drive, sensed))
  }
}

function askOf(
  { of, perRevolution, steps, slowed, bars, creeps }: SensedInput,
  { mechanism, nominalRpm }: Pick<DriveFacts, 'mechanism' | 'nominalRpm'>,
): SensedAsk {
  switch (of) {
    case 'rub':
    case 'tone':
      return { of: 'sound', for: of, mechanism, nominalRpm, perRevolution }
    case 'steps':
      return { of: 'steps', mechanism, steps }
    default:
      return { of: 'film', passes: of, mechanism, nominalRpm, slowed, bars, creeps }
  }
}
