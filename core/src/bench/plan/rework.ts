import { Random } from '../../simulator'
import type { Problem } from './problem'
import { searchPlans, type Effort } from './search'
import type { Timing } from './serial'
import { openWindows } from './windows'

/** Choices that are looked at each time. */
const NODES = 150
/** Share of a bench that is taken apart. */
const [LEAST_FREE, MOST_FREE] = [0.2, 0.6]

export interface ReworkOptions extends Pick<Effort, 'goOn'> {
  /** How often. */
  readonly rounds: number
  readonly seed?: number
  /** A plan that ends so soon is good enough, units of time. */
  readonly enough: number
}

/**
 * Takes part of a plan apart and puts it together anew, again and again: the tasks of some time, or of some scarce
 * things; the others keep their order (large neighbourhood search, Shaw 1998, from memory).
 */
export function reworked(
  p: Problem,
  known: Timing,
  { rounds, seed = 1, goOn = () => true, enough }: ReworkOptions,
): Timing {
  const random = new Random(seed)
  let best = known
  // Freed parts grow while nothing is found, and begin small again once something is.
  let size = LEAST_FREE
  for (let n = 0; n < rounds && best.end > enough && goOn(); n++) {
    const free = random.next() < 0.5 ? ofSomeTime(p, best, size, random) : ofSomeThings(p, size, random)
    const from = openWindows(p)
    from.arcs.push(...kept(p, best, free))
    // Another plan of the same length is taken as well: from it, others are near.
    const limit = { start: best.start, end: best.end + 1 }
    const { best: made } = searchPlans(p, from, limit, best.end, { nodes: NODES, goOn, chance: () => random.next() })
    if (made === limit) continue
    size = made.end < best.end ? LEAST_FREE : Math.min(MOST_FREE, size * 1.01)
    best = made
  }
  return best
}

function ofSomeTime(p: Problem, { start, end }: Timing, share: number, random: Random): ReadonlySet<number> {
  const long = share * end
  const from = random.next() * (end + long) - long
  const free = new Set<number>()
  for (let i = 0; i < p.count; i++) if (start[i]! < from + long && start[i]! + p.length[i]! > from) free.add(i)
  return free
}

function ofSomeThings(p: Problem, share: number, random: Random): ReadonlySet<number> {
  const some = p.scarce.filter(() => random.next() < share)
  const chosen = some.length ? some : p.scarce.slice(0, 1)
  return new Set(chosen.flatMap(s => s.tasks))
}

/** Pairs that stay in order: each task behind the one before, on as many tracks as there are of each scarce thing. */
function kept(p: Problem, { start }: Timing, free: ReadonlySet<number>): number[] {
  return p.scarce.flatMap(({ tasks, count }) => {
    const by = tasks.filter(i => p.length[i]! > 0 && !free.has(i)).sort((a, b) => start[a]! - start[b]!)
    const last: number[] = []
    return by.flatMap(i => {
      // The track that was free last: the others stay free for longer.
      const free = last.flatMap((j, k) => (start[j]! + p.length[j]! <= start[i]! ? [k] : []))
      if (last.length < count && free.length === 0) {
        last.push(i)
        return []
      }
      const track = free.reduce((a, k) => (start[last[k]!]! > start[last[a]!]! ? k : a), free[0]!)
      const before = last[track]!
      last[track] = i
      return [before * p.count + i]
    })
  })
}
