import type { Condition } from '../../findings'
import type { StationId } from '../../log'
import type { CautionId } from './cautions'
import type { GateId } from './gates'

/** What a step leaves on the log beside its tick. */
export type StepRecord = 'photo' | 'as-found' | 'note' | 'speed' | 'put-back' | 'account'

/** Dirty hands, clean ones, or the lights off. */
export type StepSetting = 'messy' | 'clean' | 'dark'

/** One thing to do at a station. */
export interface Step {
  readonly id: string
  readonly title: string
  /** Why, and how, in a sentence or two. */
  readonly why: string
  /** What is needed at hand. */
  readonly tools: readonly string[]
  /** Minutes of hands, and minutes of waiting before the next step that needs it; rough, common practice. */
  readonly hands: number
  readonly wait?: number
  /** How hands and bench are for it: work of one setting is better done together, on several drives too. */
  readonly setting?: StepSetting
  /** Questions that it answers; once all are answered it is done. */
  readonly asks?: readonly string[]
  /** Ticked by hand even where its questions were answered before. */
  readonly byHand?: true
  /** Its questions have to be answered well: it does something, rather than look. */
  readonly untilGood?: true
  readonly records?: readonly StepRecord[]
  /** What it makes possible. */
  readonly makes: string
  readonly cautions?: readonly CautionId[]
  readonly when?: Condition
  /** Steps that come before it, where both apply. */
  readonly after?: readonly string[]
  /** Gate that must be open for it. */
  readonly gate?: GateId
}

export interface Station {
  readonly id: StationId
  readonly label: string
  /** What the station is for. */
  readonly purpose: string
  readonly steps: readonly Step[]
  /** Cautions that hold for the whole station. */
  readonly cautions: readonly CautionId[]
}
