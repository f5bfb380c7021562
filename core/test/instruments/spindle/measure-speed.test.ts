import * as ss from 'simple-statistics'
import { describe, expect, it } from 'vitest'
import { t95 } from '../../../src/base/numbers'
import { Random } from '../../../src/simulator'
import { findComponents, fitDrift, meanSpeed, measureSpeed } from '../../../src/instruments/spindle'
import { sineModulated, train } from '../../helpers'

describe('a train modulated by a sine of known depth', () => {
  // The closed form is exact, so depth and frequency must come back whatever the marks average away.
  it.each([
    [300, 0.01, 0.9, 1, undefined],
    [300, 0.004, 2.1, 1, undefined],
    [360, 0.02, 7.3, 16, undefined],
    [300, 0.001, 31, 60, true],
    [423, 0.015, 1.7, 4, undefined],
  ])('%f r/min, depth %f at %f Hz, %i marks a turn', (rpm, depth, hz, marks, evenMarks) => {
    const m = measureSpeed(train(sineModulated(rpm, depth, hz, 60, marks)), { pulsesPerTurn: marks, evenMarks })!
    expect(m.rpm.mean).toBeCloseTo(rpm, 1)
    expect(m.components[0]!.hz).toBeCloseTo(hz, 1)
    expect(m.components[0]!.peakPercent / (100 * depth)).toBeGreaterThan(0.97)
    expect(m.components[0]!.peakPercent / (100 * depth)).toBeLessThan(1.03)
    expect(m.variation.rmsPercent).toBeLessThan(100 * depth)
  })

  it('tells two sines apart and gives each its depth', () => {
    const n = 512
    const x = Float64Array.from(
      { length: n },
      (_, i) => 0.01 * Math.sin(2 * Math.PI * 0.071 * i) + 0.003 * Math.cos(2 * Math.PI * 0.2 * i + 1),
    )
    const found = findComponents(x, 0.2)
    expect(found.map(c => c.cyclesPerMark)).toEqual([expect.closeTo(0.071, 4), expect.closeTo(0.2, 4)])
    const sinc = (f: number) => Math.sin(Math.PI * f) / (Math.PI * f)
    expect(found.map(c => c.peakPercent)).toEqual([
      expect.closeTo(1 / sinc(0.071), 2),
      expect.closeTo(0.3 / sinc(0.2), 2),
    ])
  })

  it('names belt and motor by the drive’s pulleys, through aliasing where one mark a turn is too slow', () => {
    const pulleys = { motorPulleyMm: 9, flywheelMm: 62, beltLengthMm: 269.12 }
    const belt = (5 * Math.PI * 62) / 269.12
    const fine = measureSpeed(train(sineModulated(300, 0.01, belt, 40, 12)), { pulsesPerTurn: 12, pulleys })!
    expect(fine.components[0]).toMatchObject({ likely: 'belt', hz: expect.closeTo(belt, 1) })
    const coarse = measureSpeed(train(sineModulated(300, 0.01, belt, 40)), { pulleys })!
    expect(coarse.components[0]).toMatchObject({ likely: 'belt, by its alias', hz: expect.closeTo(belt, 1) })
    expect(coarse.components[0]!.peakPercent).toBeCloseTo(1, 1)
    expect(coarse.highestHz).toBeCloseTo(2.5, 3)
  })

  it('sees no lines in pure scatter', () => {
    const random = new Random(5)
    let lines = 0
    for (let run = 0; run < 40; run++)
      lines += findComponents(
        Float64Array.from({ length: 300 }, () => 0.002 * random.gaussian()),
        0.2,
      ).length
    expect(lines).toBeLessThanOrEqual(1)
  })

  it('takes slow wander for what it is', () => {
    const random = new Random(6)
    let lines = 0
    for (let run = 0; run < 40; run++) {
      let x = 0
      lines += findComponents(
        Float64Array.from({ length: 300 }, () => (x = 0.9 * x + 0.0005 * random.gaussian())),
        0.2,
      ).length
    }
    expect(lines).toBeLessThanOrEqual(2)
  })
})

describe('mean speed and its interval', () => {
  it('covers the truth about nineteen times in twenty', () => {
    const random = new Random(9)
    let covered = 0
    const runs = 400
    for (let run = 0; run < runs; run++) {
      const { low95, high95 } = meanSpeed(
        Float64Array.from({ length: 30 }, () => 0.2 * (1 + 0.003 * random.gaussian())),
      )
      if (low95! < 300 && 300 < high95!) covered++
    }
    expect(covered / runs).toBeGreaterThan(0.9)
    expect(covered / runs).toBeLessThan(0.985)
  })

  // Newey and West 1987, Bartlett weights: variance + 2 Σ (1 − k/(L + 1)) × autocovariance at lag k.
  it('for turns that depend on their neighbours is what the lagged products give', () => {
    const random = new Random(4)
    for (const n of [12, 80, 700]) {
      let x = 0
      const turns = Float64Array.from({ length: n }, () => 0.2 + (x = 0.7 * x + 0.001 * random.gaussian()))
      const off = turns.map(t => t - ss.mean([...turns]))
      const lags = Math.ceil(4 * (n / 100) ** (2 / 9)) + Math.floor(n / 50)
      const product = (lag: number) => off.slice(lag).reduce((sum, o, i) => sum + o * off[i]!, 0)
      let total = product(0)
      for (let lag = 1; lag <= lags; lag++) total += 2 * (1 - lag / (lags + 1)) * product(lag)
      const { low95, high95 } = meanSpeed(turns)
      const half = (60 / low95! - 60 / high95!) / 2
      const clock = ss.mean([...turns]) * 50e-6
      expect(half).toBeCloseTo(Math.hypot(t95(n - 1) * Math.sqrt(total / n / (n - lags - 1)), clock), 9)
    }
  })

  it('for few independent turns is the textbook interval of simple-statistics', () => {
    const turns = [0.2, 0.201, 0.1995, 0.2003, 0.1998]
    const half = (2.776 * ss.sampleStandardDeviation(turns)) / Math.sqrt(5)
    const { mean, low95, high95 } = meanSpeed(Float64Array.from(turns))
    expect(mean).toBeCloseTo(60 / ss.mean(turns), 9)
    expect(low95!).toBeCloseTo(60 / (ss.mean(turns) + half), 2)
    expect(high95!).toBeCloseTo(60 / (ss.mean(turns) - half), 2)
  })

  it('is narrower for scatter of the pickup, which cancels, than for scatter of the spindle, which adds up', () => {
    const random = new Random(2)
    const stamps = Array.from({ length: 101 }, (_, i) => i * 0.2 + 2e-4 * random.gaussian())
    const pickup = meanSpeed(Float64Array.from(stamps.slice(1), (t, i) => t - stamps[i]!))
    const spindle = meanSpeed(Float64Array.from({ length: 100 }, () => 0.2 + 2.8e-4 * random.gaussian()))
    expect(pickup.high95! - pickup.low95!).toBeLessThan(0.7 * (spindle.high95! - spindle.low95!))
  })
})

describe('several marks a turn', () => {
  it('placed by hand: their pattern is not taken for variation, the turn is right', () => {
    const places = [0, 0.21, 0.55, 0.73]
    const starts = Array.from({ length: 60 }, (_, k) => places.map(p => (k + p) * 0.2)).flat()
    const m = measureSpeed(train(starts), { pulsesPerTurn: 4 })!
    expect(m.rpm.mean).toBeCloseTo(300, 6)
    expect(m.variation.peakPercent).toBeLessThan(0.01)
    expect(m.variation.withinTurnPercent).toBeLessThan(0.01)
  })

  it('printed evenly: a once-a-turn variation is the spindle’s and is named', () => {
    const m = measureSpeed(train(sineModulated(300, 0.02, 5, 20, 24)), { pulsesPerTurn: 24, evenMarks: true })!
    expect(m.variation.withinTurnPercent).toBeCloseTo(2, 0)
    expect(m.components[0]).toMatchObject({ likely: 'spindle, once a revolution', peakPercent: expect.closeTo(2, 1) })
  })

  it('are counted by the nominal speed where not given', () => {
    const m = measureSpeed(train(sineModulated(304, 0.001, 1, 10, 6)), { nominalRpm: 300 })!
    expect([m.pulsesPerTurn, m.pulsesFrom]).toEqual([6, 'nominal speed'])
    expect(m.rpm.mean).toBeCloseTo(304, 0)
    expect(() => measureSpeed(train([0, 1, 2]), { pulsesPerTurn: 0 })).toThrow(
      'pulses per revolution: 0 pulses a revolution; expected a whole number from 1 to 1000.',
    )
  })
})

describe('drift', () => {
  it('is found with its rate at the end, and not where there is none', () => {
    const t = Float64Array.from({ length: 200 }, (_, i) => i * 0.2)
    const random = new Random(8)
    const creeping = fitDrift(
      t,
      t.map(x => 300 - 6 * Math.exp(-x / 40) + 0.1 * random.gaussian()),
    )
    expect(creeping.significant).toBe(true)
    expect(creeping.endRpmPerMinute).toBeGreaterThan(1.5)
    expect(
      fitDrift(
        t,
        t.map(() => 300 + 0.1 * random.gaussian()),
      ).significant,
    ).toBe(false)
  })
})
