import type { PairBounds } from '../engine'
import { chanceOfItem, type Item } from './likelihood'
import type { Priors } from './priors'

/**
 * The most that a pair can weigh. With a first, u + q · v grows over what a makes alone by no more than what b makes of
 * it over nothing: so a alone times the gains of b. What was done, and what was not seen, is taken as certain.
 */
export function pairBounds(priors: Priors, live: readonly Item[], silent: Uint8Array): PairBounds {
  const count = silent.length
  const alone = new Float64Array(count)
  const gain = new Float64Array(count)
  for (const item of live) {
    if (item.negated || item.weak || item.any.some(all => all.some(f => f.removes))) continue
    const set = [0]
    for (let i = 0; i < count; i++) {
      set[0] = i
      alone[i]! += Math.log(chanceOfItem(item, set, silent))
      let most = 1
      for (const all of item.any) {
        let p = 1
        for (const f of all) p *= Math.max(1, (f.u[i]! + f.q[i]! * f.base) / Math.max(f.base, 1e-9))
        if (p > most) most = p
      }
      gain[i]! += Math.log(most)
    }
  }
  const { first, second } = priors.pairMost
  return { first: first.map((p, a) => p + alone[a]!), second: second.map((p, b) => p + gain[b]!) }
}
