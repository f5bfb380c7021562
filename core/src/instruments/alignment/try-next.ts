import { chance, SOFT } from './edge'
import { searchRange, readingRanges, type Candidate, type Estimate, type Tried, type RangeEstimate } from './window'

/** Positions that are weighed against each other. */
const CANDIDATES = 32

/**
 * Which edges of a head's window bound what both heads can do: 1 where this one does, 0 where the other head gives
 * out first.
 */
export interface Binding {
  readonly from: 0 | 1
  readonly to: 0 | 1
}

/** The edges that count, by the means of each; where two lie within their uncertainties both count. */
export function bindings(estimates: readonly RangeEstimate[]): Binding[] {
  const counts = (own: Estimate, others: readonly Estimate[], way: 1 | -1) =>
    others.every(o => way * (own.value - o.value) + own.uncertainty + o.uncertainty > 0) ? 1 : 0
  return estimates.map((e, i) => ({
    from: counts(
      e.from,
      estimates.filter((_, k) => k !== i).map(o => o.from),
      1,
    ),
    to: counts(
      e.to,
      estimates.filter((_, k) => k !== i).map(o => o.to),
      -1,
    ),
  }))
}

/** What a window contributes to the common middle. */
export const contribution = (w: Pick<Candidate, 'from' | 'to'>, b: Binding): number =>
  (b.from * w.from + b.to * w.to) / 2

/** What is reckoned with when looking ahead. */
export interface Ahead {
  /** Softness of the edges, share of the width. */
  readonly soft?: number
  /** Whether positions act in whole cylinders, which the headers then tell. */
  readonly steps?: boolean
  /** How far the adjuster goes. */
  readonly travel?: readonly [number, number]
}

/**
 * Ways that a try of some ten sectors turns out: none, a few, half, most, all. With the chance of a sector, by
 * classes of its count.
 */
const CLASSES = 5
const LEVELS = 100
const CLASS_CHANCE = (() => {
  const n = 10
  const table = new Float64Array((LEVELS + 1) * CLASSES)
  const binomial = [1, 10, 45, 120, 210, 252, 210, 120, 45, 10, 1]
  const classOf = (k: number) => (k === 0 ? 0 : k <= 3 ? 1 : k <= 6 ? 2 : k < n ? 3 : 4)
  for (let l = 0; l <= LEVELS; l++) {
    const p = l / LEVELS
    for (let k = 0; k <= n; k++) table[l * CLASSES + classOf(k)]! += binomial[k]! * p ** k * (1 - p) ** (n - k)
  }
  return table
})()

/**
 * The next position worth trying: the one after which the centre is expected to be known best, over all the ways it
 * may turn out. For
 * several heads it is their sum that counts.
 * @param heads tries of each head, at the same positions @param bound edges that count; all of them if not given
 */
export function tryNext(
  heads: readonly (readonly Tried[])[],
  range = searchRange(heads[0]!),
  windows = heads.map(h => readingRanges(h, range)),
  bound: readonly Binding[] = heads.map(() => ({ from: 1, to: 1 })),
  ahead: Ahead = {},
): number {
  // Headers of two other cylinders tell the way; of one alone they may be on either side.
  const blind = heads.find(
    h => !h.some(t => t.good * 2 > t.expected) && new Set(h.flatMap(t => (t.named ? [t.named] : []))).size < 2,
  )
  if (blind) return widestGap(blind, ahead.travel ?? range, ahead.travel ? 0.5 : 1 / 3)
  // Only where an edge may still be is anything to be learned.
  const likely = windows.flatMap((w, i) =>
    w.filter(c => c.weight > 1e-4).flatMap(c => [...(bound[i]!.from ? [c.from] : []), ...(bound[i]!.to ? [c.to] : [])]),
  )
  const [least, most] = ahead.travel ?? [-Infinity, Infinity]
  const [low, high] = [Math.max(least, Math.min(...likely)), Math.min(most, Math.max(...likely))]
  const kept = windows.map(w => w.filter(c => c.weight > 1e-5))
  const left = (position: number) => kept.reduce((s, w, i) => s + expectedVariance(w, bound[i]!, position, ahead), 0)
  const grid = Array.from({ length: CANDIDATES }, (_, k) => low + ((high - low) * (k + 0.5)) / CANDIDATES)
  let [best, variance] = [low, Infinity]
  for (const position of grid) {
    const then = left(position)
    if (then < variance - 1e-12) [best, variance] = [position, then]
  }
  return best
}

/** Where nothing reads yet: the middle of the widest stretch that was not looked at, the ends of the range included. */
function widestGap(tried: readonly Tried[], [low, high]: readonly [number, number], outer: number): number {
  const at = [...new Set(tried.map(t => t.position))].sort((a, b) => a - b)
  const gaps = at.slice(1).map((p, i) => ({ middle: (p + at[i]!) / 2, wide: p - at[i]! }))
  // Beyond the ends only once the inside was looked at closely: what was set once stood somewhere between.
  const outside = [
    { middle: (low + at[0]!) / 2, wide: (at[0]! - low) * outer },
    { middle: (high + at.at(-1)!) / 2, wide: (high - at.at(-1)!) * outer },
  ]
  return [...gaps, ...outside].sort((a, b) => b.wide - a.wide)[0]!.middle
}

/** Variance of the centre that is expected to be left after a try, over the ways that it may turn out. */
function expectedVariance(
  windows: readonly Candidate[],
  bound: Binding,
  position: number,
  { soft = SOFT[1], steps = false }: Ahead,
): number {
  const [n, c, cc] = [new Float64Array(CLASSES), new Float64Array(CLASSES), new Float64Array(CLASSES)]
  for (const w of windows) {
    const centre = contribution(w, bound)
    if (steps) {
      // Which whole track comes: two to the one side, its own, two to the other.
      const k = Math.max(0, Math.min(4, Math.floor((position - w.from) / (w.to - w.from)) + 2))
      n[k]! += w.weight
      c[k]! += w.weight * centre
      cc[k]! += w.weight * centre * centre
      continue
    }
    const level = Math.round(chance(position, w.from, w.to, soft) * LEVELS) * CLASSES
    for (let k = 0; k < CLASSES; k++) {
      const a = w.weight * CLASS_CHANCE[level + k]!
      n[k]! += a
      c[k]! += a * centre
      cc[k]! += a * centre * centre
    }
  }
  let left = 0
  for (let k = 0; k < CLASSES; k++) if (n[k]! > 1e-12) left += cc[k]! - (c[k]! * c[k]!) / n[k]!
  return left
}
