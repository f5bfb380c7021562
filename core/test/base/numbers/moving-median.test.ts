import fc from 'fast-check'
import * as ss from 'simple-statistics'
import { describe, expect, it } from 'vitest'
import { movingMedian } from '../../../src/base/numbers'

/** Few different values, so that many are alike. */
const lists = fc.array(fc.oneof(fc.integer({ min: -4, max: 4 }), fc.double({ noNaN: true, min: -1e3, max: 1e3 })), {
  maxLength: 80,
})

describe('the median around each value', () => {
  it('is what the simple-statistics package says of each window', () => {
    fc.assert(
      fc.property(lists, fc.integer({ min: 0, max: 20 }), (xs, beside) => {
        const windows = xs.map((_, i) => xs.slice(Math.max(0, i - beside), i + beside + 1))
        const around = [...movingMedian(xs, beside)]
        expect(around).toHaveLength(xs.length)
        for (const [i, m] of around.entries()) expect(m).toBeCloseTo(ss.median(windows[i]!), 9)
      }),
    )
  })

  it('needs no values on both sides', () => {
    expect([...movingMedian([1, 9, 2, 3], 1)]).toEqual([5, 2, 3, 2.5])
    expect([...movingMedian([7], 15)]).toEqual([7])
    expect([...movingMedian([], 15)]).toEqual([])
  })
})
