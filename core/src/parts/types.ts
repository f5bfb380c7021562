import type { Condition } from '../findings'
import type { ProveAgain } from './prove-again'
import type { ShapeId } from './shapes'

/** Something that people take out of a drive and put into another one: an assembly, or a piece of one. */
export interface PartNode {
  readonly id: string
  readonly label: string
  /** Assembly that it belongs to; null for one that stands by itself. */
  readonly within: string | null
  /** Drives that have it; a part that only some types have is also named among their own parts. */
  readonly when?: Condition
  /** Only of types that name it among their own parts. */
  readonly own?: true
  /** Every drive has it; any other that something cures is there where the diagnosis knows a fault of it. */
  readonly always?: true
  /** Fits other models too, where its measures agree; otherwise only drives of the same model. */
  readonly shape?: ShapeId
  /** Taking it out of one drive and fitting it to another, minutes of hands (from memory). */
  readonly minutes: number
  /** Findings that show it good by a look. */
  readonly good?: readonly string[]
  /** Findings after which nobody should be given it. */
  readonly bad?: readonly string[]
  /** Those of them after which another one has to be got. */
  readonly lost?: readonly string[]
  /** Place at which a finding speaks of it, where the finding alone does not say which part is meant. */
  readonly place?: string
  /** A second finding that has to hold where a bad one speaks of it: which of two it is. */
  readonly which?: string
  /** The finding that says that another one is in. */
  readonly fitted?: string
  /** Instruments that test it: types of entry data, or ids of calculators. */
  readonly tests?: readonly string[]
  /** Findings and instruments that speak of every piece of it. */
  readonly whole?: readonly string[]
  /** Functions that show by working that it works. */
  readonly does?: readonly string[]
  /** Faults that another one cures. */
  readonly cures?: readonly string[]
  readonly again: readonly ProveAgain[]
  /** Got new: an old one of another drive has aged as much. */
  readonly newOnly?: true
}
