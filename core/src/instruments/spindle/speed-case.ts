import type { Mechanism, MechanismId, SpeedBand } from '../../drives'
import type { CallKind } from '../../base/observations'
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

/** A partial answer of one judge: null passes the case on to the next. */
export type PartialCall = { readonly kind: CallKind; readonly reasons: readonly string[]; readonly next: string } | null
