import type { Weighed } from '../weigh-case'
import { faultAt } from '../weigh-case'

/** Evidence that makes a fault so much likelier, or less likely, than none is told. */
const FOR = 1.6
const AGAINST = 0.6
const TOLD = 3

/** What speaks for a fault and what against it, the strongest first. */
export function reasonsFor(w: Weighed, fault: string): { readonly why: string[]; readonly against: string[] } {
  const best = w.hypotheses.slice(0, 400).find(h => h.faults.some(n => faultAt(w, n).id === fault))
  const number = best?.faults.find(n => faultAt(w, n).id === fault)
  if (number === undefined) return { why: [], against: [] }
  const ratios = w.evidence.map((e, i) => ({
    says: e.says,
    ratio: w.weigh.chanceOf(i, [number]) / Math.max(1e-6, w.weigh.chanceOf(i, [])),
  }))
  const why = ratios.filter(r => r.ratio > FOR).sort((a, b) => b.ratio - a.ratio)
  const against = ratios.filter(r => r.ratio < AGAINST).sort((a, b) => a.ratio - b.ratio)
  const told = (list: readonly { says: string }[]) => [...new Set(list.map(r => r.says))].slice(0, TOLD)
  return { why: told(why), against: told(against) }
}
