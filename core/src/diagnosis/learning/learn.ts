import type { MechanismId } from '../../drives'
import { thereOn } from '../drive/there'
import { sameModel } from '../knowledge/lamp-codes'
import type { Knowledge } from '../knowledge/types'

/** What a closed case turned out to be. */
export interface ClosedCase {
  readonly mechanism: MechanismId
  /** Model of the drive, as on its facts. */
  readonly model?: string
  /**
   * Causes with how far they count: 1 where a cure that held proved one, else the probability that was left for it.
   */
  readonly causes: readonly { readonly fault: string; readonly weight: number }[]
}

/** How often a fault is met, by what was known beforehand and by the workshop's own cases. */
export interface LearnedRate {
  readonly fault: string
  /** Odds in a thousand drives as the list has them. */
  readonly before: number
  /** The same with the workshop's own cases. */
  readonly now: number
  /** Weight of the own cases in which it was the cause. */
  readonly seen: number
}

/** How many closed cases of a type what was known before counts as (a guess): until then it is moved little. */
export const KNOWN_BEFORE = 60

/** How many cases of another model one of an identical drive counts as (a guess). */
const IDENTICAL = 4

/**
 * Rates of faults after closed cases: what was known before counts as so many cases of its type, and each closed case
 * as one more (the mean of a Dirichlet distribution).
 * @param model cases of identical drives count more than others
 * @returns faults whose rate moved, the most moved first
 */
export function learnRates(
  cases: readonly ClosedCase[],
  knownBefore = KNOWN_BEFORE,
  { knowledge, model }: { readonly knowledge?: Knowledge; readonly model?: string } = {},
): LearnedRate[] {
  const weightOf = (c: ClosedCase) => (model && c.model && sameModel(c.model, model) ? IDENTICAL : 1)
  const moved = new Map<string, LearnedRate & { readonly factor: number; readonly of: number }>()
  for (const mechanism of new Set(cases.map(c => c.mechanism))) {
    const own = cases.filter(c => c.mechanism === mechanism)
    const { faults } = thereOn({ mechanism }, knowledge)
    const count = own.reduce((s, c) => s + weightOf(c), 0)
    const total = faults.reduce((s, f) => s + f.odds, 0)
    for (const f of faults) {
      const seen = own.reduce((s, c) => s + (c.causes.find(x => x.fault === f.id)?.weight ?? 0) * weightOf(c), 0)
      const share = f.odds / total
      const factor = (knownBefore * share + seen) / ((knownBefore + count) * share)
      const known = moved.get(f.id)
      // A fault of several types moves by the cases of each, as many as there are.
      const of = count + (known?.of ?? 0)
      const mean = known ? (known.factor * known.of + factor * count) / of : factor
      moved.set(f.id, {
        fault: f.id,
        before: f.odds,
        now: f.odds * mean,
        seen: seen + (known?.seen ?? 0),
        factor: mean,
        of,
      })
    }
  }
  return [...moved.values()]
    .map(({ fault, before, now, seen }) => ({ fault, before, now, seen }))
    .sort((a, b) => Math.abs(Math.log(b.now / b.before)) - Math.abs(Math.log(a.now / a.before)))
}

/** Rates as the engine takes them: how much more often than in the list each fault is met. */
export const factorsOf = (rates: readonly Pick<LearnedRate, 'fault' | 'before' | 'now'>[]): Record<string, number> =>
  Object.fromEntries(rates.map(r => [r.fault, r.now / r.before]))
