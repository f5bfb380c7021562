import { LAYOUTS, layoutsOf, type Layout, type MechanismId } from '../drives'
import { above } from '../base/numbers'
import type { TrackCode } from '../signals/codes'

/**
 * Flux transitions for each bit of data, by code, with data of no pattern: FM always one clock and every other bit,
 * MFM three in four bits, group codes by the ones of their tables (from memory of the codes).
 */
const TRANSITIONS_A_BIT: Readonly<Record<TrackCode, number>> = {
  FM: 1.5,
  MFM: 0.75,
  'split MFM': 0.75,
  'quick stream': 0.75,
  'quick bytes': 0.75,
  'quick files': 0.75,
  '4-to-5': 0.75,
  '6-and-2': 0.85,
  '5-and-3': 1,
  'zoned 6-and-2': 0.85,
}
/** The margin is the place of the worst hundredth: so many deviations of jitter from its middle, either way. */
const HUNDREDTH = 2.576
/** One sector in so many may slip at the place with the least margin, of a drive that is called within the standard. */
const ONE_IN = 20

/**
 * Timing margin that the worst place of a surface must keep, share of half the window: with jitter of a normal
 * distribution no more than one sector in twenty loses a transition there. A longer sector, or a code with more
 * transitions for each bit, wants more.
 *
 * @example
 * marginWanted('MFM', 512).toFixed(2) // '0.40'
 */
export function marginWanted(code: TrackCode, bytes: number): number {
  const outside = 1 / (ONE_IN * bytes * 8 * TRANSITIONS_A_BIT[code])
  let [low, high] = [0, 8]
  for (let i = 0; i < 50; i++) {
    const middle = (low + high) / 2
    if (2 * above(middle) > outside) low = middle
    else high = middle
  }
  return 1 - HUNDREDTH / high
}

/** The layout of a class whose tracks have sectors such as these; undefined for a class without tracks. */
export function layoutRead(mechanism: MechanismId, sectorsOfFirst: number): Layout | undefined {
  return layoutsOf(mechanism)
    .map(id => LAYOUTS[id]!)
    .toSorted((a, b) => Math.abs(a.sectorsOf(0) - sectorsOfFirst) - Math.abs(b.sectorsOf(0) - sectorsOfFirst))[0]
}
