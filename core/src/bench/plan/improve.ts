import { Random } from '../../simulator'
import { mirrored, tailsOf, type Problem } from './problem'
import { orderBy, serialPlan, type Timing } from './serial'

export interface ImproveOptions {
  /** Plans that are tried at most. */
  readonly tries: number
  readonly seed?: number
  /** Asked now and then whether to go on. */
  readonly goOn?: () => boolean
  /** Nothing ends before this: the search is over once a plan does. */
  readonly least: number
}

/** Share of the tasks that is moved for a new try, and how far, as a share of the plan. */
const MOVED = [0.02, 0.3] as const
const FAR = 0.25
/** A try that is so much longer than the one before, as a share, is taken about once in three times at the start. */
const WARM = 0.02

/**
 * Shifts every task as late, then as early, as the others allow: the end never gets later and often earlier (Valls,
 * Ballestín and Quintanilla 2005, from memory).
 */
export function justified(p: Problem, back: Problem, timing: Timing): Timing {
  const late = serialPlan(
    back,
    orderBy(
      back,
      timing.start.map((s, i) => -(s + p.length[i]!)),
    ),
  )
  return serialPlan(
    p,
    orderBy(
      p,
      late.start.map((s, i) => -(s + p.length[i]!)),
    ),
  )
}

/** A short plan: by several rules at first, then by moving some tasks again and again. */
export function shortPlan(p: Problem, { tries, seed = 1, goOn = () => true, least }: ImproveOptions): Timing {
  const back = mirrored(p)
  const tail = tailsOf(p)
  const rules: readonly ((i: number) => number)[] = [
    i => -tail[i]!,
    i => -(tail[i]! - p.length[i]!),
    i => -p.behind[i]!.length,
    i => p.length[i]!,
    i => i,
  ]
  const begun = rules.map(rule => {
    const keys = Array.from({ length: p.count }, (_, i) => rule(i))
    return justified(p, back, serialPlan(p, orderBy(p, keys)))
  })
  let best = begun.reduce((a, b) => (b.end < a.end ? b : a))
  let current = best
  const random = new Random(seed)
  for (let n = 0; n < tries && best.end > least; n++) {
    if (n % 16 === 0 && !goOn()) break
    const share = MOVED[0] + (MOVED[1] - MOVED[0]) * random.next() ** 3
    const keys = Float64Array.from(current.start, s =>
      random.next() < share ? s + (random.next() - 0.5) * 2 * FAR * current.end : s,
    )
    const made = justified(p, back, serialPlan(p, orderBy(p, keys)))
    const warmth = WARM * best.end * (1 - n / tries)
    if (made.end <= current.end || random.next() < Math.exp((current.end - made.end) / Math.max(warmth, 1e-9)))
      current = made
    if (made.end < best.end) best = made
  }
  return best
}
