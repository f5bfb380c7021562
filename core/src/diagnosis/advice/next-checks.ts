import { lowerFirst } from '../../base/observations'
import { afterAnswer } from '../engine'
import type { Opens } from '../knowledge/types'
import { faultAt, faultOf, type Weighed } from '../weigh-case'
import { candidates, pruned, type Candidate } from './candidates'

/** A check that is worth making now, and what each answer would leave. */
export interface NextCheck {
  readonly check: string
  readonly title: string
  readonly minutes: number
  readonly why: string
  readonly leaves: readonly {
    readonly answer: string
    readonly probability: number
    readonly causes: readonly { readonly fault: string; readonly probability: number }[]
  }[]
  readonly opens: Opens | null
  /** Bits about what to do that it is expected to tell. */
  readonly bits: number
}

const SHOWN = 3
/** A check that tells less is not worth a minute. */
const LEAST_BITS = 0.02
const LEFT = 3

/**
 * The best next checks, the best first.
 * @param first a check that is to stand before them all
 */
export function nextChecks(w: Weighed, most = SHOWN, first: string | null = null): NextCheck[] {
  const hypotheses = pruned(w)
  const all = candidates(w)
  const worth = all.filter(c => c.score > 0 && c.worth.bits >= LEAST_BITS && c.id !== first)
  return [...all.filter(c => c.id === first), ...worth].slice(0, most).map(c => asNext(w, c, hypotheses))
}

function asNext(w: Weighed, c: Candidate, hypotheses: ReturnType<typeof pruned>): NextCheck {
  const leaves = c.spec.answers
    .map((answer, a) => {
      const shares = new Map<string, number>()
      for (const h of afterAnswer(hypotheses, c.check, a))
        for (const n of h.faults) {
          const { id } = faultAt(w, n)
          shares.set(id, (shares.get(id) ?? 0) + h.weight * w.weigh.still(n))
        }
      const causes = [...shares]
        .map(([fault, probability]) => ({ fault, probability }))
        .sort((x, y) => y.probability - x.probability)
        .slice(0, LEFT)
      return { answer, probability: c.worth.chances[a]!, causes }
    })
    .filter(l => l.probability > 0.001)
    .sort((x, y) => y.probability - x.probability)
  return {
    check: c.id,
    title: c.spec.title,
    minutes: Math.round(c.minutes * 2) / 2,
    why: whyOf(w, c, leaves),
    leaves,
    opens: c.spec.opens ?? null,
    bits: c.worth.bits,
  }
}

function whyOf(w: Weighed, c: Candidate, leaves: NextCheck['leaves']): string {
  if (c.check.settles !== undefined) {
    const chance = Math.round(100 * (c.worth.chances[c.check.settles] ?? 0))
    return `It cures ${chance} in 100 such drives, costs ${Math.round(c.minutes)} min and tells the rest apart.`
  }
  const label = (id: string) => faultOf(w, id).label
  const told = leaves
    .filter(l => l.causes.length > 0)
    .slice(0, 2)
    .map(l => {
      const { fault, probability } = l.causes[0]!
      return `“${c.spec.words?.[l.answer] ?? l.answer}”: ${lowerFirst(label(fault))}, ${Math.round(100 * probability)} %`
    })
  return `${told.join('; ')}.`
}
