import type { CallKind } from '@wobrin/core/base/observations'
import type { GoalId, StationId, DriveFacts } from '@wobrin/core/log'
import type { GateId, NextThing, Progress } from '@wobrin/core/bench/stations'

export interface BenchLine {
  readonly drive: DriveFacts
  readonly current: StationId
  readonly done: readonly StationId[]
  readonly call: CallKind | null
  readonly outcome: Progress['outcome']
  /** Gates that something found keeps closed. */
  readonly closed: readonly { readonly gate: GateId; readonly label: string; readonly reason: string }[]
  /** How far it is to be brought, and minutes of hands until then, its case included. */
  readonly goal: GoalId
  readonly minutesToGo: number
  /** Latest speed that still holds, r/min. */
  readonly rpm: number | null
}

/** Something running down on one of the drives. */
export interface BenchWait {
  readonly driveId: string
  readonly tag: string
  readonly entryId: string
  readonly what: string
  readonly endsAt: string
  readonly share: number
  readonly over: boolean
}

/** A drive whose log cannot be read: everything else works, and it can be exported as it is. */
export interface SetAsideDrive {
  readonly id: string
  readonly tag: string
  /** What is wrong with its log, in words of the error. */
  readonly reason: string
}

export interface Bench {
  readonly waits: readonly BenchWait[]
  readonly next: readonly NextThing[]
  /** Open drives, then the latest that have left. */
  readonly lines: readonly BenchLine[]
  /** How many have left in all. */
  readonly leftInAll: number
  /** Drives whose log cannot be read. */
  readonly setAside: readonly SetAsideDrive[]
}
