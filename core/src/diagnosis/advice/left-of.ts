import { faultAt, type Weighed } from '../weigh-case'

/** Share of each fault that is still there, after what was done and what cured. */
export function leftOf(w: Weighed): Map<string, number> {
  const sums = new Map<string, { all: number; now: number }>()
  for (const { faults, weight } of w.hypotheses)
    for (const n of faults) {
      const { id } = faultAt(w, n)
      const sum = sums.get(id) ?? { all: 0, now: 0 }
      const still = w.weigh.still(n)
      sum.all += weight
      // What was done without a cure is in the probability already.
      sum.now += still > 0 ? weight * (w.weigh.now(n) / still) : 0
      sums.set(id, sum)
    }
  return new Map([...sums].map(([id, { all, now }]) => [id, all > 0 ? now / all : 1]))
}

/** Probability that nothing is at fault now: nothing ever was, or what was is cured. */
export const soundNow = (w: Weighed): number =>
  w.hypotheses.reduce((s, h) => s + h.weight * h.faults.reduce((p, n) => p * (1 - w.weigh.now(n)), 1), 0) *
  (1 - w.unknown)
