import * as ss from 'simple-statistics'
import { describe, expect, it } from 'vitest'
import {
  leastSquares,
  mean,
  median,
  medianAbsoluteDeviation,
  quantile,
  sampleDeviation,
  t95,
} from '../../../src/base/numbers'

const samples = [
  [3, 1, 4, 1, 5, 9, 2, 6],
  [0.5],
  [2, 2, 2],
  Array.from({ length: 101 }, (_, i) => Math.sin(i * 1.7) * i),
]

describe('statistics against the simple-statistics package', () => {
  it.each(samples.map(s => [s]))('%j', s => {
    expect(mean(s)).toBeCloseTo(ss.mean(s), 12)
    expect(median(s)).toBeCloseTo(ss.median(s), 12)
    expect(medianAbsoluteDeviation(s)).toBeCloseTo(ss.medianAbsoluteDeviation(s), 12)
    if (s.length > 1) expect(sampleDeviation(s)).toBeCloseTo(ss.sampleStandardDeviation(s), 12)
  })

  it('a line fitted agrees with its linear regression', () => {
    const xs = [0, 1, 2, 3, 5, 8, 13]
    const ys = [1.1, 2.9, 5.2, 7.1, 10.8, 17.3, 27.2]
    const { m, b } = ss.linearRegression(xs.map((x, i) => [x, ys[i]!]))
    const [c0, c1] = leastSquares([Float64Array.from(xs, () => 1), Float64Array.from(xs)], ys)
    expect(c0).toBeCloseTo(b, 10)
    expect(c1).toBeCloseTo(m, 10)
  })
})

describe('Student’s t, two-sided 95 %', () => {
  // Values as in the tables at the back of any statistics handbook (from memory).
  it.each([
    [1, 12.706],
    [2, 4.303],
    [4, 2.776],
    [9, 2.262],
    [29, 2.045],
    [120, 1.98],
  ])('%i degrees: %f', (degrees, t) => {
    expect(t95(degrees)).toBeCloseTo(t, 3)
  })
})

describe('quantiles and degenerate fits', () => {
  it('go between neighbours by a straight line', () => {
    expect(quantile([4, 1, 3, 2], 0.5)).toBe(2.5)
    expect(quantile([10, 20], 0.25)).toBe(12.5)
    expect(quantile([], 0.5)).toBeNaN()
  })

  it('give a column that depends on another no weight of its own', () => {
    const x = Float64Array.from([1, 2, 3])
    expect(leastSquares([x, x], [2, 4, 6])).toEqual([expect.closeTo(2, 9), 0])
  })
})
