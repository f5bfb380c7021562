import { chance, searchRange, windowsOf, type Candidate, type Estimate, type Tried, type WindowEstimate } from './window'

/** Positions that are weighed against each other. */
const CANDIDATES = 32
/** Edge that is reckoned with when looking ahead, share of the range. */
const SOFT = 0.012

/** Which edges of a head's window bound what both heads can do: 1 where this one does, 0 where the other head gives out first. */
export interface Binding { readonly from: 0 | 1, readonly to: 0 | 1 }

/** The edges that count, by the means of each; where two lie within their uncertainties both count. */
export function bindings(estimates: readonly WindowEstimate[]): Binding[] {
  const counts = (own: Estimate, others: readonly Estimate[], way: 1 | -1) => others.every(o => way * (own.value - o.value) + own.uncertainty + o.uncertainty > 0) ? 1 : 0
  return estimates.map((e, i) => ({ from: counts(e.from, estimates.filter((_, k) => k !== i).map(o => o.from), 1), to: counts(e.to, estimates.filter((_, k) => k !== i).map(o => o.to), -1) }))
}

/** What a window contributes to the common middle. */
export const contribution = (w: Pick<Candidate, 'from' | 'to'>, b: Binding): number => (b.from * w.from + b.to * w.to) / 2

/**
 * The next position worth trying: the one after which the centre is expected to be known best, whichever way it turns out. For several
 * heads it is their sum that counts.
 * @param heads tries of each head, at the same positions @param bound edges that count; all of them if not given
 */
export function tryNext(heads: readonly (readonly Tried[])[], range = searchRange(heads[0]!), windows = heads.map(h => windowsOf(h, range)), bound: readonly Binding[] = heads.map(() => ({ from: 1, to: 1 }))): number {
  const blind = heads.find(h => !h.some(t => t.good * 2 > t.expected))
  if (blind) return widestGap(blind, range)
  const span = range[1] - range[0]
  // Only where an edge may still be is anything to be learned.
  const likely = windows.flatMap((w, i) => w.filter(c => c.weight > 1e-4).flatMap(c => [...bound[i]!.from ? [c.from] : [], ...bound[i]!.to ? [c.to] : []]))
  const [low, high] = [Math.min(...likely), Math.max(...likely)]
  let [best, least] = [low, Infinity]
  for (let k = 0; k < CANDIDATES; k++) {
    const position = low + (high - low) * (k + 0.5) / CANDIDATES
    const left = windows.reduce((s, w, i) => s + expectedVariance(w, bound[i]!, position, SOFT * span), 0)
    if (left < least - 1e-12) [best, least] = [position, left]
  }
  return best
}

/** Where nothing reads yet: the middle of the widest stretch that was not looked at, the ends of the range included. */
function widestGap(tried: readonly Tried[], [low, high]: readonly [number, number]): number {
  const at = [...new Set(tried.map(t => t.position))].sort((a, b) => a - b)
  const gaps = at.slice(1).map((p, i) => ({ middle: (p + at[i]!) / 2, wide: p - at[i]! }))
  // Beyond the ends only once the inside was looked at closely: what was set once stood somewhere between.
  const outside = [{ middle: (low + at[0]!) / 2, wide: (at[0]! - low) / 3 }, { middle: (high + at.at(-1)!) / 2, wide: (high - at.at(-1)!) / 3 }]
  return [...gaps, ...outside].sort((a, b) => b.wide - a.wide)[0]!.middle
}

/** Variance of the centre that is expected to be left after a try, over both ways that it may turn out. */
function expectedVariance(windows: readonly Candidate[], bound: Binding, position: number, soft: number): number {
  let [pass, passC, passCC, fail, failC, failCC] = [0, 0, 0, 0, 0, 0]
  for (const w of windows) {
    if (w.weight < 1e-6) continue
    // A try of some ten sectors is nearly a yes or a no.
    const p = chance(position, w.from, w.to, soft)
    const centre = contribution(w, bound)
    const [a, b] = [w.weight * p, w.weight * (1 - p)]
    pass += a
    passC += a * centre
    passCC += a * centre * centre
    fail += b
    failC += b * centre
    failCC += b * centre * centre
  }
  const left = (n: number, c: number, cc: number) => n > 1e-12 ? cc - c * c / n : 0
  return left(pass, passC, passCC) + left(fail, failC, failCC)
}
