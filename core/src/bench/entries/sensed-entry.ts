import { ParameterError } from '../../base/errors'
import { recordReading, type ReadingInput } from '../../diagnosis/readings'
import type { Sensed } from '../../instruments/sensed'
import { SPEED_KEY, type DriveFacts, type NewEntry } from '../../log'
import { measured, type Sent } from './measured'

export interface SensedEntryInput extends Sent {
  readonly recording: { readonly sha: string; readonly name: string }
  /** What took it: the sound input or a camera. */
  readonly by: 'Sound' | 'Camera'
  /** Turns of the trimmer since the speed before; positive is to the right. */
  readonly movedTurns: number
  readonly simulated: boolean
}

/**
 * A speed that was heard or filmed, the steps of a seek, or the click of a cartridge drive, as a log entry: a reading
 * as any other, with its recording.
 * @throws ParameterError where the recording tells nothing
 */
export function sensedEntry(input: SensedEntryInput, drive: DriveFacts, sensed: Sensed): NewEntry {
  const { recording, by, movedTurns, simulated } = input
  const { reading, detail, call } = partsOf(sensed, recording.name, movedTurns)
  const recorded = recordReading({ ...reading, source: 'recording', by }, drive)
  return measured(drive, input, {
    ...recorded,
    call: call ?? recorded.call,
    detail: [detail, input.remark].filter(Boolean).join(' '),
    evidence: { source: simulated ? 'simulated' : 'recording', by, recording: recording.sha },
  })
}

function partsOf(
  sensed: Sensed,
  file: string,
  movedTurns: number,
): { readonly reading: ReadingInput; readonly detail: string; readonly call?: NewEntry['call'] } {
  if (sensed.of === 'speed') {
    const { rpm, uncertainty, says, next } = sensed.speed
    if (rpm === null) throw new ParameterError(says.join(' '), next || 'a clearer recording', { file })
    const reading = { key: SPEED_KEY, value: Number(rpm.toFixed(3)), uncertainty, movedTurns }
    return { reading, detail: says.join(' ') }
  }
  const { seeks, rhythm, call } = sensed.steps
  if (rhythm) return { reading: { key: 'complaint.noise-click', value: 'seen' }, detail: call.reasons.join(' '), call }
  const longest = seeks.reduce((a, b) => (b.heard > a.heard ? b : a), { heard: 0 })
  if (longest.heard === 0) throw new ParameterError(call.reasons.join(' '), call.next, { file })
  return { reading: { key: 'sound.steps', value: longest.heard }, detail: call.reasons.join(' '), call }
}
