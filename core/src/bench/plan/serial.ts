import TinyQueue from 'tinyqueue'
import type { Problem } from './problem'
import { earliestForAll, Profile } from './profile'

/** When each task begins, in units of time, and when the last one ends. */
export interface Timing {
  readonly start: Int32Array
  readonly end: number
}

/**
 * Puts one task after the other at the earliest time at which all that it needs is free, as the serial method of
 * project scheduling does (Kolisch 1996, from memory). Every best plan comes from some order.
 * @param order tasks, each behind what it comes after
 */
export function serialPlan(p: Problem, order: ArrayLike<number>): Timing {
  const profiles = p.scarce.map(s => new Profile(s.count))
  const start = new Int32Array(p.count)
  let end = 0
  for (let k = 0; k < p.count; k++) {
    const i = order[k]!
    let from = 0
    for (const b of p.before[i]!) from = Math.max(from, start[b]! + p.length[b]!)
    const length = p.length[i]!
    const needs = length > 0 ? p.needs[i]! : []
    from = earliestForAll(profiles, needs, from, length)
    for (const r of needs) profiles[r]!.take(from, length)
    start[i] = from
    end = Math.max(end, from + length)
  }
  return { start, end }
}

/**
 * Tasks in the order of a number of each, the lowest first, with nothing before what it comes after.
 * @param key lower is earlier
 */
export function orderBy(p: Problem, key: ArrayLike<number>): number[] {
  const left = p.before.map(b => b.length)
  const ready = new TinyQueue<number>([], (a, b) => key[a]! - key[b]! || a - b)
  for (let i = 0; i < p.count; i++) if (left[i] === 0) ready.push(i)
  const order: number[] = []
  for (let i = ready.pop(); i !== undefined; i = ready.pop()) {
    order.push(i)
    for (const next of p.behind[i]!) if (--left[next]! === 0) ready.push(next)
  }
  return order
}
