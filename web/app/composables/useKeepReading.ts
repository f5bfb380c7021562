import type { LogEntry } from '@wobrin/core/log'
import type { CaptureChoices } from './useCaptureFile'

export interface KeepInput {
  readonly driveId: string
  readonly file: File
  readonly choices: CaptureChoices
  readonly movedTurns: number
  readonly simulated: boolean
}

/** Files a speed reading with its recording. */
export function useKeepReading() {
  const { sending, keepFile, enter, during, cancel } = useSending()

  const keep = ({ driveId, file, choices, movedTurns, simulated }: KeepInput): Promise<LogEntry> =>
    during(async () =>
      enter(driveId, 'speed', {
        captureSha: await keepFile(file),
        channel: choices.channel || undefined,
        pulsesPerTurn: choices.pulsesPerTurn ?? undefined,
        evenMarks: choices.evenMarks,
        sampleRateHz: choices.sampleRateHz ?? undefined,
        timeUnit: choices.timeUnit ?? undefined,
        polarity: choices.polarity,
        movedTurns,
        simulated,
      }),
    )

  return { sending, keep, cancel }
}
