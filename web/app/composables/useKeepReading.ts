import type { LogEntry } from '@wobrin/core/log'
import type { SensedInput } from '../../shared/sensed'
import type { CaptureChoices } from './useCaptureFile'

export interface KeepInput {
  readonly driveId: string
  readonly file: File
  readonly choices: CaptureChoices
  readonly movedTurns: number
  readonly simulated: boolean
}

export type KeepSensedInput = Omit<KeepInput, 'choices'> & {
  /** What it is of, as the server is asked. */
  readonly fields: Partial<SensedInput>
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

  /** Files a recording of sound or the frames of a film, for the server to take a speed or steps from it. */
  const keepSensed = ({ driveId, file, movedTurns, simulated, fields }: KeepSensedInput): Promise<LogEntry> =>
    during(async () => enter(driveId, 'sensed', { captureSha: await keepFile(file), movedTurns, simulated, ...fields }))

  return { sending, keep, keepSensed, cancel }
}
