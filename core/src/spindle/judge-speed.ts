import { findMechanism, nearestNominal, speedBands, type Mechanism, type MechanismId, type SpeedBand } from '../mechanisms'
import type { Call, CallKind } from '../observations'
import { judgeDoubt } from './judge-doubt'
import { judgeFaults } from './judge-faults'
import { judgeMean } from './judge-mean'
import type { SpeedMeasurement } from './measure-speed'
import type { TrimmerKnowledge, TrimmerReading } from './trimmer'

/** Leave alone inside the wide band, or dial in to the narrow one. */
export type SpeedSchool = 'leave-alone' | 'dial-in'

export interface SpeedContext {
  readonly mechanism: MechanismId
  readonly school: SpeedSchool
  /** Which nominal speed was selected, r/min; the nearest of the mechanism's by default. */
  readonly nominalRpm?: number
  /** Whether this drive has a trimmer; by default what its class usually has. */
  readonly hasTrimmer?: boolean
  /** An a.c. motor follows the mains and cannot be trimmed. */
  readonly motor?: 'ac' | 'dc'
  /** What is known about the trimmer; learned from the two following where not given. */
  readonly trimmer?: TrimmerKnowledge
  /** Earlier readings of this drive, oldest first. */
  readonly readingsBefore?: readonly TrimmerReading[]
  /** Turns of the trimmer between the last of them and this one; positive is to the right. */
  readonly movedTurns?: number
}

/** Everything the single judges look at. */
export interface SpeedCase {
  readonly m: SpeedMeasurement
  readonly mechanism: Mechanism
  readonly context: SpeedContext
  readonly nominal: number
  readonly narrow: SpeedBand | null
  readonly wide: SpeedBand | null
  /** Whether a trimmer can be counted on: yes, perhaps or no. */
  readonly trimmer: 'yes' | 'perhaps' | 'no'
}

export interface SpeedVerdict extends Call {
  readonly nominalRpm: number
  readonly narrow: SpeedBand | null
  readonly wide: SpeedBand | null
}

function trimmerOf(mechanism: Mechanism, context: SpeedContext): SpeedCase['trimmer'] {
  if (context.motor === 'ac') return 'no'
  if (context.hasTrimmer !== undefined) return context.hasTrimmer ? 'yes' : 'no'
  switch (mechanism.speed.trimmer.value) {
    case 'usual': return 'yes'
    case 'some': return 'perhaps'
    default: return 'no'
  }
}

/** A partial answer of one judge: null passes the case on to the next. */
export type Finding = { readonly kind: CallKind, readonly reasons: readonly string[], readonly next: string } | null

/**
 * The call on a spindle's speed. The order of the judges is the order of harm: runaway and hunting first, then
 * what cannot be decided, then faults that no trimmer cures, then the mean itself.
 * @param m what was measured; null where there was not even one interval
 */
export function judgeSpeed(m: SpeedMeasurement | null, context: SpeedContext): SpeedVerdict {
  const mechanism = findMechanism(context.mechanism)
  const nominal = context.nominalRpm ?? (m ? nearestNominal(mechanism, m.rpm.mean) : mechanism.speed.nominal[0].value)
  const { narrow, wide } = speedBands(mechanism, nominal)
  const frame = { nominalRpm: nominal, narrow, wide }
  if (!m) {
    return {
      ...frame, kind: 'unknown', reasons: ['There are not two pulses to measure between.'],
      next: 'Check that the right channel is chosen and the spindle turns, then record again for at least ten seconds.',
    }
  }
  const c: SpeedCase = { m, mechanism, context, nominal, narrow, wide, trimmer: trimmerOf(mechanism, context) }
  const finding = judgeFaults(c, 'grave') ?? judgeDoubt(c) ?? judgeFaults(c, 'other') ?? judgeMean(c)
  return { ...frame, ...finding }
}
