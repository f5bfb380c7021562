import { ParameterError } from '../../base/errors'
import {
  fractionWords,
  speedObservations,
  speedUncertainty,
  type SpeedMeasurement,
  type SpeedVerdict,
} from '../../instruments/spindle'
import type { DriveFacts, NewEntry, SpeedEntryData } from '../../log'
import { measured, type Sent } from './measured'

export interface SpeedEntryInput extends Sent {
  /** Turns of the trimmer since the reading before; positive is to the right. */
  readonly movedTurns: number
  readonly pulsesPerTurn?: number
  readonly evenMarks: boolean
  readonly read: SpeedEntryData['read']
  readonly recording: { readonly sha: string; readonly name: string }
  /** Whether it came from the simulated pickup. */
  readonly simulated: boolean
}

const moveWords = (turns: number): string =>
  turns === 0 ? '' : `after ${fractionWords(turns)} to the ${turns < 0 ? 'left' : 'right'}`

/**
 * A judged speed as a log entry.
 * @throws ParameterError where there was not one interval to measure
 */
export function speedEntry(
  input: SpeedEntryInput,
  drive: DriveFacts,
  judged: { readonly measurement: SpeedMeasurement | null; readonly verdict: SpeedVerdict; readonly channel: string },
): NewEntry {
  const { measurement: m, verdict, channel } = judged
  const { recording, simulated } = input
  if (!m)
    throw new ParameterError('there are not two pulses to measure between', 'a longer recording or another channel', {
      file: recording.name,
    })
  return measured(drive, input, {
    station: 'speed',
    title: 'Spindle speed',
    detail: [moveWords(input.movedTurns), input.remark].filter(Boolean).join('. '),
    call: { kind: verdict.kind, reasons: verdict.reasons, next: verdict.next },
    observations: speedObservations(m, simulated ? 'simulated pickup' : recording.name),
    evidence: { source: simulated ? 'simulated' : 'recording', by: 'Speed', recording: recording.sha },
    data: {
      type: 'speed',
      rpm: m.rpm.mean,
      uncertainty: speedUncertainty(m),
      movedTurns: input.movedTurns,
      captureSha: recording.sha,
      captureName: recording.name,
      channel,
      pulsesPerTurn: m.pulsesPerTurn,
      pulsesGiven: input.pulsesPerTurn !== undefined,
      evenMarks: input.evenMarks,
      read: input.read,
      nominalRpm: verdict.nominalRpm,
    },
  })
}
