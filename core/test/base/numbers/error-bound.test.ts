import { describe, expect, it } from 'vitest'
import { errorBound, oneIn, trialsFor } from '../../../src/base/numbers'

/** Binomial tail by its own terms: the chance of so few errors or fewer at a rate. */
function fewer(errors: number, trials: number, rate: number): number {
  let [term, sum] = [(1 - rate) ** trials, 0]
  for (let k = 0; k <= errors; k++) {
    sum += term
    term *= (((trials - k) / (k + 1)) * rate) / (1 - rate)
  }
  return sum
}

describe('how many may fail, by what failed', () => {
  // The rule of three (Hanley and Lippman-Hand, JAMA 249, 1983): no error in n trials bounds the rate by about 3/n at
  // 95 %.
  it.each([100, 1000, 26_000])('no error in %i: the rule of three', n =>
    expect(errorBound(0, n) / (3 / n)).toBeCloseTo(1, 1),
  )
  // Clopper and Pearson: at the bound, so few errors have exactly the chance that is left.
  it.each([
    [1, 50, 0.95],
    [3, 400, 0.95],
    [10, 720, 0.9],
    [0, 720, 0.99],
  ])('%i of %i at %d leaves its tail', (e, n, c) => expect(fewer(e, n, errorBound(e, n, c))).toBeCloseTo(1 - c, 6))
  // Worked values of the exact interval, from memory: 5 of 50, two-sided 95 % upper end 21.81 %, which is one-sided
  // 97.5 %.
  it('5 of 50 at 97.5 % is 21.8 %', () => expect(errorBound(5, 50, 0.975)).toBeCloseTo(0.2181, 3))
  it('what cannot be bounded is 1', () => {
    expect(errorBound(3, 3)).toBe(1)
    expect(errorBound(0, 0)).toBe(1)
  })
  it('a stricter limit takes so many more', () => {
    const n = trialsFor(2, 0.001)
    expect(errorBound(2, n)).toBeLessThanOrEqual(0.001)
    expect(errorBound(2, n - 1)).toBeGreaterThan(0.001)
    expect(trialsFor(0, 0)).toBe(Infinity)
  })
  it('is said as one in so many, rounded down', () => {
    expect(oneIn(0.00208)).toBe('1 in 480')
    expect(oneIn(0.3)).toBe('1 in 3')
    expect(oneIn(2.3e-5)).toBe('1 in 43 000')
  })
})
