import type { Outcome, StationId } from '@wobrin/core/log'
import type { PickupOptions } from '@wobrin/core/simulator'
import type { DemoRecord } from './records'
import type { NewDrive } from './types'

/** A reading of the spindle, after a move of the trimmer. */
export interface DemoReading {
  /** Turns of the trimmer before it; positive is to the right. */
  readonly moved: number
  readonly seconds: number
  readonly format?: 'vcd' | 'csv'
  readonly remark?: string
}

export interface DemoNote {
  readonly station: StationId
  readonly text: string
}

/** What was found where it was not as one would wish; everything else is answered well. */
export type DemoFinding = readonly [station: StationId, finding: string, place?: string]

/** From complaint towards cause: complaints by their ids, then answers of checks. */
export interface DemoCase {
  readonly complaints: readonly string[]
  /** Safety gates whose looks were made and were all fine. */
  readonly gates: 0 | 1 | 2 | 3
  /** Answers as they are typed: a word, a number, or sectors of so many. */
  readonly answers: readonly (readonly [check: string, value: string | number, of?: number])[]
  /** What was measured at test points of its model, by their ids. */
  readonly points?: Readonly<Record<string, string | number>>
}

/** A drive of the invented workshop: what it is, how far it got, and the physics of its spindle. */
export interface DemoDrive {
  readonly drive: Partial<NewDrive> & Pick<NewDrive, 'tag' | 'mechanism'>
  readonly daysAgo: number
  /** Station that the hands are at; everything before it is finished. */
  readonly at: StationId
  readonly stepsDone?: number
  readonly found?: readonly DemoFinding[]
  readonly notes?: readonly DemoNote[]
  readonly record?: DemoRecord
  readonly spindle?: Omit<PickupOptions, 'seed'>
  /** State of the stand-in whose disk is read at Align, and which reference disk that is. */
  readonly surface?: string
  readonly disk?: string
  /** Adjuster that is swept by the advice, on the stand-in. */
  readonly sweep?: 'upper' | 'lower' | 'stepper'
  readonly readings?: readonly DemoReading[]
  /** What was typed into instruments that are sums. */
  readonly sums?: readonly { readonly instrument: string; readonly values: Readonly<Record<string, string>> }[]
  /** A case: what it does wrong, and what was answered on the way, in order. */
  readonly case?: DemoCase
  /** Complaints of a drive that is overhauled. */
  readonly complaints?: readonly string[]
  /** Profiles of its host and of itself, by name. */
  readonly fit?: { readonly host: string; readonly drive: string }
  /** Waits that run while the demo is looked at. */
  readonly waits?: readonly {
    readonly what: string
    readonly minutes: number
    readonly begunMinutesAgo: number
    readonly holds?: string
  }[]
  /**
   * Proved in full, then closed up and proved again: with which trusted disk. The last reading of the spindle is then
   * taken closed up.
   */
  readonly proof?: { readonly disk: string }
  readonly outcome?: { readonly how: Outcome; readonly remark: string }
}
