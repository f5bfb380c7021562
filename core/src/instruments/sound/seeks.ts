import { median } from '../../base/numbers'
import type { Onset } from './onsets'

/** A row of steps, as it sounds. */
export interface HeardSeek {
  readonly fromS: number
  readonly toS: number
  /** Steps that were heard. */
  readonly heard: number
  /** Places in the row where a step would belong and none was heard. */
  readonly silent: number
  /** Mean time between its steps, ms; null for fewer than three. */
  readonly stepMs: number | null
}

/** Steps further apart than this are of two seeks, s: the slowest hosts step every 40 ms (from memory). */
const PAUSE_S = 0.06
/** A gap of so many usual ones, less half a step, holds steps that were not heard. */
const MISSING = 1.5

/**
 * Clicks as seeks: rows of evenly spaced ones. A row that may have begun before the recording, or go on behind its end,
 * is left out.
 */
export function heardSeeks(onsets: readonly Onset[], durationS = Infinity): HeardSeek[] {
  const rows: Onset[][] = []
  for (const o of onsets) {
    const row = rows.at(-1)
    if (row && o.atS - row.at(-1)!.atS < PAUSE_S) row.push(o)
    else rows.push([o])
  }
  const whole = rows.filter(row => row[0]!.atS > PAUSE_S && row.at(-1)!.atS < durationS - PAUSE_S)
  return whole.map(row => {
    const gaps = row.slice(1).map((o, i) => o.atS - row[i]!.atS)
    const usual = gaps.length > 1 ? median(gaps) : null
    const silent =
      usual === null ? 0 : gaps.reduce((n, g) => n + (g > MISSING * usual ? Math.round(g / usual) - 1 : 0), 0)
    const [fromS, toS] = [row[0]!.atS, row.at(-1)!.atS]
    // The whole row times a step better than any one of its gaps.
    const stepMs = usual === null ? null : (1000 * (toS - fromS)) / (row.length - 1 + silent)
    return { fromS, toS, heard: row.length, silent, stepMs }
  })
}

/** The steady click of a cartridge drive that unloads and loads its heads again and again; null without one. */
export interface ClickRhythm {
  readonly clicks: number
  readonly everyS: number
}

const FEWEST_CLICKS = 5
/** A cartridge drive tries again every so many seconds (from memory). */
const EVERY_S = [0.2, 2.5] as const
/** So evenly that no hand does it: deviation over mean. */
const EVEN = 0.15

/** Whether the clicks come in a steady slow rhythm. Clicks of one try (closer than a fifth of a second) count once. */
export function clickRhythm(onsets: readonly Onset[]): ClickRhythm | null {
  const tries = onsets.filter((o, i) => i === 0 || o.atS - onsets[i - 1]!.atS > EVERY_S[0])
  const gaps = tries.slice(1).map((o, i) => o.atS - tries[i]!.atS)
  if (tries.length < FEWEST_CLICKS) return null
  const mean = gaps.reduce((a, b) => a + b) / gaps.length
  const deviation = Math.sqrt(gaps.reduce((s, g) => s + (g - mean) ** 2, 0) / (gaps.length - 1))
  const rhythmic = mean >= EVERY_S[0] && mean <= EVERY_S[1] && deviation < EVEN * mean
  return rhythmic ? { clicks: tries.length, everyS: mean } : null
}
