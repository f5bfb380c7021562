import { median } from '../../base/numbers'
import { fallsOf, isLow } from './levels'
import type { BusLines } from './lines'

/** Turns that may pass without an index pulse before it is a pause, not a lost pulse. */
const LOST = 3.5

/**
 * Times at which the disk is not at its speed: from the motor's start, or from a pause of the index while motor and
 * select are on (the
 * disk was out), to the first steady turn. What is read then says nothing of the drive.
 */
export function unsteady(lines: BusLines): { readonly fromS: number; readonly toS: number }[] {
  const { index, motor, select } = lines
  if (!index) return []
  const marks = [...fallsOf(index)]
  if (marks.length < 5) return []
  const turn = median(marks.slice(1).map((t, i) => t - marks[i]!))
  // Steady is a revolution like the others, or like one close by: where the speed goes by zone, the first is none of
  // the usual ones.
  const long = (i: number) => marks[i + 1]! - marks[i]!
  const steady = (i: number) => {
    if (Math.abs(long(i) / turn - 1) < 0.03) return true
    const near = [1, 2, 3].filter(k => i + k + 1 < marks.length)
    return long(i) < 2 * turn && near.some(k => Math.abs(long(i + k) / long(i) - 1) < 0.005)
  }
  const steadyFrom = (t: number) => marks.find((m, i) => m > t && i + 1 < marks.length && steady(i)) ?? marks.at(-1)!
  const on = (t: number) => (!motor || isLow(motor, t)) && (!select || isLow(select, t))
  const starts = motor ? [...fallsOf(motor)].filter(t => !marks.some(m => m < t && t - m < 2 * turn)) : []
  const pauses = marks
    .slice(1)
    .flatMap((t, i) => (t - marks[i]! > LOST * turn && on(marks[i]! + turn) && on(t - turn) ? [marks[i]!] : []))
  // The disk may have gone out at any time after the last pulse.
  return [...starts, ...pauses].sort((a, b) => a - b).map(fromS => ({ fromS, toS: steadyFrom(fromS) }))
}
