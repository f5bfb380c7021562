/** One position that was tried: how many sectors read, of how many. */
export interface Tried { readonly position: number, readonly good: number, readonly expected: number }

/** A quantity with the half-width of its 95 % interval. */
export interface Estimate { readonly value: number, readonly uncertainty: number }

/** Where a head reads, as far as the tries tell. */
export interface WindowEstimate {
  readonly from: Estimate
  readonly to: Estimate
  readonly centre: Estimate
  /** Whether a failure was seen below, and above: an edge that was never met is only guessed. */
  readonly metBelow: boolean
  readonly metAbove: boolean
}

/** A window, and how well it agrees with what was seen. */
export interface Candidate { readonly from: number, readonly to: number, readonly weight: number }

/** Steps of each edge's grid. */
const GRID = 32
/** How soft an edge is, share of the span that was tried. */
const SOFT = [0.004, 0.015, 0.05] as const
/** A sector that fails inside the window, or reads outside, for another reason. */
const STRAY = 0.01

/** Range in which windows are looked for: what was tried, and as much again where only one side was met. */
export function searchRange(tried: readonly Tried[]): readonly [low: number, high: number] {
  const positions = tried.map(t => t.position)
  const [low, high] = [Math.min(...positions), Math.max(...positions)]
  const span = Math.max(high - low, Number.EPSILON)
  return [low - span * 0.75, high + span * 0.75]
}

/** Where an edge may be: between the nearest clear failure and the nearest clear pass, and a little to either side. */
function brackets(tried: readonly Tried[], [low, high]: readonly [number, number]): readonly (readonly [number, number])[] {
  const reads = tried.filter(t => t.good >= t.expected * 0.9).map(t => t.position)
  if (reads.length === 0) return [[low, high], [low, high]]
  const [first, last] = [Math.min(...reads), Math.max(...reads)]
  const clear = tried.filter(t => t.good <= t.expected * 0.1).map(t => t.position)
  const [below, above] = [Math.max(low, ...clear.filter(p => p < first)), Math.min(high, ...clear.filter(p => p > last))]
  const slack = (high - low) * 0.01
  return [[below - slack, first + slack], [last - slack, above + slack]]
}

/**
 * All windows on a grid with the likelihood of what was seen: sectors read with a chance that falls softly at either edge (binomial,
 * edges logistic). Windows of any width are taken as equally likely beforehand. Weights add up to 1.
 */
export function windowsOf(tried: readonly Tried[], range = searchRange(tried)): Candidate[] {
  const span = range[1] - range[0]
  const [lower, upper] = brackets(tried, range).map(([a, b]) => Array.from({ length: GRID + 1 }, (_, i) => a + (b - a) * i / GRID)) as [number[], number[]]
  const edge = (x: number) => 1 / (1 + Math.exp(-Math.max(-40, Math.min(40, x))))
  // What each edge alone does to each try, for each softness: a window is the product of two.
  const rise = SOFT.map(soft => lower.map(from => tried.map(t => edge((t.position - from) / (soft * span)))))
  const fall = SOFT.map(soft => upper.map(to => tried.map(t => edge((to - t.position) / (soft * span)))))
  const logs: number[] = []
  const found: { from: number, to: number }[] = []
  for (const [i, from] of lower.entries()) {
    for (const [j, to] of upper.entries()) {
      if (to <= from) continue
      let sum = 0
      for (let k = 0; k < SOFT.length; k++) {
        let l = 0
        const [a, b] = [rise[k]![i]!, fall[k]![j]!]
        for (let n = 0; n < tried.length; n++) {
          const p = STRAY + (1 - 2 * STRAY) * a[n]! * b[n]!
          const { good, expected } = tried[n]!
          if (good > 0) l += good * Math.log(p)
          if (good < expected) l += (expected - good) * Math.log(1 - p)
        }
        sum += Math.exp(Math.max(-700, l))
      }
      logs.push(Math.log(sum))
      found.push({ from, to })
    }
  }
  const most = Math.max(...logs)
  const total = logs.reduce((s, l) => s + Math.exp(l - most), 0)
  return found.map((f, i) => ({ ...f, weight: Math.exp(logs[i]! - most) / total }))
}

/** Chance of a sector at a position, for a window with soft edges. */
export function chance(position: number, from: number, to: number, soft: number): number {
  const s = (x: number) => 1 / (1 + Math.exp(-Math.max(-40, Math.min(40, x / soft))))
  return s(position - from) * s(to - position)
}

export function estimate(windows: readonly Candidate[], of: (w: Candidate) => number): Estimate {
  let mean = 0
  for (const w of windows) mean += w.weight * of(w)
  let variance = 0
  for (const w of windows) variance += w.weight * (of(w) - mean) ** 2
  return { value: mean, uncertainty: 1.96 * Math.sqrt(variance) }
}

/** The window of one head from its tries. */
export function windowOf(tried: readonly Tried[], windows = windowsOf(tried)): WindowEstimate {
  const passes = tried.filter(t => t.good * 2 > t.expected).map(t => t.position)
  const fails = tried.filter(t => t.good * 2 <= t.expected).map(t => t.position)
  return {
    from: estimate(windows, w => w.from), to: estimate(windows, w => w.to), centre: estimate(windows, w => (w.from + w.to) / 2),
    metBelow: passes.length > 0 && fails.some(f => f < Math.min(...passes)), metAbove: passes.length > 0 && fails.some(f => f > Math.max(...passes)),
  }
}
