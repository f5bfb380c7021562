import type { Condition } from '../../findings'
import type { CautionId } from '../stations'

/** What has to rest while something cures, dries or soaks. */
export type Rests = 'power' | 'carriage' | 'heads' | 'disk'

/** One thing to do, in the order of the work. */
export interface ProcedureStep {
  readonly id: string
  readonly title: string
  readonly why: string
  readonly tools: readonly string[]
  /** Minutes of hands (from memory). */
  readonly hands: number
  /** Goes on by itself afterwards. */
  readonly wait?: { readonly what: string; readonly minutes: number; readonly rests: readonly Rests[] }
  readonly cautions?: readonly CautionId[]
  readonly when?: Condition
}

/** How a part is changed, or a disk made fit to be read: what is particular to it. */
export interface Procedure {
  readonly id: string
  readonly title: string
  /** Parts of the tree that are changed so; empty for one that changes no part of a drive. */
  readonly parts: readonly string[]
  /** What the new one must be like, beside the old one, before it goes in. */
  readonly compare: readonly string[]
  readonly steps: readonly ProcedureStep[]
  readonly when?: Condition
}

/** A step as data. */
export const step = (
  id: string,
  title: string,
  why: string,
  hands: number,
  more: Partial<Pick<ProcedureStep, 'tools' | 'wait' | 'cautions' | 'when'>> = {},
): ProcedureStep => ({ id, title, why, hands, tools: [], ...more })
