import jStat from 'jstat'
import { spaced } from './spaced'

/**
 * Upper bound of an error rate at a confidence: exact for binomial counts (Clopper and Pearson, Biometrika 26, 1934).
 * With no error at all it is 1 − (1 − confidence)^(1/n): about 3/n at 95 %, the rule of three.
 * @example errorBound(0, 300) // 0.00994
 */
export function errorBound(errors: number, trials: number, confidence = 0.95): number {
  if (trials <= 0 || errors >= trials) return 1
  if (errors === 0) return 1 - (1 - confidence) ** (1 / trials)
  return jStat.beta.inv(confidence, errors + 1, trials - errors)
}

/** Most trials that are reckoned with: more than a drive reads in a year. */
const MOST = 1e12

/**
 * How many trials in all, with no further error, bring the bound down to a rate.
 * @returns trials in all, those already made included; Infinity where the rate is 0
 */
export function trialsFor(errors: number, rate: number, confidence = 0.95): number {
  if (rate <= 0) return Infinity
  let [low, high] = [errors + 1, errors + 2]
  while (errorBound(errors, high, confidence) > rate && high < MOST) high *= 2
  while (high - low > 1) {
    const middle = Math.floor((low + high) / 2)
    if (errorBound(errors, middle, confidence) > rate) low = middle
    else high = middle
  }
  return high
}

/** A rate as a person says it: one in so many, rounded to what is known. */
export function oneIn(rate: number): string {
  const n = 1 / rate
  const round = n < 100 ? Math.floor(n) : Math.floor(Number(n.toPrecision(2)))
  return `1 in ${spaced(round)}`
}
