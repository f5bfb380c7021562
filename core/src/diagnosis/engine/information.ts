import type { CheckModel, Hypothesis } from './model'

/** What a check is expected to tell. */
export interface CheckWorth {
  /** Bits about what to do. */
  readonly bits: number
  /** Chance of each answer. */
  readonly chances: readonly number[]
  /** Expected harm, minutes. */
  readonly risk: number
}

const bitsOf = (p: number): number => (p > 0 ? -p * Math.log2(p) : 0)

/** Entropy of weights that need not sum to 1, bits. */
export function entropyOf(weights: Iterable<number>): number {
  let [total, sum] = [0, 0]
  for (const w of weights) {
    if (w <= 0) continue
    total += w
    sum += w * Math.log2(w)
  }
  return total > 0 ? Math.log2(total) - sum / total : 0
}

/**
 * Bits that a check is expected to tell about a decision: the entropy over decisions now, less that expected after its
 * answer. An answer that settles the case leaves none.
 * @param decision what would be done under each hypothesis; hypotheses with one decision need not be told apart
 */
export function worthOf(hypotheses: readonly Hypothesis[], decision: readonly number[], check: CheckModel): CheckWorth {
  const decisions = Math.max(0, ...decision) + 1
  const table = Array.from({ length: check.answers }, () => new Float64Array(decisions))
  const before = new Float64Array(decisions)
  let risk = 0
  hypotheses.forEach(({ faults, weight }, i) => {
    before[decision[i]!]! += weight
    risk += weight * check.risk(faults)
    for (let a = 0; a < check.answers; a++) table[a]![decision[i]!]! += weight * check.chance(a, faults)
  })
  const sums = table.map(row => row.reduce((s, x) => s + x, 0))
  const total = sums.reduce((s, x) => s + x, 0) || 1
  const after = sums.reduce((s, p, a) => s + (a === check.settles ? 0 : (p / total) * entropyOf(table[a]!)), 0)
  return { bits: Math.max(0, entropyOf(before) - after), chances: sums.map(s => s / total), risk }
}

/** Bits of the answer of a check itself: what a measurement of a value is expected to tell where answers are exact. */
export const answerBits = (chances: readonly number[]): number => chances.reduce((s, p) => s + bitsOf(p), 0)

/** Hypotheses after an answer, by Bayes' rule; the likeliest first. */
export function afterAnswer(hypotheses: readonly Hypothesis[], check: CheckModel, answer: number): Hypothesis[] {
  const weighed = hypotheses.map(h => ({ faults: h.faults, weight: h.weight * check.chance(answer, h.faults) }))
  const total = weighed.reduce((s, h) => s + h.weight, 0) || 1
  return weighed.map(h => ({ faults: h.faults, weight: h.weight / total })).sort((x, y) => y.weight - x.weight)
}
