import type { CallKind, StationId } from '@wobrin/core/observations'
import type { NextThing, Progress } from '@wobrin/core/procedures'
import type { DriveFacts } from '@wobrin/core/proving'

export interface BenchLine {
  readonly drive: DriveFacts
  readonly current: StationId
  readonly done: readonly StationId[]
  readonly call: CallKind | null
  readonly outcome: Progress['outcome']
  /** Latest speed that still holds, r/min. */
  readonly rpm: number | null
}

export interface Bench {
  readonly next: readonly NextThing[]
  readonly lines: readonly BenchLine[]
}
