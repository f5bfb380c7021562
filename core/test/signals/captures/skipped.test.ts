import { describe, expect, it } from 'vitest'
import { speedFromPulses } from '../../../src/instruments/spindle'
import { skipped } from '../../../src/signals/captures'

/** One pulse a revolution at 306 r/min, each as long as a factor says. */
const turning = (factors: readonly number[]) => {
  let t = 0
  return Float64Array.from(factors, f => (t += (60 / 306) * f))
}
const even = (n: number, at: Record<number, number> = {}) => turning(Array.from({ length: n }, (_, i) => at[i] ?? 1))

describe('sound that was dropped on its way', () => {
  it('is found by one revolution that is too short, and then says nothing of the drive', () => {
    const starts = even(60, { 20: 0.955, 41: 0.9 })
    const gaps = skipped(starts)
    expect(gaps.map(g => g.fromS)).toEqual([starts[19], starts[40]])
    const judged = (g: typeof gaps) =>
      speedFromPulses({ starts, gaps: g }, {}, { mechanism: '5.25in-48', school: 'leave-alone' })
    expect(judged([]).verdict.kind).toBe('mend')
    expect(judged(gaps).verdict.kind).toBe('nudge')
    expect(judged(gaps).measurement!.rpm.mean).toBeCloseTo(306, 1)
  })

  it('is not a slip, which is longer, nor wow, nor marks that are uneven', () => {
    expect(skipped(even(60, { 20: 1.06 }))).toEqual([])
    expect(skipped(turning(Array.from({ length: 60 }, (_, i) => 1 + 0.02 * Math.sin(i / 2))))).toEqual([])
    expect(skipped(turning(Array.from({ length: 60 }, (_, i) => (i % 2 ? 0.45 : 0.55))))).toEqual([])
  })
})
