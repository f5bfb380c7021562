import type { Problem } from './problem'
import { searchPlans, type Effort } from './search'
import type { Timing } from './serial'
import { Narrowing, openWindows } from './windows'

export interface Proof {
  /** The best plan that is known. */
  readonly best: Timing
  /** No plan is shorter. */
  readonly proved: boolean
  /** Units of time below which no plan can end. */
  readonly least: number
}

/**
 * Looks for a shorter plan until there is none, or until the effort is spent.
 * @param least units of time below which no plan can end
 */
export function prove(p: Problem, known: Timing, least: number, effort: Effort): Proof {
  const { best, whole } = searchPlans(p, openWindows(p), known, least, effort)
  return { best, proved: whole, least: whole ? best.end : least }
}

/** The least end that narrowing alone does not exclude. @param from units of time below which no plan can end */
export function leastThatFits(p: Problem, from: number, known: number): number {
  const narrowing = new Narrowing(p)
  const fits = (end: number) => narrowing.fits(openWindows(p), end)
  let [low, high] = [from, known]
  while (low < high) {
    const middle = (low + high) >> 1
    if (fits(middle)) high = middle
    else low = middle + 1
  }
  return low
}
