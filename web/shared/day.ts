import type { DayTask, HeldBack } from '@wobrin/core/bench/day'

/** What is to be done on all open drives. */
export interface BenchDay {
  readonly tasks: readonly DayTask[]
  readonly heldBack: readonly HeldBack[]
}
