import { describe, expect, it } from 'vitest'
import { cleanIntervals, findHardSectors, measureSpeed, pulsesFromEdges } from '../../../src/instruments/spindle'
import { train } from '../../helpers'

const even = (n: number, every = 0.2, from = 0) => Array.from({ length: n }, (_, i) => from + i * every)

describe('telling true pulses from missed and doubled ones', () => {
  it('leaves a clean train alone', () => {
    const { lengthS, discarded } = cleanIntervals(train(even(50)))
    expect(lengthS).toHaveLength(49)
    expect(discarded).toEqual([])
  })

  it('reports missed pulses, counts the turns and averages none of the long interval', () => {
    const starts = even(60).filter((_, i) => ![20, 21, 40].includes(i))
    const { lengthS, mark, discarded } = cleanIntervals(train(starts))
    expect(discarded).toEqual([
      { atS: expect.closeTo(3.8, 9), why: '2 missed pulses' },
      { atS: expect.closeTo(7.8, 9), why: '1 missed pulse' },
    ])
    expect(Math.max(...lengthS)).toBeLessThan(0.201)
    expect(mark.at(-1)).toBe(58)
  })

  it('drops the second of doubled pulses, even when every pulse is double', () => {
    for (const every of [1, 7]) {
      const starts = even(60).flatMap((t, i) => (i % every === 0 ? [t, t + 0.012] : [t]))
      const { lengthS, discarded } = cleanIntervals(train(starts))
      expect(lengthS.length).toBeGreaterThanOrEqual(58)
      for (const d of lengthS) expect(d).toBeCloseTo(0.2, 9)
      expect(new Set(discarded.map(d => d.why))).toEqual(new Set(['extra pulse']))
    }
  })

  it('sets a starting and a coasting motor aside', () => {
    const gaps = [0.6, 0.4, 0.28, 0.22, ...Array<number>(40).fill(0.2), 0.22, 0.3, 0.5]
    let t = 0
    const { lengthS, discarded } = cleanIntervals(train([0, ...gaps.map(g => (t += g))]))
    expect(lengthS).toHaveLength(40)
    expect(discarded.map(d => d.why)).toEqual(['motor starting, first 4 intervals', 'motor coasting, last 3 intervals'])
  })

  it('sets every start and stop aside where the host switches the motor on and off', () => {
    const up = [0.5, 0.32, 0.25, 0.215]
    const down = [0.23, 0.3, 0.45]
    const session = (turns: number) => [...up, ...Array<number>(turns).fill(0.2), ...down]
    let t = 0
    const gaps = [...session(30), 8, ...session(12), 5, ...session(40)]
    const { lengthS, discarded } = cleanIntervals(train([0, ...gaps.map(g => (t += g))]))
    expect(lengthS).toHaveLength(82)
    for (const d of lengthS) expect(d).toBeCloseTo(0.2, 9)
    expect(discarded.filter(d => d.why.startsWith('motor starting'))).toHaveLength(3)
    expect(discarded.filter(d => d.why.startsWith('motor coasting'))).toHaveLength(3)
    const m = measureSpeed(train([0, ...gaps.map((_, i) => gaps.slice(0, i + 1).reduce((a, b) => a + b))]))!
    expect(m.rpm.mean).toBeCloseTo(300, 6)
    expect(m.variation.peakPercent).toBeLessThan(0.01)
    expect(m.faultShare).toBe(0)
  })

  it('does not count an interval over which the recording paused', () => {
    const { lengthS, discarded } = cleanIntervals({
      starts: Float64Array.from(even(20)),
      gaps: [{ fromS: 1.05, toS: 1.15 }],
    })
    expect(lengthS).toHaveLength(18)
    expect(discarded).toEqual([{ atS: expect.closeTo(1, 9), why: 'recording paused' }])
  })

  it('a long silence is not a number of missed pulses', () => {
    const { discarded } = cleanIntervals(train([...even(20), ...even(20, 0.2, 5.1)]))
    expect(discarded[0]!.why).toBe('no pulses for 1.3 s, or not at speed')
  })
})

describe('pulses from edges', () => {
  it('take the rarer level and its leading edge, whichever way the line is wired', () => {
    const low = [0.1, 0.104, 0.3, 0.304, 0.5, 0.504]
    expect(Array.from(pulsesFromEdges({ initial: 1, times: Float64Array.from(low), gaps: [] }).starts)).toEqual([
      0.1, 0.3, 0.5,
    ])
    expect(Array.from(pulsesFromEdges({ initial: 0, times: Float64Array.from(low), gaps: [] }).starts)).toEqual([
      0.1, 0.3, 0.5,
    ])
    // Begins within a pulse: that one's start was not seen.
    expect(
      Array.from(pulsesFromEdges({ initial: 1, times: Float64Array.from([0.004, ...low]), gaps: [] }).starts),
    ).toEqual([0.1, 0.3, 0.5])
  })
})

describe('hard-sectored disks', () => {
  const turn = (sectors: number) => [...even(sectors, 1 / sectors), (sectors - 0.5) / sectors]
  const disk = (sectors: number, turns: number, rpm: number) =>
    Array.from({ length: turns }, (_, k) => turn(sectors).map(a => ((k + a) * 60) / rpm))
      .flat()
      .sort((a, b) => a - b)

  it.each([
    [10, 300],
    [16, 300],
    [32, 360],
  ])('%i sectors at %i r/min: the extra hole is found and left out', (sectors, rpm) => {
    const found = findHardSectors(train(disk(sectors, 6, rpm)))
    expect(found?.sectors).toBe(sectors)
    const gaps = Array.from(found!.train.starts)
      .slice(1)
      .map((t, i) => t - found!.train.starts[i]!)
    expect(Math.max(...gaps) / Math.min(...gaps)).toBeLessThan(1.0001)
    const m = measureSpeed(train(disk(sectors, 20, rpm)), { nominalRpm: 300 })!
    expect(m.rpm.mean).toBeCloseTo(rpm, 6)
    expect([m.pulsesPerTurn, m.pulsesFrom]).toEqual([sectors, 'hard sectors'])
  })

  it('does not see sectors in a plain train, nor in a train with stray doubles', () => {
    expect(findHardSectors(train(even(200)))).toBeNull()
    expect(findHardSectors(train(even(200).flatMap((t, i) => (i % 13 === 5 ? [t, t + 0.02] : [t]))))).toBeNull()
  })
})
