import type { CallKind } from '../base/observations'
import type { Material, MechanismId, Soil } from '../drives'
import type { Condition } from './condition'

/** How something came to be known. */
export type Sense = 'seen' | 'heard' | 'smelt' | 'felt' | 'measured'

/** One thing that can be found: an answer to a question. */
export interface Finding {
  /** Dotted, e.g. `belt.goo`; the part before the dot is its question. */
  readonly id: string
  /** Words on its tile. */
  readonly label: string
  readonly call: CallKind
  /** What follows from it, a whole sentence. */
  readonly means: string
  /** What follows at one place, where that is something else. */
  readonly meansAt?: Readonly<Record<string, string>>
  /** What to do now, a sentence. */
  readonly next: string
  /** What follows, or what to do, on drives of one type, where that is something else. */
  readonly onType?: Readonly<Partial<Record<MechanismId, { readonly means?: string; readonly next?: string }>>>
  /** It says that nothing (more) is amiss: earlier answers to its question no longer hold. */
  readonly clean?: true
  /** Findings, of this question or another, that no longer hold once this is found. */
  readonly clears?: readonly string[]
  /** A part or a material was fitted or made new: it stands among the parts of a certificate. */
  readonly fitted?: true
  /** What has to come off then, and what is there or close by: where the cleaning adviser begins. */
  readonly cleaning?: { readonly soils?: readonly Soil[]; readonly materials?: readonly Material[] }
  /** What else a person might call it. */
  readonly also?: string
}

/** A number that answers a question, and which finding it amounts to. */
export interface Measured {
  readonly label: string
  readonly unit: string
  readonly min: number
  readonly max: number
  /** In rising order; a reading belongs to the first band whose `below` it is below. */
  readonly bands: readonly { readonly below: number; readonly finding: string }[]
  /** Where the limits come from. */
  readonly source: string
}

/** A question that looking, listening, smelling, feeling or measuring answers. */
export interface Question {
  readonly id: string
  readonly ask: string
  /** What it is about, as the beginning of a log entry. */
  readonly topic: string
  readonly sense: Sense
  /** Several answers may hold at once; otherwise the latest one (for each place) holds. */
  readonly several?: true
  /** Where on the drive; an answer without a place holds for the drive as a whole. */
  readonly places?: readonly string[]
  readonly when?: Condition
  readonly measured?: Measured
  readonly findings: readonly Finding[]
}
