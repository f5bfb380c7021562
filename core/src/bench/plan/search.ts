import type { Problem } from './problem'
import type { Timing } from './serial'
import { Narrowing, type Windows } from './windows'

/** How much a search may do. */
export interface Effort {
  /** Choices that are looked at, at most. */
  readonly nodes: number
  /** Asked now and then whether to go on. */
  readonly goOn?: () => boolean
  /** Even between 0 and 1: which way is tried first then changes from search to search. */
  readonly chance?: () => number
}

/** So often are two ways tried the other way round. */
const SWAPPED = 0.25

type Pair = readonly [first: number, second: number]

const copyOf = (w: Windows): Windows => ({ head: w.head.slice(), tail: w.tail.slice(), arcs: [...w.arcs] })

/**
 * Looks for a shorter plan until there is none: where too many tasks want the same scarce thing at the same time, two
 * of them are put in order, one way and then another (Laborie 2005 calls such sets minimal critical sets; from memory).
 * @param from what is settled already @param known a plan that is there
 * @param enough a plan that ends so soon is good enough, units of time
 * @returns the best plan, and whether everything was looked at
 */
export function searchPlans(
  p: Problem,
  from: Windows,
  known: Timing,
  enough: number,
  { nodes, goOn = () => true, chance }: Effort,
): { best: Timing; whole: boolean } {
  const narrowing = new Narrowing(p)
  let best = known
  let left = nodes

  /** True where everything below was looked at. */
  function search(w: Windows): boolean {
    if (left-- <= 0 || (left % 32 === 0 && !goOn())) {
      left = 0
      return false
    }
    if (!narrowing.fits(w, best.end - 1)) return true
    const pairs = conflict(p, w, best.end - 1)
    if (pairs === null) {
      const end = w.head.reduce((last, h, i) => Math.max(last, h + p.length[i]!), 0)
      best = { start: w.head, end }
      return true
    }
    for (const [first, second] of chance ? shaken(pairs, chance) : pairs) {
      if (best.end <= enough) return true
      const next = copyOf(w)
      next.arcs.push(first * p.count + second)
      if (!search(next)) return false
    }
    return true
  }

  const whole = best.end <= enough || search(copyOf(from))
  return { best, whole }
}

/** Neighbours of a list change places now and then. */
function shaken<T>(list: readonly T[], chance: () => number): T[] {
  const made = [...list]
  for (let k = 1; k < made.length; k++) if (chance() < SWAPPED) [made[k - 1], made[k]] = [made[k]!, made[k - 1]!]
  return made
}

/**
 * Ways out of the conflict that leaves fewest of them, where every task begins as early as it can; null where there is
 * no conflict: then this is a plan.
 */
function conflict(p: Problem, w: Windows, end: number): Pair[] | null {
  const { head, tail } = w
  const slack = (i: number) => end - head[i]! - tail[i]!
  let ways: Pair[] | null = null
  let tightest = Infinity
  for (const s of p.scarce) {
    const by = s.tasks.filter(i => p.length[i]! > 0).sort((a, b) => head[a]! - head[b]!)
    let active: number[] = []
    for (const i of by) {
      active = active.filter(j => head[j]! + p.length[j]! > head[i]!)
      active.push(i)
      if (active.length <= s.count) continue
      const set = [...active].sort((a, b) => slack(a) - slack(b)).slice(0, s.count + 1)
      const out = waysOut(p, w, set, end)
      const tight = out.length * 1e9 + set.reduce((sum, j) => sum + slack(j), 0)
      if (tight < tightest) [ways, tightest] = [out, tight]
    }
  }
  return ways
}

/** Pairs of a set that may be put in order, those that leave most room first. */
function waysOut(p: Problem, w: Windows, set: readonly number[], end: number): Pair[] {
  const room = ([a, b]: Pair) => end - w.head[a]! - p.length[a]! - w.tail[b]!
  return set
    .flatMap(a => set.flatMap((b): Pair[] => (a === b ? [] : [[a, b]])))
    .filter(pair => room(pair) >= 0)
    .sort((x, y) => room(y) - room(x))
}
