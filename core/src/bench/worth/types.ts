import type { MechanismId } from '../../drives'
import type { Account } from '../../log'
import type { CureOutlook } from './cure-outlook'
import type { Endings, Pace, Repair } from './own-experience'
import type { WhatReads } from './what-reads'

export type Verdict = 'rescue' | 'go-on' | 'if-it-matters' | 'part-out' | 'unknown'

/** One line of the arithmetic. */
export interface WorthLine {
  readonly label: string
  readonly value: number
  readonly unit: 'money' | 'hours' | '%' | 'factor'
  readonly note: string
}

export interface Worth {
  readonly verdict: Verdict
  /** Whole sentences, the most important first. */
  readonly reasons: readonly string[]
  readonly chance: number
  readonly hoursToGo: number
  /** What going on brings over parting it out, hours not counted; null while values are missing. */
  readonly gain: number | null
  /** What each further hour would bring; null where nothing is to be gained or known. */
  readonly perHour: number | null
  readonly lines: readonly WorthLine[]
}

export interface WorthInput {
  readonly mechanism: MechanismId
  readonly account: Account
  /** Ids of the findings that hold. */
  readonly found: Iterable<string>
  /** Minutes of hands that its likely cure will take by the lists, the proof included. */
  readonly minutesToGo: number
  /** Minutes of hands of all its undone steps, as a thorough overhaul would do them; shown, never priced. */
  readonly overhaulMinutes?: number
  /** That a disk reads in it, where that was seen. */
  readonly reads?: WhatReads | null
  /** What the cures of its case come to; null where nobody complains. */
  readonly outlook?: CureOutlook | null
  /** How long things take in this workshop; null where nothing is known of it. */
  readonly pace?: Pace | null
  /** Repairs of the likeliest fault in this workshop. */
  readonly repairs?: readonly Repair[]
  /** How drives of its type ended in this workshop. */
  readonly endings?: Endings
  /** What its own log shows: minutes of hands, sittings, and what the lists expected for what was done. */
  readonly spent?: { readonly minutes: number; readonly sittings: number; readonly expected: number } | null
}
