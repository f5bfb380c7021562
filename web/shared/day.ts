import type { DayTask, HeldBack } from '@wobrin/core/bench/day'

/** Something that will be so by itself: a wait ends, a part arrives. */
export interface Ahead {
  readonly key: string
  /** Moment (ISO 8601, UTC), or a day, such as 2026-03-31. */
  readonly at: string
  readonly what: string
  /** Drives that it is for. */
  readonly tags: readonly string[]
  /** Where it is looked at. */
  readonly to: string
}

/** What is to be done on all open drives, and what the next week brings by itself. */
export interface BenchDay {
  readonly tasks: readonly DayTask[]
  readonly heldBack: readonly HeldBack[]
  readonly ahead: readonly Ahead[]
}
