import { above } from '../../base/numbers'
import { THRESHOLD, type HeadView } from './under-head'

/**
 * What a separator adds to the jitter of a transition: its own loop still swings from the ones before, √(1 + g ÷ (2 −
 * g)) at its gain of 0.14.
 */
const LOOP = Math.sqrt(1 + 0.14 / (2 - 0.14))
/** Share of the transitions that may stand nearer to the edge of the window than the margin says. */
const WORST = 0.01

/** A kind of transition: how its neighbours shift, lower and steady it, and how many there are of it. */
interface Kind {
  readonly shift: number
  readonly height: number
  readonly jitter: number
  readonly count: number
}

const kindsOf = new WeakMap<HeadView['track'], readonly Kind[]>()

/** Transitions by what their neighbours do to them: few kinds, since spacings are small whole numbers of cells. */
function kinds(track: HeadView['track']): readonly Kind[] {
  const known = kindsOf.get(track)
  if (known) return known
  const found = new Map<number, { shift: number; height: number; jitter: number; count: number }>()
  for (let i = 0; i < track.at.length; i++) {
    // Both to four decimals, as one number: heights stay below 100.
    const key = Math.round(track.shift[i]! * 1e4) * 1e6 + Math.round(track.height[i]! * 1e4)
    const kind = found.get(key)
    if (kind) kind.count++
    else found.set(key, { shift: track.shift[i]!, height: track.height[i]!, jitter: track.jitter[i]!, count: 1 })
  }
  const all = [...found.values()]
  kindsOf.set(track, all)
  return all
}

/** What can be expected of reading a track. */
export interface Expected {
  /** Timing margin left, share of half the window; below 0 more than a hundredth of the transitions fall outside it. */
  readonly margin: number
  /** Chance that one transition is lost or falls outside its window. */
  readonly slips: number
}

/**
 * What a data separator makes of a track under a head, worked out and not drawn: peak shift by the neighbours,
 * jitter by noise and by the neighbouring track, and the comparator, which sees the noise before the differentiator.
 * Time goes with the few kinds of transitions, not with their number.
 * @param noise r.m.s. after the differentiator over the full signal, as in the view's head
 */
export function expectedReading(view: HeadView, noise: number): Expected {
  const outside = outsideOf(view)
  let [low, high] = [0, 2]
  for (let i = 0; i < 40; i++) {
    const middle = (low + high) / 2
    if (outside(middle) > WORST) low = middle
    else high = middle
  }
  return { margin: 1 - 2 * high, slips: expectedSlips(view, noise) }
}

/** {@link Expected.slips} alone, which is found at once: the margin has to be searched for. */
export function expectedSlips(view: HeadView, noise: number): number {
  const all = kinds(view.track)
  const rough = Math.max(1e-9, (noise * view.track.roughness) / view.signal)
  const lost = all.reduce((n, k) => n + k.count * above((k.height - THRESHOLD / view.signal) / rough), 0) / countOf(all)
  return Math.min(1, outsideOf(view)(0.5) + lost)
}

/** Share of the transitions that stand further from the middle of their window than a limit, cells. */
function outsideOf(view: HeadView): (limit: number) => number {
  const all = kinds(view.track)
  const count = countOf(all)
  const sigma = (k: Kind) => Math.max(1e-9, view.disturbance * k.jitter * LOOP)
  return limit =>
    all.reduce((n, k) => n + k.count * (above((limit - k.shift) / sigma(k)) + above((limit + k.shift) / sigma(k))), 0) /
    count
}

const countOf = (all: readonly Kind[]) => all.reduce((n, k) => n + k.count, 0)

/** Chance that a sector of so many transitions has none that slips. */
export const sectorReads = (slips: number, transitions: number): number =>
  Math.exp(transitions * Math.log1p(-Math.min(slips, 1 - 1e-12)))
