import { worthOf, type CheckModel, type CheckWorth, type Hypothesis } from '../engine'
import { actionOf, changedBy } from '../drive/action-of'
import { TREATMENTS } from '../knowledge/actions'
import type { Check, CheckNeed } from '../knowledge/types'
import { faultAt, type Weighed } from '../weigh-case'

/** Later than everything that was done. */
export const NOW = 1e16
/** Hypotheses that are asked about, and their least share of the likeliest. */
const MOST = 48
const LEAST = 8e-3
/** Minutes that a need costs beyond the hands' own, where it is not met yet (from memory). */
const NEEDS: Readonly<Record<CheckNeed, number>> = {
  power: 0.5,
  open: 6,
  disk: 0.5,
  'second-drive': 4,
  part: 6,
  recording: 5,
}
/** What turning to another check costs, minutes (a guess): small things are not asked for ever. */
export const TURN = 2
/** Expected harm that counts as much as a bit, minutes (a guess). */
const HARM = 12

/** A check that could be made now. */
export interface Candidate {
  readonly id: string
  readonly spec: Check
  readonly check: CheckModel
  readonly minutes: number
  readonly worth: CheckWorth
  readonly score: number
}

/** The hypotheses that matter for what to do next. */
export function pruned(w: Weighed): Hypothesis[] {
  const top = w.hypotheses[0]?.weight ?? 0
  const kept = w.hypotheses.slice(0, MOST).filter(h => h.weight >= top * LEAST)
  const total = kept.reduce((s, h) => s + h.weight, 0)
  return kept.map(h => ({ faults: h.faults, weight: h.weight / total }))
}

/** A fault that was most likely mended already asks for nothing more. */
const MENDED = 0.5

/** What would be done under each hypothesis: the cures of its faults; those that share one need not be told apart. */
export function decisionsOf(w: Weighed, hypotheses: readonly Hypothesis[]): number[] {
  const numbers = new Map<string, number>()
  return hypotheses.map(h => {
    const left = h.faults.filter(n => w.weigh.still(n) >= MENDED)
    const key = [...new Set(left.map(n => faultAt(w, n).cure.says))].sort().join('|')
    if (!numbers.has(key)) numbers.set(key, numbers.size)
    return numbers.get(key)!
  })
}

const cache = new WeakMap<Weighed, Candidate[]>()

/** Everything that could be asked or tried now, by information about what to do per minute of hands, less its risk. */
export function candidates(w: Weighed): Candidate[] {
  const known = cache.get(w)
  if (known) return known
  const hypotheses = pruned(w)
  const decision = decisionsOf(w, hypotheses)
  const done = answered(w)
  const opened = w.evidence.some(e => e.any.some(all => all.some(a => needs(w, a.check).includes('open'))))
  const elements = [...new Set(hypotheses.flatMap(h => h.faults))].map(n => w.weigh.relevant[n]!)
  const out: Candidate[] = []
  for (const { check: spec, influences, removes } of w.drive.checks.values()) {
    if (spec.ask === false || done.has(spec.id) || w.skip.has(spec.id)) continue
    if (spec.needs.some(n => w.without.includes(n))) continue
    if (!elements.some(i => (removes ? removes[i]! > 0.02 : influences[i]))) continue
    const check = w.weigh.check(spec.id, NOW)!
    const worth = worthOf(hypotheses, decision, check)
    const extra = spec.needs.reduce((s, n) => s + (n === 'open' && opened ? 0 : NEEDS[n]), 0)
    const minutes = spec.minutes + extra
    const risk = worth.risk + (TREATMENTS.find(t => t.id === spec.id)?.risk ?? 0)
    out.push({ id: spec.id, spec, check, minutes, worth, score: (worth.bits - risk / HARM) / (minutes + TURN) })
  }
  out.sort((a, b) => b.score - a.score)
  cache.set(w, out)
  return out
}

const needs = (w: Weighed, check: string): readonly CheckNeed[] => w.drive.checks.get(check)?.check.needs ?? []

/** Checks that need no answer now: looks, and what was tried since the last thing that changed the drive. */
function answered(w: Weighed): Set<string> {
  const changes = (id: string) => w.drive.checks.get(id)?.check.changes === true
  const acted = w.evidence.filter(e => {
    const action = actionOf(e, w.drive)
    return action !== null && changedBy(action, e.any[0]![0]!.answer)
  })
  const since = Math.max(-Infinity, ...acted.filter(e => !e.weak).map(e => e.order))
  const out = new Set<string>()
  for (const e of w.evidence)
    for (const all of e.any)
      for (const { check } of all) {
        // What the drive does is tried again after something changed; a look at a part holds.
        const lasts = !w.drive.checks.get(check)?.check.sees
        if (changes(check) || ((lasts || e.order >= since) && e.any.length === 1)) out.add(check)
      }
  return out
}
