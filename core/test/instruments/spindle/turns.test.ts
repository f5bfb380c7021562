import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { cleanIntervals, measureSpeed } from '../../../src/instruments/spindle'
import { longestRun, removePattern, turnsOf } from '../../../src/instruments/spindle/turns'
import { Random } from '../../../src/simulator'
import { train } from '../../helpers'

const intervals = (lengthS: number[], mark: number[]) => {
  let t = 0
  return {
    startS: Float64Array.from(lengthS, d => (t += d) - d),
    lengthS: Float64Array.from(lengthS),
    mark: Int32Array.from(mark),
    discarded: [],
    faults: 0,
  }
}

describe('whole turns', () => {
  it('are put together from neighbouring intervals only', () => {
    const { lengthS } = turnsOf(intervals([1, 2, 3, 4, 5, 6, 7], [0, 1, 2, 4, 5, 6, 7]), 3)
    expect(Array.from(lengthS)).toEqual([6, 15])
  })

  it('are the intervals themselves with one pulse a turn', () => {
    expect(Array.from(turnsOf(intervals([1, 2, 3], [0, 1, 5]), 1).lengthS)).toEqual([1, 2, 3])
  })
})

describe('the fixed pattern of uneven marks', () => {
  it('is taken out whole, whatever it is', () => {
    fc.assert(
      fc.property(
        fc.array(fc.double({ min: 0.05, max: 0.15, noNaN: true }), { minLength: 2, maxLength: 8 }),
        pattern => {
          const lengths = Array.from({ length: pattern.length * 12 }, (_, i) => pattern[i % pattern.length]!)
          const even = removePattern(
            intervals(
              lengths,
              lengths.map((_, i) => i),
            ),
            pattern.length,
          )
          for (const d of even) expect(d).toBeCloseTo(even[0]!, 9)
        },
      ),
      { seed: 3 },
    )
  })

  it('keeps what changes from turn to turn', () => {
    const lengths = Array.from({ length: 80 }, (_, i) => [0.04, 0.06][i % 2]! * (i < 40 ? 1 : 1.1))
    const even = removePattern(
      intervals(
        lengths,
        lengths.map((_, i) => i),
      ),
      2,
    )
    expect(even[79]! / even[0]!).toBeCloseTo(1.1, 6)
  })
})

describe('the longest run', () => {
  it('bridges short misses by a straight line and ends at long breaks', () => {
    const run = longestRun(intervals([1, 1, 1, 1, 1], [0, 1, 3, 4, 20]), Float64Array.from([1, 2, 4, 5, 9]))
    expect(Array.from(run)).toEqual([1, 2, 3, 4, 5])
  })
})

describe('pulses lost and doubled at random', () => {
  it('never move the mean, and are all accounted for', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 1e6 }),
        fc.double({ min: 0, max: 0.08, noNaN: true }),
        fc.double({ min: 0, max: 0.08, noNaN: true }),
        (seed, lose, double) => {
          const random = new Random(seed)
          const starts: number[] = []
          let lost = 0
          let doubled = 0
          for (let i = 0; i < 300; i++) {
            const t = i * 0.2 + 1e-5 * random.gaussian()
            const edge = i < 5 || i > 294
            if (!edge && random.next() < lose) {
              lost++
              continue
            }
            starts.push(t)
            if (!edge && random.next() < double) {
              starts.push(t + 0.01)
              doubled++
            }
          }
          const { discarded, mark } = cleanIntervals(train(starts))
          expect(discarded.filter(d => d.why === 'extra pulse')).toHaveLength(doubled)
          const missed = discarded.reduce((n, d) => n + Number(/^(\d+) missed/.exec(d.why)?.[1] ?? 0), 0)
          expect(missed).toBe(lost)
          expect(mark.at(-1)).toBe(298)
          expect(measureSpeed(train(starts))!.rpm.mean).toBeCloseTo(300, 1)
        },
      ),
      { numRuns: 80, seed: 11 },
    )
  })
})
