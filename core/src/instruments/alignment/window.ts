import { logLikelihood, SOFT } from './edge'
import { marginLikelihood, type MarginAt } from './margin-law'

/** One position that was tried: how many sectors read, of how many. */
export interface Tried {
  readonly position: number
  readonly good: number
  readonly expected: number
  /** Timing margin as a recording had it, share of half the window. */
  readonly margin?: number
  /** How many cylinders towards the hub the headers stand that were read there instead: 0 and left out mean its own. */
  readonly named?: number
}

/** A quantity with the half-width of its 95 % interval. */
export interface Estimate {
  readonly value: number
  readonly uncertainty: number
}

/** Where a head reads, as far as the tries tell. */
export interface RangeEstimate {
  readonly from: Estimate
  readonly to: Estimate
  readonly centre: Estimate
  /** Whether a failure was seen below, and above: an edge that was never met is only guessed. */
  readonly metBelow: boolean
  readonly metAbove: boolean
}

/** A window, and how well it agrees with what was seen. */
export interface Candidate {
  readonly from: number
  readonly to: number
  readonly weight: number
}

/** What is known of a window before anything is tried. */
export interface Beforehand {
  /** How far the adjuster goes: what a window has beyond it is of no use. */
  readonly travel?: readonly [number, number]
  /** Width that physics expects, with its relative uncertainty. */
  readonly width?: { readonly value: number; readonly share: number }
  /** Margin lost where half of the sectors fail, share of half the timing window. */
  readonly edgeLoss?: number
  /** Softnesses that an edge may have, shares of the width. */
  readonly soft?: readonly number[]
  /**
   * Whether positions act in whole cylinders: what reads another track then lies whole windows away, and margins tell
   * nothing.
   */
  readonly steps?: boolean
  /** Distance from a window to that of the next track, in widths of a window, where nothing else is known. */
  readonly pitch?: number
}

/** Windows that the stop at the outer edge may stand for. */
const STOPPED = 20
/** Tracks stand so many windows apart, from 1.1 to 1.5 for every class by {@link halfWindowUm}. */
const PITCH = 1.3
/** Sectors that a header of another cylinder counts for: it tells the way, less surely how far. */
const HINT = 2

/** Steps of each edge's grid. */
const GRID = 24
/** Share of the posterior that a finer grid may leave out. */
const LEFT_OUT = 1e-5
/** Narrowest window that is reckoned with, share of the range. */
const NARROWEST = 0.03

/** Range in which windows are looked for. */
export function searchRange(
  tried: readonly { readonly position: number }[],
  travel?: readonly [number, number],
): readonly [low: number, high: number] {
  // A window may reach beyond where the adjuster goes.
  if (travel) return [travel[0] - (travel[1] - travel[0]) * 0.25, travel[1] + (travel[1] - travel[0]) * 0.25]
  const positions = tried.map(t => t.position)
  const [low, high] = [Math.min(...positions), Math.max(...positions)]
  const span = Math.max(high - low, Number.EPSILON)
  return [low - span * 0.75, high + span * 0.75]
}

type Interval = readonly [number, number]

/** Where an edge may be: between the nearest clear failure and the nearest clear pass, and a little to either side. */
function brackets(tried: readonly Tried[], [low, high]: Interval): readonly [Interval, Interval] {
  const reads = tried.filter(t => t.good >= t.expected * 0.9).map(t => t.position)
  if (reads.length === 0)
    return [
      [low, high],
      [low, high],
    ]
  const [first, last] = [Math.min(...reads), Math.max(...reads)]
  const clear = tried.filter(t => t.good <= t.expected * 0.1).map(t => t.position)
  const [below, above] = [
    Math.max(low, ...clear.filter(p => p < first)),
    Math.min(high, ...clear.filter(p => p > last)),
  ]
  const slack = (high - low) * 0.01
  return [
    [below - slack, first + slack],
    [last - slack, above + slack],
  ]
}

/**
 * All windows on a grid with the likelihood of what was seen: sectors read with a chance that falls softly at either
 * edge (binomial),
 * margins by the law of noise over signal, headers of other cylinders by whole steps. The grid is laid twice, the
 * second time where the
 * first left anything likely. Weights add up to 1.
 */
export function readingRanges(
  tried: readonly Tried[],
  range = searchRange(tried),
  before: Beforehand = {},
): Candidate[] {
  const [f, t] = brackets(tried, range)
  const coarse = weigh(tried, [f, t], range, before)
  const likely = coarse.filter(w => w.weight > LEFT_OUT)
  const edges = (of: (w: Candidate) => number): Interval => [Math.min(...likely.map(of)), Math.max(...likely.map(of))]
  const [from, to] = [edges(w => w.from), edges(w => w.to)]
  // One step of the first grid to either side, as it may have stood beside what is likely.
  const step = (i: Interval) => (i[1] - i[0]) / GRID
  const wider = (i: Interval, of: Interval): Interval => [i[0] - step(of), i[1] + step(of)]
  const finer = from[1] - from[0] + (to[1] - to[0]) < 0.8 * (f[1] - f[0] + (t[1] - t[0]))
  return finer ? weigh(tried, [wider(from, f), wider(to, t)], range, before) : coarse
}

function weigh(
  tried: readonly Tried[],
  [lower, upper]: readonly [Interval, Interval],
  range: Interval,
  before: Beforehand,
): Candidate[] {
  const { soft = SOFT, width, steps, edgeLoss, pitch = PITCH, travel = [-Infinity, Infinity] } = before
  const at = ([a, b]: Interval, i: number) => a + ((b - a) * i) / GRID
  const narrowest = NARROWEST * (range[1] - range[0])
  const margins: MarginAt[] = steps
    ? []
    : tried.flatMap(t =>
        t.margin === undefined || t.named ? [] : [{ position: t.position, margin: Math.max(0, t.margin) }],
      )
  const ways = tried.some(t => t.named) ? [1, -1] : [0]
  const logs: number[] = []
  const found: { from: number; to: number }[] = []
  for (let i = 0; i <= GRID; i++) {
    const from = at(lower, i)
    for (let j = 0; j <= GRID; j++) {
      const to = at(upper, j)
      const wide = to - from
      if (wide < narrowest || from > travel[1] || to < travel[0]) continue
      let [most, sum] = [-Infinity, 0]
      for (const way of ways) {
        for (const s of soft) {
          let l = 0
          for (const t of tried) {
            // A whole other track was read: the position lies in the window of that cylinder, so far away.
            const away = way * (t.named ?? 0) * (steps ? 1 : pitch) * wide
            // Outward of cylinder 0 the stop ends it: what reads less may stand any number of windows further out.
            const out = steps && t.named! < 0 ? STOPPED * wide : 0
            if (away)
              l += logLikelihood(
                t.position,
                steps ? t.expected : HINT,
                0,
                from + away - (way > 0 ? out : 0),
                to + away + (way < 0 ? out : 0),
                out ? s / STOPPED : s,
              )
            if (!away || !steps) l += logLikelihood(t.position, t.good, t.expected - t.good, from, to, s)
          }
          if (l > most) {
            sum = sum * Math.exp(most - l) + 1
            most = l
          } else sum += Math.exp(l - most)
        }
      }
      let l = most + Math.log(sum)
      if (margins.length) l += marginLikelihood(margins, from, to, edgeLoss)
      if (width) l -= Math.log1p(((wide / width.value - 1) / width.share) ** 2 / 4) * 2.5
      logs.push(l)
      found.push({ from: Math.max(from, travel[0]), to: Math.min(to, travel[1]) })
    }
  }
  const top = logs.reduce((m, l) => Math.max(m, l), -Infinity)
  const total = logs.reduce((s, l) => s + Math.exp(l - top), 0)
  return found.map((f, i) => ({ ...f, weight: Math.exp(logs[i]! - top) / total }))
}

/** How alike the widths of the windows of two heads at one adjuster are, share: they read tracks of the same width. */
const ALIKE = 0.1

/**
 * Lets the heads of one adjuster tell each other how wide a window is; a head that differs, by dirt or wear, is not
 * forced.
 */
export function sharingWidths(windows: readonly Candidate[][]): Candidate[][] {
  if (windows.length < 2) return windows.map(w => [...w])
  return windows.map((own, i) => {
    const other = windows[1 - i]!
    // The other head's width as a histogram, so that two grids need not be multiplied out.
    const widest = Math.max(...other.map(w => w.to - w.from), ...own.map(w => w.to - w.from))
    const bins = new Float64Array(64)
    for (const w of other) bins[Math.min(63, Math.floor(((w.to - w.from) / widest) * 64))]! += w.weight
    const weight = (wide: number) => {
      let like = 0.25
      for (let b = 0; b < 64; b++)
        if (bins[b]! > 1e-6) like += bins[b]! * Math.exp(-0.5 * ((wide / (((b + 0.5) / 64) * widest) - 1) / ALIKE) ** 2)
      return like
    }
    const known = new Map<number, number>()
    const mixed = own.map(w => {
      const key = Math.round(((w.to - w.from) / widest) * 256)
      let factor = known.get(key)
      if (factor === undefined) known.set(key, (factor = weight(w.to - w.from)))
      return { ...w, weight: w.weight * factor }
    })
    const sum = mixed.reduce((s, w) => s + w.weight, 0)
    return mixed.map(w => ({ ...w, weight: w.weight / sum }))
  })
}

export function estimate(windows: readonly Candidate[], of: (w: Candidate) => number): Estimate {
  let mean = 0
  for (const w of windows) mean += w.weight * of(w)
  let variance = 0
  for (const w of windows) variance += w.weight * (of(w) - mean) ** 2
  return { value: mean, uncertainty: 1.96 * Math.sqrt(variance) }
}

/** The window of one head from its tries. */
export function readingRange(tried: readonly Tried[], windows = readingRanges(tried)): RangeEstimate {
  const passes = tried.filter(t => t.good * 2 > t.expected).map(t => t.position)
  const fails = tried.filter(t => t.good * 2 <= t.expected).map(t => t.position)
  return {
    from: estimate(windows, w => w.from),
    to: estimate(windows, w => w.to),
    centre: estimate(windows, w => (w.from + w.to) / 2),
    metBelow: passes.length > 0 && fails.some(f => f < Math.min(...passes)),
    metAbove: passes.length > 0 && fails.some(f => f > Math.max(...passes)),
  }
}
