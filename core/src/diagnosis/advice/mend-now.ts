import { afterAnswer, repairPlan, type Hypothesis, type RepairPlan } from '../engine'
import { faultAt, faultOf, type Weighed } from '../weigh-case'
import { candidates, pruned, TURN } from './candidates'
import { cureCheck } from './cure-check'

/** What a drive costs where nothing that is listed cures it, minutes: it is given to somebody else (a guess). */
const OTHERWISE = 150
/** So likely, a fault is mended whatever else could be asked. */
const SURE = 0.9
/** Less likely, no cure is begun that is not a check as well, however little is left to ask. */
const LIKELY = 0.15
/** While there is something to ask, nothing is replaced or adjusted on less than this. */
const PROBABLE = 0.3
const ASKED = 6
/** Outcomes after which a cure is not made again. */
const IN_VAIN = new Set(['same', 'worse'])

/**
 * The fault whose cure is cheaper to try now than anything is to ask first: expected cost of repairs by probability
 * over cost, beside that after the best check. Where nothing is left to ask, it is the likeliest one.
 * @param asks whether any check is worth making
 * @param left share of each fault that is still there, by its id
 */
export function mendNow(w: Weighed, asks: boolean, left: ReadonlyMap<string, number>): string | null {
  const hypotheses = pruned(w)
  const ids = [...w.byFault.keys()].filter(id => !curedInVain(w, id))
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
  const least = (id: string) => (trialOf(w, id) ? LIKELY : PROBABLE)
  const first = plan.order.find(r => share(ids[r.id]!) >= least(ids[r.id]!))
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

/**
 * The treatment that is tried for a fault where it is likely and not yet sure: it cures, harms nothing, and tells what
 * it was; null where its cure is no treatment, or was tried before.
 */
export function trialOf(w: Weighed, id: string): string | null {
  const check = cureCheck(faultOf(w, id))
  return check?.startsWith('after.') && candidates(w).some(c => c.id === check && c.score > 0) ? check : null
}

/** Whether the cure of a fault was made and changed nothing: it is not made again, likely as the fault still is. */
function curedInVain(w: Weighed, id: string): boolean {
  const check = cureCheck(faultOf(w, id))
  return w.evidence.some(e => {
    const done = e.any[0]?.[0]
    return done?.check === check && IN_VAIN.has(done?.answer ?? '')
  })
}

/** Whether a fault is so likely that its cure is begun as a cure, not tried. */
export const isSure = (w: Weighed, id: string): boolean => (w.byFault.get(id) ?? 0) * (1 - w.unknown) >= SURE

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
