import { findMechanism, nominalFor, speedBands, type Mechanism, type SpeedBand } from '../../drives'
import type { Call } from '../../base/observations'
import { judgeDoubt } from './judge-doubt'
import { judgeFaults } from './judge-faults'
import { judgeMean } from './judge-mean'
import type { SpeedMeasurement } from './measure-speed'
import type { SpeedCase, SpeedContext } from './speed-case'

export interface SpeedVerdict extends Call {
  readonly nominalRpm: number
  readonly narrow: SpeedBand | null
  readonly wide: SpeedBand | null
}

/** Whether a trimmer can be counted on, by what is known of the drive and of its class. */
export function trimmerOf(
  mechanism: Mechanism,
  context: Pick<SpeedContext, 'motor' | 'hasTrimmer'>,
): SpeedCase['trimmer'] {
  if (context.motor === 'ac') return 'no'
  if (context.hasTrimmer !== undefined) return context.hasTrimmer ? 'yes' : 'no'
  switch (mechanism.speed.trimmer.value) {
    case 'usual':
      return 'yes'
    case 'some':
      return 'perhaps'
    default:
      return 'no'
  }
}

/**
 * The call on a spindle's speed. The order of the judges is the order of harm: runaway and hunting first, then
 * what cannot be decided, then faults that no trimmer cures, then the mean itself.
 * @param m what was measured; null where there was not even one interval
 */
export function judgeSpeed(m: SpeedMeasurement | null, context: SpeedContext): SpeedVerdict {
  const mechanism = findMechanism(context.mechanism)
  const nominal = m
    ? nominalFor(mechanism, m.rpm.mean, context.nominalRpm)
    : (context.nominalRpm ?? mechanism.speed.nominal[0]!.value)
  const { narrow, wide } = speedBands(mechanism, nominal)
  const frame = { nominalRpm: nominal, narrow, wide }
  if (!m) {
    return {
      ...frame,
      kind: 'unknown',
      reasons: ['There are not two pulses to measure between.'],
      next: 'Check that the right channel is chosen and the spindle turns, then record again for at least ten seconds.',
    }
  }
  const c: SpeedCase = { m, mechanism, context, nominal, narrow, wide, trimmer: trimmerOf(mechanism, context) }
  const finding = judgeFaults(c, 'grave') ?? judgeDoubt(c) ?? judgeFaults(c, 'other') ?? judgeMean(c)
  return { ...frame, ...finding }
}
