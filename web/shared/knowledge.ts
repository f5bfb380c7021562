import type { Procedure } from '@wobrin/core/bench/procedures'
import type { LearnedRate } from '@wobrin/core/diagnosis/learning'

/** Files that a workshop may edit: functions, parts and faults, how often faults are met, how parts are changed. */
export const FILE_KINDS = ['knowledge', 'rates', 'procedures'] as const
export type FileKind = (typeof FILE_KINDS)[number]

/** The procedures of this workshop; null where the program’s are in force. */
export interface OwnProcedures {
  readonly own: readonly Procedure[] | null
}

/** What the engine knows here beyond what the program comes with. */
export interface KnowledgeState {
  /** Whether a file of this workshop is in force, of each kind. */
  readonly own: Readonly<Record<FileKind, boolean>>
  /** What is wrong with a file in the data folder; the one before it stays in force. */
  readonly problems: readonly string[]
  /** Closed cases that were learned from. */
  readonly cases: number
  /** Faults whose rate the own cases moved, the most moved first. */
  readonly learned: readonly (LearnedRate & { readonly label: string })[]
}

/** How much more often a fault counts as met since a case was closed. */
export interface RateMove {
  readonly fault: string
  readonly label: string
  /** 1 where nothing moved. */
  readonly times: number
}
