import { findMechanism, type MechanismId } from '../../drives'
import {
  findRhythm,
  findTones,
  loudnessOf,
  REACH,
  SHORTEST,
  speedsOfTone,
  tellsNothing,
  tellsSpeed,
  type SensedSpeed,
  type Tone,
} from '../rhythm'

/** What is listened to for the speed: a sound once a revolution, or the tone of a motor. */
export type SoundFor = 'rub' | 'tone'

export interface SoundSpeedAsk {
  readonly for: SoundFor
  readonly mechanism: MechanismId
  /** The nominal speed that was selected, r/min; all of the drive type otherwise. */
  readonly nominalRpm?: number | null
  /** How often the tone sounds in a revolution, where that is known. */
  readonly perRevolution?: number
}

/** Speeds that would be right for a drive: the one that was selected, or all of its type. */
export const rightSpeeds = (mechanism: MechanismId, nominalRpm?: number | null): readonly number[] =>
  nominalRpm ? [nominalRpm] : findMechanism(mechanism).speed.nominal.map(s => s.value)

/** The spindle's speed by ear: of a sound that comes once a revolution, or of a tone. */
export function soundSpeed(samples: ArrayLike<number>, sampleRateHz: number, ask: SoundSpeedAsk): SensedSpeed {
  const right = rightSpeeds(ask.mechanism, ask.nominalRpm)
  return ask.for === 'rub'
    ? rubSpeed(samples, sampleRateHz, right)
    : toneSpeed(findTones(samples, sampleRateHz), right[0]!, ask.perRevolution)
}

function rubSpeed(samples: ArrayLike<number>, sampleRateHz: number, right: readonly number[]): SensedSpeed {
  const found = findRhythm(loudnessOf(samples, sampleRateHz), { nominalRpm: right })
  const seconds = samples.length / sampleRateHz
  const needed = (60 * SHORTEST) / (Math.min(...right) / REACH)
  if (!found && seconds < needed)
    return tellsNothing(
      `${seconds.toFixed(0)} s are too short to hear what comes once a revolution.`,
      `Listen for ${Math.ceil(needed)} s or more.`,
    )
  if (!found)
    return tellsNothing(
      `No sound comes once a revolution near ${right.join(', ')} r/min.`,
      'Put the microphone against the frame near the spindle, keep the room quiet, and listen for ten seconds or more.',
    )
  return tellsSpeed(found, found.revolutions, [
    `A sound comes once a revolution, heard over ${found.revolutions} revolutions.`,
    'Another part that turns as fast, or a sound that comes twice a revolution, gives the same.',
  ])
}

function toneSpeed(tones: readonly Tone[], nominal: number, perRevolution: number | undefined): SensedSpeed {
  const own = tones.filter(t => t.mains === null)
  if (own.length === 0)
    return tellsNothing(
      tones.length
        ? `Only the hum of ${tones[0]!.mains!.hz} Hz mains stands out.`
        : 'No steady tone stands out of the noise.',
      'Hold the microphone to the motor, or use a coil beside it, and listen for ten seconds.',
    )
  const strongest = own[0]!
  const speeds = speedsOfTone(strongest, nominal, perRevolution)
  const heard = `The strongest tone is ${strongest.hz.toFixed(2)} ± ${strongest.uncertainty.toFixed(2)} Hz.`
  const others = speeds.map(s => ({
    rpm: s.rpm,
    uncertainty: s.uncertainty,
    if: `${s.perRevolution} times a revolution`,
  }))
  if (perRevolution !== undefined)
    return tellsSpeed(speeds[0]!, 0, [heard, `It sounds ${perRevolution} times a revolution.`])
  return {
    ...tellsNothing(
      heard,
      'Count the poles of the motor, or measure the speed in another way once: the tone then gives it every time.',
      others,
    ),
    says: [
      heard,
      others.length
        ? `Near ${nominal} r/min it sounds ${others.length > 1 ? 'one of several numbers of times' : others[0]!.if.replace(' a revolution', '')} a revolution; the tone cannot tell which.`
        : `No whole number of times a revolution puts it near ${nominal} r/min: it may come from another part.`,
    ],
  }
}
