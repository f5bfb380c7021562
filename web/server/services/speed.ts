import type { LogEntry } from '@wobrin/core/log'
import { speedEntry } from '@wobrin/core/bench/entries'
import { speedContextOf, trimmerHistory } from '@wobrin/core/instruments/spindle'
import type { InferType } from 'yup'
import { ParameterError } from '@wobrin/core/base/errors'
import type { speedInputSchema } from '../../shared/log-input'
import type { WorkshopSettings } from '../../shared/workshop'
import type { CaptureStore } from './capture-store'
import type { DriveService } from './drives'
import type { JudgeAnswer, JudgeRequest } from './judge-file'
import type { AskedBy } from './judge-pool'

export type SpeedInput = InferType<typeof speedInputSchema>
export type Judge = (request: JudgeRequest, by: AskedBy) => Promise<JudgeAnswer>

/**
 * Judges kept recordings and puts the answers on the log. The recording is read again here: no answer comes from
 * outside.
 */
export class SpeedService {
  constructor(
    private readonly drives: DriveService,
    private readonly store: CaptureStore,
    private readonly judge: Judge,
  ) {}

  /** @throws InputError where the recording cannot be used; nothing is put on the log then */
  async measure(
    driveId: string,
    input: SpeedInput,
    settings: WorkshopSettings,
    signal?: AbortSignal,
  ): Promise<LogEntry> {
    const drive = this.drives.get(driveId)
    const sent = this.drives.sent(input.id, drive.id)
    if (sent) return sent
    const kept = this.store.find(input.captureSha)
    const read = { sampleRateHz: input.sampleRateHz, timeUnit: input.timeUnit, polarity: input.polarity }
    const request = {
      path: this.store.path(kept.sha),
      name: kept.name,
      read,
      options: {
        channel: input.channel,
        pulsesPerTurn: input.pulsesPerTurn,
        evenMarks: input.evenMarks,
        pulleys: drive.pulleys ?? undefined,
      },
      context: {
        ...speedContextOf(drive, settings.speedSchool),
        readingsBefore: trimmerHistory(this.drives.log(driveId)),
        movedTurns: input.movedTurns,
      },
    }
    const judged = await this.judge(request, { id: input.id, signal })
    return this.drives.append(speedEntry({ ...input, read, recording: kept }, drive, judged))
  }

  /** Reads a logged recording afresh, for drawing. */
  async again(entry: LogEntry, settings: WorkshopSettings, signal?: AbortSignal): Promise<JudgeAnswer> {
    if (entry.data?.type !== 'speed')
      throw new ParameterError('this entry has no speed recording', 'a speed measurement', { field: 'entry' })
    const drive = this.drives.get(entry.driveId)
    const request = {
      path: this.store.path(entry.data.captureSha),
      name: entry.data.captureName,
      read: entry.data.read,
      options: {
        channel: entry.data.channel,
        pulsesPerTurn: entry.data.pulsesGiven ? entry.data.pulsesPerTurn : undefined,
        evenMarks: entry.data.evenMarks,
        pulleys: drive.pulleys ?? undefined,
      },
      context: speedContextOf(drive, settings.speedSchool),
    }
    return this.judge(request, { signal })
  }
}
