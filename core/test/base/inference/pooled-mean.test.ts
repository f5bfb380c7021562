import { describe, expect, it } from 'vitest'
import { pooledMean } from '../../../src/base/inference'
import { Random } from '../../../src/simulator'

/**
 * Log relative risks and variances of the thirteen trials of a vaccine that Colditz et al. (JAMA 1994) put together, as
 * the textbooks on such estimates print them; the numbers here are from memory.
 */
const TRIALS: readonly (readonly [value: number, variance: number])[] = [
  [-0.8893, 0.3256],
  [-1.5854, 0.1946],
  [-1.3481, 0.4154],
  [-1.4416, 0.02],
  [-0.2175, 0.0512],
  [-0.7861, 0.0069],
  [-1.6209, 0.223],
  [0.012, 0.004],
  [-0.4694, 0.0564],
  [-1.3713, 0.073],
  [-0.3394, 0.0124],
  [0.4459, 0.5325],
  [-0.0173, 0.0714],
]

describe('the mean of things that differ', () => {
  it('is the published one of the thirteen trials: −0.714, spread² 0.309 (DerSimonian and Laird)', () => {
    const { mean, spread } = pooledMean(TRIALS.map(([value, variance]) => ({ value, error: Math.sqrt(variance) })))
    expect(mean).toBeCloseTo(-0.7141, 3)
    expect(spread ** 2).toBeCloseTo(0.3088, 3)
  })

  it('holds the truth in at least 93 of 100 intervals, with few things and with many', () => {
    const random = new Random(11)
    const normal = () => Math.sqrt(-2 * Math.log(1 - random.next())) * Math.cos(2 * Math.PI * random.next())
    for (const [count, spread] of [
      [3, 5],
      [5, 10],
      [12, 3],
      [6, 0],
    ] as const) {
      let held = 0
      for (let i = 0; i < 1000; i++) {
        const values = Array.from({ length: count }, () => {
          const error = 2 + 4 * random.next()
          return { value: 17 + spread * normal() + error * normal(), error }
        })
        const { low95, high95 } = pooledMean(values)
        if (low95 <= 17 && 17 <= high95) held++
      }
      expect(held, `${count} things, spread ${spread}`).toBeGreaterThan(930)
    }
  })

  it('is the plain mean where all are known alike, and no spread is found in what agrees', () => {
    const alike = [10, 12, 14].map(value => ({ value, error: 3 }))
    expect(pooledMean(alike)).toMatchObject({ mean: 12, spread: 0 })
    expect(pooledMean(alike, 2).spread).toBe(2)
  })
})
