import { afterAnswer, repairPlan, type Hypothesis, type RepairPlan } from '../engine'
import { faultAt, faultOf, type Weighed } from '../weigh-case'
import { candidates, pruned, TURN } from './candidates'

/** What a drive costs where nothing that is listed cures it, minutes: it is given to somebody else (a guess). */
const OTHERWISE = 150
/** So likely, a fault is mended whatever else could be asked. */
const SURE = 0.9
/** Less likely, no cure is begun that is not a check as well, however little is left to ask. */
const LIKELY = 0.15
const ASKED = 6

/**
 * The fault whose cure is cheaper to try now than anything is to ask first: expected cost of repairs by probability
 * over cost, beside that after the best check. Where nothing is left to ask, it is the likeliest one.
 * @param asks whether any check is worth making
 * @param left share of each fault that is still there, by its id
 */
export function mendNow(w: Weighed, asks: boolean, left: ReadonlyMap<string, number>): string | null {
  const hypotheses = pruned(w)
  const ids = [...w.byFault.keys()]
  const plan = planOf(w, hypotheses, ids)
  const share = (id: string) => (w.byFault.get(id) ?? 0) * (left.get(id) ?? 1) * (1 - w.unknown)
  const top = ids.reduce((a, b) => (share(b) > share(a) ? b : a), ids[0] ?? '')
  if (top && share(top) >= SURE) return top
  // Faults that one cure takes away together need not be told apart.
  const cure = (id: string) => faultOf(w, id).cure.says
  const together = ids.reduce((s, id) => s + (top && cure(id) === cure(top) ? share(id) : 0), 0)
  if (together >= SURE) return top
  if (!asks) return top && share(top) >= LIKELY ? top : null
  // What is cheap and unlikely is no cure to begin with: where it is harmless it is proposed as a check.
  const first = plan.order.find(r => share(ids[r.id]!) >= LIKELY)
  if (!first) return null
  const tried = ids[first.id]!
  const best = candidates(w)
    .slice(0, ASKED)
    .map(({ check, minutes }) => {
      let cost = minutes + TURN
      for (let a = 0; a < check.answers; a++) {
        const after = afterAnswer(hypotheses, check, a)
        const chance = hypotheses.reduce((s, h) => s + h.weight * check.chance(a, h.faults), 0)
        cost += a === check.settles ? 0 : chance * planOf(w, after, ids).expected
      }
      return cost
    })
    .reduce((least, c) => Math.min(least, c), Infinity)
  return plan.expected <= best ? tried : null
}

function planOf(w: Weighed, hypotheses: readonly Hypothesis[], ids: readonly string[]): RepairPlan {
  const shares = new Map<string, number>()
  for (const { faults, weight } of hypotheses)
    for (const n of faults) {
      const { id } = faultAt(w, n)
      shares.set(id, (shares.get(id) ?? 0) + (weight / faults.length) * w.weigh.now(n))
    }
  const repairs = ids
    .map((id, i) => {
      const { cure } = faultOf(w, id)
      return { id: i, probability: shares.get(id) ?? 0, cost: cure.minutes + (cure.risk ?? 0) }
    })
    .filter(r => r.probability > 0.002)
  return repairPlan(repairs, OTHERWISE)
}
