import type { Condition } from '../../findings'
import type { Material } from '../../drives'
import type { Rests } from '../../log'
import type { CautionId } from '../stations'
import type { Glued } from './glue'

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
  /** What is glued, and what is close by: which glue is taken decides how long it cures. */
  readonly glue?: { readonly joins: Glued; readonly nearby: readonly Material[] }
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
  more: Partial<Pick<ProcedureStep, 'tools' | 'wait' | 'glue' | 'cautions' | 'when'>> = {},
): ProcedureStep => ({ id, title, why, hands, tools: [], ...more })
