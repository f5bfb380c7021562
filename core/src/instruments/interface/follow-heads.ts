import { fallsOf, isLow } from './levels'
import type { BusLines } from './lines'
import { FOLLOWS_S } from './selection'

/** A row of steps one way. */
export interface Seek {
  readonly fromS: number
  readonly toS: number
  readonly inward: boolean
  readonly steps: number
  /** Cylinders before and after; null while home was never seen. */
  readonly from: number | null
  readonly to: number | null
  /** Mean time between its steps, ms; null for a single one. */
  readonly stepMs: number | null
  /** Steps outward that the drive rightly ignored: it was at track zero. */
  readonly refused: number
}

/** Where the heads are from a time on. */
export interface Stay {
  readonly fromS: number
  readonly toS: number
  readonly cylinder: number | null
}

/** One step. */
export interface Move {
  readonly at: number
  readonly inward: boolean
  /** Outward at track zero: the drive rightly ignored it. */
  readonly refused: boolean
  /** Cylinder after it; null while home was never seen. */
  readonly cylinder: number | null
}

export interface HeadPath {
  readonly moves: readonly Move[]
  readonly seeks: readonly Seek[]
  readonly stays: readonly Stay[]
  /** Whether track zero was ever seen, so that cylinders are known. */
  readonly homed: boolean
  /**
   * Positions, by counting, at which track zero was seen low though the heads should be elsewhere: the count or the
   * sensor is wrong.
   */
  readonly strayZeros: readonly { readonly atS: number; readonly cylinder: number }[]
}

/** Steps further apart than this are of two seeks, s. */
const PAUSE = 0.04
/** The heads settle after the last step, s (from memory; 15 ms is usual). */
const SETTLE = 0.015

/** So long before a step a line still shows what it showed at rest, s. */
export const JUST_BEFORE_S = 1e-6

/** When TRACK 0 is looked at before the first step: at the beginning, after each selection, just before the step. */
function looksBefore({ select }: BusLines, firstS: number): number[] {
  const selections = select ? [...fallsOf(select)].filter(t => t < firstS) : []
  return [0, ...selections.map(t => Math.min(t + FOLLOWS_S, firstS - JUST_BEFORE_S)), firstS - JUST_BEFORE_S]
}

/**
 * Follows the heads from STEP and DIRECTION, with TRACK 0 as the fixed point: a step moves inward while DIRECTION is
 * low. Only while the
 * drive is selected do steps count and TRACK 0 mean anything; without a recorded select it is taken as selected.
 */
export function followHeads(lines: BusLines, durationS: number): HeadPath {
  const { step, direction, select } = lines
  const zero = lines['track-0']
  const selected = (t: number) => !select || isLow(select, t)
  const atZero = (t: number) => zero !== undefined && selected(t) && isLow(zero, t)
  const pulses = step ? [...fallsOf(step)].filter(selected) : []
  // Counted from where the recording begins; home tells how much that is off.
  let count = 0
  let offset: number | null = looksBefore(lines, pulses[0] ?? durationS).some(atZero) ? 0 : null
  const moves: { at: number; inward: boolean; refused: boolean; after: number }[] = []
  for (const [i, at] of pulses.entries()) {
    const inward = direction ? isLow(direction, at) : true
    const refused = !inward && atZero(at)
    // The flag is looked at just before a step too: the drive may have been selected only then.
    if (offset === null && atZero(at - JUST_BEFORE_S)) offset = -count
    if (!refused) count += inward ? 1 : -1
    moves.push({ at, inward, refused, after: count })
    // The flag is looked at when the carriage has come to rest, or just before the next step.
    const rest = Math.min(at + SETTLE, pulses[i + 1] ?? durationS, durationS)
    if (offset === null && atZero(rest)) offset = -count
  }
  const cylinder = (c: number) => (offset === null ? null : c + offset)
  const strayZeros = moves.flatMap((m, i) => {
    const rest = Math.min(m.at + SETTLE, moves[i + 1]?.at ?? durationS)
    const is = cylinder(m.after)
    return is !== null && is !== 0 && atZero(rest) ? [{ atS: rest, cylinder: is }] : []
  })
  const seeks: Seek[] = []
  for (let i = 0; i < moves.length;) {
    let j = i
    while (j + 1 < moves.length && moves[j + 1]!.inward === moves[i]!.inward && moves[j + 1]!.at - moves[j]!.at < PAUSE)
      j++
    const row = moves.slice(i, j + 1)
    seeks.push({
      fromS: row[0]!.at,
      toS: row.at(-1)!.at,
      inward: row[0]!.inward,
      steps: row.length,
      from: cylinder(i ? moves[i - 1]!.after : 0),
      to: cylinder(row.at(-1)!.after),
      stepMs: row.length > 1 ? ((row.at(-1)!.at - row[0]!.at) / (row.length - 1)) * 1000 : null,
      refused: row.filter(m => m.refused).length,
    })
    i = j + 1
  }
  const stays: Stay[] = []
  let from = 0
  for (const s of seeks) {
    if (s.fromS > from) stays.push({ fromS: from, toS: s.fromS, cylinder: s.from })
    from = s.toS + SETTLE
  }
  if (durationS > from)
    stays.push({ fromS: from, toS: durationS, cylinder: seeks.length ? seeks.at(-1)!.to : cylinder(0) })
  return {
    moves: moves.map(m => ({ at: m.at, inward: m.inward, refused: m.refused, cylinder: cylinder(m.after) })),
    seeks,
    stays,
    homed: offset !== null,
    strayZeros,
  }
}
