import TinyQueue from 'tinyqueue'
import { mirrored, tailsOf, type Problem, type Scarce } from './problem'

/**
 * Units of time below which no plan can end: the longest chain, and for each scarce thing the least time for the tasks
 * that need it.
 */
export function leastEnd(p: Problem): number {
  const tail = tailsOf(p)
  const head = tailsOf(mirrored(p)).map((t, i) => t - p.length[i]!)
  const chain = head.reduce((longest, h, i) => Math.max(longest, h + tail[i]!), 0)
  return p.scarce.reduce(
    (least, s) => Math.max(least, s.count === 1 ? oneAtATime(p, s, head, tail) : severalAtATime(p, s, head, tail)),
    chain,
  )
}

/** The least end where tasks may be interrupted (Jackson’s preemptive schedule; Carlier 1982, from memory). */
function oneAtATime(p: Problem, { tasks }: Scarce, head: Int32Array, tail: Int32Array): number {
  const waiting = [...tasks].sort((a, b) => head[b]! - head[a]!)
  const left = new Map(tasks.map(i => [i, p.length[i]!]))
  const behind = (i: number) => tail[i]! - p.length[i]!
  const ready = new TinyQueue<number>([], (a, b) => behind(b) - behind(a))
  let [now, end] = [0, 0]
  while (waiting.length || ready.length) {
    if (ready.length === 0) now = Math.max(now, head[waiting.at(-1)!]!)
    while (waiting.length && head[waiting.at(-1)!]! <= now) ready.push(waiting.pop()!)
    const i = ready.peek()!
    const until = waiting.length ? head[waiting.at(-1)!]! : Infinity
    const run = Math.min(left.get(i)!, until - now)
    now += run
    left.set(i, left.get(i)! - run)
    if (left.get(i) === 0) {
      end = Math.max(end, now + behind(i))
      ready.pop()
    }
  }
  return end
}

/** Of more different times behind tasks than this, as many are looked at: each of them is a bound by itself. */
const MOST_FLOORS = 64

/**
 * Several at a time: of all tasks that cannot begin before one time and have so much behind them, the sum of lengths is
 * shared out evenly between the two.
 */
function severalAtATime(p: Problem, { tasks, count }: Scarce, head: Int32Array, tail: Int32Array): number {
  const behind = (i: number) => tail[i]! - p.length[i]!
  const late = [...tasks].sort((a, b) => head[b]! - head[a]!)
  let least = 0
  for (const floor of spread([...new Set(tasks.map(behind))].sort((a, b) => a - b))) {
    let sum = 0
    for (const i of late) {
      if (behind(i) < floor) continue
      sum += p.length[i]!
      least = Math.max(least, head[i]! + Math.ceil(sum / count) + floor)
    }
  }
  return least
}

/** At most so many of them, from the first to the last. */
function spread(floors: readonly number[]): readonly number[] {
  if (floors.length <= MOST_FLOORS) return floors
  return Array.from(
    { length: MOST_FLOORS },
    (_, k) => floors[Math.round((k * (floors.length - 1)) / (MOST_FLOORS - 1))]!,
  )
}
