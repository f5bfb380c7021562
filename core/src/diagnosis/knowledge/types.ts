import type { SourceId } from '../../base/observations'
import type { MechanismId } from '../../drives'
import type { Condition } from '../../findings'

/** Where a starting value comes from. The workshop's own closed cases move odds; see `learn.ts`. */
export type KnowledgeSource = 'from memory' | 'common practice' | 'a guess'

/** One way in which a function does not do what it should. */
export interface Mode {
  readonly label: string
  /** Chance that what needs this function then does not work either, 0 to 1. */
  readonly blocks: number
  /**
   * How often it is so slight that nothing that needs the function is touched. Told apart from the rest, for what it
   * leaves working works in every reading at once.
   */
  readonly slight?: number
  /** What becomes of one function that needs it, where that is something else: chances of its modes. */
  readonly then?: Readonly<Record<string, Readonly<Record<string, number>>>>
}

/** Rows of the map of what works, from supplying to writing. */
export const LANES = ['power', 'disk', 'turning', 'position', 'signal', 'result'] as const
export type Lane = (typeof LANES)[number]

/** Something that a drive does. It works where what it needs works and its own parts are sound. */
export interface DriveFunction {
  readonly id: string
  readonly label: string
  /** Row of the map on which it is drawn. */
  readonly lane: Lane
  /** Functions that it needs; a number below 1 says how much it needs one. */
  readonly needs: Readonly<Record<string, number>>
  readonly when?: Condition
  /** `none` is what it does where something that it needs does not work. */
  readonly modes: Readonly<Record<string, Mode>>
}

/** Something that people swap or mend. */
export interface Part {
  readonly id: string
  readonly label: string
}

/** One way in which a fault shows, with its chance. What the chances lack to 1 is how often it does not show. */
export interface Way {
  readonly chance: number
  /**
   * Mode of each function that it breaks; `@covered` and `@open` are what a covered, or an open, notch, hole or tab
   * means on the drive's type.
   */
  readonly breaks: Readonly<Record<string, string>>
}

/** Minutes of hands, what has to be got, and what it risks, as minutes that it may cost. */
export interface Cure {
  readonly says: string
  readonly minutes: number
  readonly risk?: number
}

/** One way in which a part fails. */
export interface Fault {
  /** Part, dot, way; a line behind a colon where one is meant. */
  readonly id: string
  readonly part: string
  readonly label: string
  /** How often it is met beside the others, in a thousand drives that are brought in. */
  readonly odds: number
  readonly source: KnowledgeSource
  readonly when?: Condition
  /** How much more often it is met on drives of one type. */
  readonly byType?: Readonly<Partial<Record<MechanismId, number>>>
  /** Odds by year of make: factor for drives made in these years, both inside. */
  readonly era?: readonly { readonly from: number; readonly to: number; readonly factor: number }[]
  readonly ways: readonly Way[]
  /** What shows beside the functions: chance of answers of a check. */
  readonly shows: Readonly<Record<string, Readonly<Record<string, number>>>>
  /** Chance that a treatment cures it. */
  readonly treatments?: Readonly<Record<string, number>>
  readonly cure: Cure
  /** Chance that power, or a disk, does harm while it stands. */
  readonly harms?: { readonly power?: number; readonly disk?: number }
  /** Faults that it brings with it, by how much likelier they are. */
  readonly brings?: Readonly<Record<string, number>>
  readonly intermittent?: true
}

/** What must be so before a check can be made. */
export type CheckNeed = 'power' | 'open' | 'disk' | 'second-drive' | 'part' | 'recording'

/** What opens to answer it: a question of the vocabulary, a calculator, a reading, or a procedure step. */
export interface Opens {
  readonly kind: 'finding' | 'calculator' | 'reading' | 'treatment' | 'swap' | 'complaint'
  readonly id: string
}

/** A measured value as one of the answers. */
export interface Band {
  readonly below: number
  readonly answer: string
}

/** Anything that gives evidence. */
export interface Check {
  readonly id: string
  readonly title: string
  readonly answers: readonly string[]
  /** Words for an answer, where its id is not one. */
  readonly words?: Readonly<Record<string, string>>
  readonly kind: 'symptom' | 'finding' | 'reading' | 'swap' | 'treatment'
  readonly when?: Condition
  readonly minutes: number
  readonly needs: readonly CheckNeed[]
  readonly source: SourceId
  /** Chances of the answers where nothing that it sees is at fault. */
  readonly base: Readonly<Record<string, number>>
  /** Function that it sees, and what each mode of it answers. */
  readonly sees?: { readonly function: string; readonly by: Readonly<Record<string, Readonly<Record<string, number>>>> }
  readonly unit?: string
  /** Where answers are bands of a number, rising. */
  readonly bands?: readonly Band[]
  readonly opens?: Opens
  /** Several of its answers may hold at once, so that one says nothing against another. */
  readonly several?: true
  /** It changes the drive. */
  readonly changes?: true
  /** Part whose faults it tells by comparing with an identical drive. */
  readonly compares?: string
  /** Offered as a next check; a finding that nobody would go and look for is only taken. */
  readonly ask?: boolean
}

/** What an owner says, as what must be seen then: any of the alternatives, in each all of its answers. */
export interface Complaint {
  readonly id: string
  readonly label: string
  /** What else people call it. */
  readonly also: string
  readonly when?: Condition
  readonly means: readonly (readonly { readonly check: string; readonly answer: string }[])[]
}

/** What a count of flashes of a lamp tells on drives of one model (words of the drive's facts). */
export interface LampCode {
  readonly model: string
  readonly flashes: number
  readonly fault: string
}

/** Everything that the engine works from and that a workshop may edit: checks and complaints belong to the program. */
export interface Knowledge {
  /** What stands first in the chain first. */
  readonly functions: readonly DriveFunction[]
  readonly parts: readonly Part[]
  readonly faults: readonly Fault[]
  readonly lampCodes: readonly LampCode[]
}

/** Everything that is known of one subsystem. */
export interface Subsystem {
  readonly parts: readonly Part[]
  readonly faults: readonly Fault[]
  readonly checks?: readonly Check[]
}
