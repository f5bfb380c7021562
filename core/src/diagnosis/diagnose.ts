import type { CallKind } from '../base/observations'
import { callOf } from './advice/call-of'
import { cureCheck } from './advice/cure-check'
import { contradictionsIn, type Contradiction } from './advice/contradictions'
import { reasonsFor } from './advice/explain'
import { leftOf, soundNow } from './advice/left-of'
import { isSure, mendNow, trialOf } from './advice/mend-now'
import { nextChecks, type NextCheck } from './advice/next-checks'
import type { DiagnosisCase } from './case/read-case'
import type { Cause } from './cause'
import type { Cure } from './knowledge/types'
import { whatWorks, type WorkBox } from './map'
import { faultAt, faultOf, weighCase, type Weighed, type WeighOptions } from './weigh-case'

/** Two faults together. */
export interface FaultPair {
  readonly faults: readonly [string, string]
  readonly labels: readonly [string, string]
  readonly probability: number
}

/** What is believed of a drive, and what to do next. */
export interface Diagnosis {
  readonly causes: readonly Cause[]
  readonly pairs: readonly FaultPair[]
  readonly next: readonly NextCheck[]
  /** The best check of all, where something that cannot be had now keeps it from being proposed; else null. */
  readonly behind: NextCheck | null
  readonly mendNow: string | null
  /** The cure of that fault. */
  readonly cure: Cure | null
  /** The check by which its outcome is told; null where none is. */
  readonly cureCheck: string | null
  readonly contradictions: readonly Contradiction[]
  /** Probability that it is none of the faults in the list. */
  readonly unknown: number
  /** Probability that nothing is at fault, or not any more. */
  readonly sound: number
  readonly call: CallKind
  readonly reasons: readonly string[]
  readonly todo: string
  /** Upper bound for what sets of three and more that were not looked into could weigh. */
  readonly leftOut: number
  /** Pieces of evidence that were weighed. */
  readonly evidence: number
  /** The functions of the drive, along the chain, with what is known of each. */
  readonly works: readonly WorkBox[]
}

/** Causes that are told. */
const TOLD = 12
const PAIRS = 5
/** So much likelier than on any drive. */
const LIFTED = 1.3
/** Less than this is not told. */
const LEAST = 0.005

/** What a case comes to: causes, pairs, what to do next, and why. */
export function diagnose(c: DiagnosisCase, options: WeighOptions = {}): Diagnosis {
  const w = weighCase(c, options)
  const listed = 1 - w.unknown
  const left = leftOf(w)
  const causes = [...w.byFault]
    .sort((a, b) => b[1] - a[1])
    .filter(([id, p]) => p * listed >= LEAST && (w.evidence.length === 0 || isPointedAt(w, id, p)))
    .slice(0, TOLD)
    .map(([id, p]): Cause => {
      const { part, label, cure } = faultOf(w, id)
      return {
        fault: id,
        part,
        label,
        probability: p * listed,
        left: left.get(id) ?? 1,
        ...reasonsFor(w, id),
        cure: cure.says,
      }
    })
  const asked = nextChecks(w)
  const cheapest = mendNow(w, asked.length > 0, left)
  // What harms nothing is tried while it is not sure, and told as a check.
  const trial = cheapest !== null && !isSure(w, cheapest) ? trialOf(w, cheapest) : null
  const mend = trial ? null : cheapest
  const next = trial ? nextChecks(w, undefined, trial) : asked
  const free = w.without.length ? nextChecks({ ...w, without: [] }, 1)[0] : undefined
  const behind = free && !next.some(n => n.check === free.check) ? free : null
  const contradictions = contradictionsIn(w)
  const pairs = pairsOf(w)
  const sound = soundNow(w)
  return {
    causes,
    pairs,
    next,
    behind,
    mendNow: mend,
    cure: mend === null ? null : faultOf(w, mend).cure,
    cureCheck: mend === null ? null : cureCheck(faultOf(w, mend)),
    contradictions,
    unknown: w.unknown,
    sound,
    ...callOf(w, { causes, pairs, next, mend, contradictions, sound }),
    leftOut: w.leftOut,
    evidence: w.evidence.length,
    works: whatWorks(w),
  }
}

/** Whether evidence made a fault likelier than it is on any drive: others are left where they were, and not told. */
function isPointedAt(w: Weighed, id: string, probability: number): boolean {
  const all = w.drive.elements.filter(e => e.fault.id === id).reduce((s, e) => s + e.odds, 0)
  const odds = all / (w.carried[id] ?? 1)
  return probability > (LIFTED * odds) / (1 + odds)
}

function pairsOf(w: Weighed): FaultPair[] {
  const sums = new Map<string, { faults: [string, string]; probability: number }>()
  for (const { faults, weight } of w.hypotheses) {
    if (faults.length !== 2) continue
    const [x, y] = faults.map(n => faultAt(w, n).id) as [string, string]
    if (x === y) continue
    const [a, b] = x < y ? [x, y] : [y, x]
    const key = `${a} ${b}`
    const known = sums.get(key)
    if (known) known.probability += weight
    else sums.set(key, { faults: [a, b], probability: weight })
  }
  return [...sums.values()]
    .map(p => ({ ...p, probability: p.probability * (1 - w.unknown) }))
    .filter(p => p.probability >= LEAST)
    .sort((a, b) => b.probability - a.probability)
    .slice(0, PAIRS)
    .map(p => ({ ...p, labels: [faultOf(w, p.faults[0]).label, faultOf(w, p.faults[1]).label] }))
}
