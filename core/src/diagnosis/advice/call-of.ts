import { lowerFirst, type CallKind } from '../../base/observations'
import type { Cause } from '../cause'
import { faultOf, type Weighed } from '../weigh-case'
import type { Contradiction } from './contradictions'
import type { NextCheck } from './next-checks'

interface Known {
  readonly causes: readonly Cause[]
  readonly pairs: readonly { readonly faults: readonly string[]; readonly probability: number }[]
  readonly next: readonly NextCheck[]
  readonly mend: string | null
  readonly contradictions: readonly Contradiction[]
  readonly sound: number
}

export interface Called {
  readonly call: CallKind
  readonly reasons: readonly string[]
  readonly todo: string
}

/** From here on, what may do harm is a reason to stop. */
const HARM = 0.25
const SOUND = 0.85
/** A cause of which less is left counts as mended. */
const MENDED = 0.5
/** Two faults that are likelier together than not are told together. */
const TOGETHER = 0.5
const SETTINGS = new Set(['set.track-zero-sensor', 'set.upper-head', 'set.lower-head', 'set.trimmer'])

const percent = (p: number): string => (p > 0.995 ? '> 99 %' : `${Math.round(100 * p)} %`)

/** What may be done: the call on the whole case, its reason, and the next thing. */
export function callOf(w: Weighed, k: Known): Called {
  const best = k.next[0]
  const todo = best ? `${best.title}.` : 'Nothing in the list would tell more: look for what is in no list.'
  const harm = w.drive.faults
    .map(f => ({ f, p: (w.byFault.get(f.id) ?? 0) * Math.max(f.harms?.power ?? 0, f.harms?.disk ?? 0) }))
    .sort((a, b) => b.p - a.p)[0]
  if (harm && harm.p > HARM) {
    const what = (harm.f.harms?.power ?? 0) >= (harm.f.harms?.disk ?? 0) ? 'No power' : 'No disk that matters'
    return {
      call: 'stop',
      reasons: [`${harm.f.label}: ${percent((w.byFault.get(harm.f.id) ?? 0) * (1 - w.unknown))}.`],
      todo: `${what} until this is settled. ${k.mend === harm.f.id ? harm.f.cure.says : todo}`,
    }
  }
  const pair = k.pairs[0]
  if (k.mend && pair && pair.probability >= TOGETHER && pair.faults.includes(k.mend)) {
    const both = pair.faults.map(id => faultOf(w, id))
    const [first, second] = both[0]!.id === k.mend ? both : [...both].reverse()
    return {
      call: 'mend',
      reasons: [
        `Two faults together, ${percent(pair.probability)}: ${lowerFirst(first!.label)}; ${lowerFirst(second!.label)}.`,
      ],
      todo: `${first!.cure.says} Then: ${lowerFirst(second!.cure.says)}`,
    }
  }
  if (k.mend) {
    const fault = faultOf(w, k.mend)
    const p = k.causes.find(c => c.fault === k.mend)?.probability ?? 0
    const set = Object.keys(fault.treatments ?? {}).some(t => SETTINGS.has(t))
    return { call: set ? 'nudge' : 'mend', reasons: [`${fault.label}: ${percent(p)}.`], todo: fault.cure.says }
  }
  if (k.contradictions[0]) return { call: 'unknown', reasons: [k.contradictions[0].says], todo }
  if (k.sound >= SOUND) {
    const was = k.causes.find(c => c.left < MENDED)
    return {
      call: 'leave',
      reasons: [
        was
          ? `It was: ${lowerFirst(was.label)}, ${percent(was.probability)}. What was done cured it.`
          : `Nothing of what is known points to a fault: ${percent(k.sound)} that nothing is at fault.`,
      ],
      todo: 'Go on to the tests at Prove.',
    }
  }
  const first = k.causes.find(c => c.left >= MENDED)
  const reason = first
    ? `Likeliest: ${lowerFirst(first.label)}, ${percent(first.probability)}; not enough to begin with it.`
    : 'Nothing is known yet that points to a fault.'
  return { call: 'unknown', reasons: [reason], todo }
}
