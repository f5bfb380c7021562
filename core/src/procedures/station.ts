import type { StationId } from '../observations'

/** One thing to do at a station. */
export interface Step {
  readonly id: string
  readonly title: string
  /** Why, or how, in a sentence or two. */
  readonly why: string
}

export interface Station {
  readonly id: StationId
  readonly label: string
  /** What the station is for. */
  readonly purpose: string
  readonly steps: readonly Step[]
  /** What can hurt a person, a disk or the drive here. */
  readonly mind: readonly string[]
}
