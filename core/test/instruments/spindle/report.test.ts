import { describe, expect, it } from 'vitest'
import {
  judgeSpeed,
  measureSpeed,
  speedObservations,
  speedReport,
  speedUncertainty,
} from '../../../src/instruments/spindle'
import { sineModulated, train } from '../../helpers'

const context = { mechanism: '5.25in-48', school: 'leave-alone' } as const

describe('the report for scripts', () => {
  it('is plain JSON with rounded figures and no gaps', () => {
    const m = measureSpeed(train(sineModulated(309.3, 0.002, 0.9, 30)))!
    const report = speedReport(m, judgeSpeed(m, context))
    expect(JSON.parse(JSON.stringify(report))).toEqual(report)
    expect(report.rpm!.mean).toBeCloseTo(309.3, 1)
    expect(String(report.rpm!.mean).length).toBeLessThanOrEqual(7)
    expect(report.rpm!.low95!).toBeLessThan(report.rpm!.mean)
    expect(report.driftRpmPerMinute).toBeNull()
    expect(report.components[0]).toEqual({
      hz: expect.closeTo(0.9, 2),
      peakPercent: expect.closeTo(0.2, 2),
      likely: null,
    })
  })

  it('has nulls, not numbers, for what is not known', () => {
    const nothing = speedReport(null, judgeSpeed(null, context))
    expect(nothing).toMatchObject({
      call: 'unknown',
      rpm: null,
      variation: null,
      revolutions: 0,
      components: [],
      discarded: [],
    })
    const one = measureSpeed(train([0, 0.2]))!
    expect(speedReport(one, judgeSpeed(one, context))).toMatchObject({
      call: 'unknown',
      rpm: { mean: 300, low95: null, high95: null },
      revolutions: 1,
    })
    expect(speedUncertainty(one)).toBeNull()
  })
})

describe('observations for the log', () => {
  it('say how they were got, and what one pulse a turn cannot see is not among them', () => {
    const m = measureSpeed(train(sineModulated(300, 0.001, 0.9, 30)))!
    const list = speedObservations(m, 'a.vcd')
    expect(list.map(o => o.key)).toEqual([
      'speed.mean',
      'speed.variation.peak',
      'speed.variation.rms',
      'speed.turn-to-turn',
    ])
    expect(list[0]).toMatchObject({
      unit: 'r/min',
      how: expect.stringMatching(/^1(?:49|50) revolutions, one pulse a revolution, a\.vcd$/),
    })
    expect(list[0]!.uncertainty).toBeGreaterThan(0)
  })

  it('include the turn’s inside with several marks, and a drift that is there', () => {
    const many = measureSpeed(train(sineModulated(300, 0.001, 0.9, 30, 8)), { pulsesPerTurn: 8 })!
    expect(speedObservations(many, 'x').map(o => o.key)).toContain('speed.within-turn')
    let t = 0
    const creeping = measureSpeed(train(Array.from({ length: 200 }, (_, i) => (t += 0.2 * (1 + i * 1e-4)))))!
    expect(speedObservations(creeping, 'x').find(o => o.key === 'speed.drift')!.value).toBeLessThan(-5)
  })

  it('no reading is surer than a crystal’s 50 ppm', () => {
    const perfect = measureSpeed(train(Array.from({ length: 3000 }, (_, i) => i * 0.2)))!
    expect(speedUncertainty(perfect)! / 300).toBeCloseTo(50e-6, 6)
  })
})
