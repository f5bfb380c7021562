import { Random } from '../../simulator'
import { leastEnd } from './bounds'
import type { ImproveOptions } from './improve'
import { problemOf, tailsOf, type PlanBench, type Problem } from './problem'
import { earliestForAll, Profile } from './profile'
import { orderBy } from './serial'
import { SETTINGS, turnsIn } from './settings'

/** What is done in a sitting, in units of time. */
export interface Sitting {
  /** Start of each task, or −1 where it is left. */
  readonly start: Int32Array
  /** Units of time that the rest takes at least, where the waits that were begun are over by then. */
  readonly rest: number
  /** Units of hands’ work that is left: all of it, and as much as is expected to be needed. */
  readonly hands: number
  readonly expected: number
}

const LEFT = -1
/** What a minute of preferred work is worth beside a minute by which the rest gets shorter. */
const PREFERRED = 0.5
/** What a minute of a wait is worth that runs on by itself, and for how long: until the next evening (from memory). */
const BEGUN = 0.2
const OVERNIGHT_MINUTES = 480
/** What is lost for each minute by which preferred work begins later. */
const SOONER = 0.01
/** Minutes that a change between messy, dark and clean work is worth avoiding (a guess). */
const TURN = 6
/** Share of the tasks that is moved for a new try. */
const MOVED = 0.1

/**
 * What is best done in a sitting: what leaves a short rest, begins waits that run on by themselves until the next one,
 * and is preferred. Work that does not fit is not begun; a wait is begun as long as somebody is there.
 */
export function bestSitting(
  bench: PlanBench,
  minutes: number,
  { tries, seed = 1, goOn = () => true }: Omit<ImproveOptions, 'least'>,
): Sitting {
  const p = problemOf(bench)
  const limit = Math.floor(minutes / p.unit + 1e-9)
  const tail = tailsOf(p)
  const attended = Int32Array.from(bench.tasks, (t, i) => (t.attended ? p.length[i]! : 0))
  // What lets a wait begin comes first: it runs while nobody is there.
  const leadsToWait = new Int32Array(p.count)
  for (const i of [...p.order].reverse())
    for (const next of p.behind[i]!)
      leadsToWait[i] = Math.max(leadsToWait[i]!, leadsToWait[next]!, bench.tasks[next]!.attended ? 0 : p.length[next]!)
  // What may not be needed is done less gladly.
  const chance = Float64Array.from(bench.tasks, t => t.chance ?? 1)
  const priority = Float64Array.from(bench.tasks, (t, i) => (t.priority ?? 0) * chance[i]!)
  const setting = bench.tasks.map(t => (SETTINGS as readonly string[]).indexOf(t.setting ?? ''))
  const worth = ({ start, rest }: Sitting): number => {
    let sum = -rest - (TURN / p.unit) * turnsIn(bench.tasks, start)
    for (let i = 0; i < p.count; i++) {
      if (start[i] === LEFT) continue
      sum += priority[i]! * (PREFERRED * attended[i]! - SOONER * start[i]!)
      if (attended[i] === 0 && p.before[i]!.length) sum += BEGUN * Math.min(p.length[i]!, OVERNIGHT_MINUTES / p.unit)
    }
    return sum
  }
  const rules: readonly ((i: number) => number)[] = [
    i => -priority[i]!,
    i => -tail[i]!,
    i => -leadsToWait[i]!,
    i => p.length[i]!,
    i => -p.length[i]!,
    i => setting[i]! * limit - priority[i]!,
  ]
  const random = new Random(seed)
  let best: { sitting: Sitting; worth: number } | null = null
  let keys = Float64Array.from({ length: p.count }, () => 0)
  for (let n = 0; n < Math.max(tries, rules.length); n++) {
    if (n >= rules.length && n % 16 === 0 && !goOn()) break
    const rule = rules[n]
    const tried = Float64Array.from(keys, (k, i) =>
      rule ? rule(i) : random.next() < MOVED ? random.next() * limit : k,
    )
    const made = sitting(p, { attended, chance }, limit, orderBy(p, tried))
    const its = worth(made)
    if (best && its <= best.worth) continue
    best = { sitting: made, worth: its }
    // From here on the order is that of the best.
    keys = Float64Array.from(made.start, s => (s === LEFT ? limit : s))
  }
  return best!.sitting
}

interface Work {
  readonly attended: Int32Array
  readonly chance: Float64Array
}

function sitting(p: Problem, work: Work, limit: number, order: readonly number[]): Sitting {
  const { attended } = work
  const profiles = p.scarce.map(s => new Profile(s.count))
  const start = new Int32Array(p.count).fill(LEFT)
  for (const i of order) {
    if (p.before[i]!.some(b => start[b] === LEFT)) continue
    const length = p.length[i]!
    const ends = p.before[i]!.map(b => start[b]! + p.length[b]!)
    const needs = length > 0 ? p.needs[i]! : []
    const from = earliestForAll(profiles, needs, Math.max(0, ...ends), length)
    if (from + attended[i]! > limit) continue
    for (const r of needs) profiles[r]!.take(from, length)
    start[i] = from
  }
  return { start, ...restOf(p, work, start) }
}

function restOf(p: Problem, { attended, chance }: Work, start: Int32Array): Omit<Sitting, 'start'> {
  const left = Int32Array.from(p.length, (l, i) => (start[i] === LEFT ? l : 0))
  let hands = 0
  let expected = 0
  for (let i = 0; i < p.count; i++) {
    if (start[i] !== LEFT) continue
    hands += attended[i]!
    expected += attended[i]! * chance[i]!
  }
  return { rest: leastEnd({ ...p, length: left }), hands, expected }
}
