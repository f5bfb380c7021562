import { describe, expect, it } from 'vitest'
import { speedFromPulses } from '../../../src/instruments/spindle'
import { skipped, type Gap } from '../../../src/signals/captures'
import { noise } from '../../noise'

/** One pulse a revolution at 306 r/min, each as long as a factor says. */
const turning = (factors: readonly number[]) => {
  let t = 0
  return Float64Array.from(factors, f => (t += (60 / 306) * f))
}
const even = (n: number, at: Record<number, number> = {}) => turning(Array.from({ length: n }, (_, i) => at[i] ?? 1))
const evenTimes = (n: number) => Float64Array.from({ length: n }, (_, i) => (i + 0.5) * (60 / 306))

/** What is left of marks when a busy computer drops pieces of 10 ms of the sound, or puts silence in. */
function throughBusyComputer(marks: Float64Array, random: () => number) {
  const kept: number[] = []
  const silence: Gap[] = []
  let shift = 0
  let next = 1
  for (const t of marks) {
    let gone = false
    while (next < t) {
      const dropped = random() > 0
      const length = 0.01 * Math.ceil(9 * Math.abs(random()))
      if (dropped && next + length > t) gone = true
      if (!dropped) silence.push({ fromS: next + shift, toS: next + shift + length })
      shift += dropped ? -length : length
      // They come in clusters: now and then some within a second.
      next += random() > 0.4 ? 0.3 : 4 + 2 * random()
    }
    if (!gone) kept.push(t + shift)
  }
  return { starts: Float64Array.from(kept), silence }
}

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

  it('is found wherever in a long recording it lies', () => {
    expect(skipped(even(700))).toEqual([])
    for (let at = 2; at < 700; at++) {
      const starts = even(700, { [at]: 0.95 })
      expect(skipped(starts), `at ${at}`).toEqual([{ fromS: starts[at - 1], toS: starts[at] }])
    }
  })

  it('is found where pieces of 10 ms are dropped and put in, many close to each other', () => {
    for (let seed = 1; seed <= 20; seed++) {
      const { starts, silence } = throughBusyComputer(evenTimes(200), noise(seed))
      const judged = speedFromPulses(
        { starts, gaps: [...silence, ...skipped(starts, silence)] },
        {},
        { mechanism: '5.25in-48', school: 'leave-alone' },
      )
      expect(judged.verdict.kind, `seed ${seed}`).toBe('nudge')
      expect(judged.measurement!.rpm.mean).toBeCloseTo(306, 0)
    }
  })

  it('waits for what comes after a short revolution at the end, and believes it when it stays', () => {
    const upTo = (n: number) => turning(Array.from({ length: n }, (_, i) => (i < 40 ? 1 : 0.95)))
    expect(skipped(upTo(42))).toHaveLength(1)
    expect(skipped(upTo(44))).toEqual([])
    expect(skipped(upTo(80))).toEqual([])
  })

  it('hides no slip where nothing else was lost, no missing or extra mark, no index of hard sectors', () => {
    // A belt slips and takes hold again.
    expect(skipped(even(80, { 20: 1.08, 21: 1.05, 22: 1.02, 60: 1.1, 61: 1.03 }))).toEqual([])
    expect(skipped(even(80, { 20: 2, 41: 3 }))).toEqual([])
    // A pulse that bounces: twice at one mark.
    expect(skipped(even(80, { 20: 0.005, 21: 0.995, 40: 0.006, 41: 0.994 }))).toEqual([])
    expect(skipped(even(80, { 20: 0.3, 21: 0.7, 50: 0.4, 51: 0.6 }))).toEqual([])
    expect(skipped(turning(Array.from({ length: 110 }, (_, i) => (i % 11 < 2 ? 0.05 : 0.1))))).toEqual([])
  })

  it('is not a slip, which is longer, nor wow, nor marks that are uneven', () => {
    expect(skipped(even(60, { 20: 1.06 }))).toEqual([])
    expect(skipped(turning(Array.from({ length: 60 }, (_, i) => 1 + 0.02 * Math.sin(i / 2))))).toEqual([])
    expect(skipped(turning(Array.from({ length: 60 }, (_, i) => (i % 2 ? 0.45 : 0.55))))).toEqual([])
  })
})
