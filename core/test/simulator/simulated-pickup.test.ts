import { describe, expect, it } from 'vitest'
import { Random, SimulatedPickup } from '../../src/simulator'
import { measureSpeed, pulsesFromEdges, speedFromCapture, speedFromPulses } from '../../src/instruments/spindle'
import { channel, read } from '../helpers'

const context = { mechanism: '5.25in-48', school: 'leave-alone' } as const

describe('simulated pickup', () => {
  it('turns at the speed, ripple and trimmer answer it was given', () => {
    const pickup = new SimulatedPickup({
      seed: 1,
      rpm: 309,
      rpmPerTrimmerTurn: 32,
      ripples: [{ cyclesPerTurn: 0.3, peakPercent: 0.8 }],
      jitterUs: 1,
    })
    pickup.advanceTo(30)
    const before = measureSpeed(pickup.pulses())!
    expect(before.rpm.mean).toBeCloseTo(309, 0)
    expect(before.components[0]!.peakPercent).toBeCloseTo(0.8, 1)
    expect(before.components[0]!.hz).toBeCloseTo((0.3 * 309) / 60, 1)
    pickup.turnTrimmer(-0.25)
    pickup.advanceTo(60)
    expect(measureSpeed(pickup.pulses(30.5))!.rpm.mean).toBeCloseTo(301, 0)
  })

  it('drifts as it warms and starts from rest', () => {
    const pickup = new SimulatedPickup({ seed: 2, rpm: 300, coldPercent: -2, warmUpS: 30, startS: 0.4 })
    pickup.advanceTo(40)
    const m = measureSpeed(pickup.pulses())!
    expect(m.drift.significant).toBe(true)
    expect(m.drift.totalRpm).toBeGreaterThan(2)
    expect(m.discarded[0]!.why).toMatch(/motor starting/)
  })

  it('gives the same recording for the same seed, and another for another', () => {
    const record = (seed: number) => {
      const pickup = new SimulatedPickup({ seed, rpm: 300, wanderPercent: 0.1 })
      pickup.advanceTo(2)
      return pickup.toVcd()
    }
    expect(record(5)).toBe(record(5))
    expect(record(5)).not.toBe(record(6))
  })

  it('saved as VCD reads back to the very same answer', async () => {
    for (const extra of [{}, { missChance: 0.05, doubleChance: 0.05 }, { marksPerTurn: 10, hardSectored: true }]) {
      const pickup = new SimulatedPickup({
        seed: 7,
        rpm: 304.7,
        wanderPercent: 0.05,
        ripples: [{ cyclesPerTurn: 0.72, peakPercent: 0.2 }],
        ...extra,
      })
      pickup.advanceTo(25)
      const live = speedFromPulses(pulsesFromEdges(pickup.edges()), {}, context)
      const file = await read('saved.vcd', pickup.toVcd())
      expect(Array.from(channel(file, 'INDEX').edges!.times)).toEqual(Array.from(pickup.edges().times))
      const again = speedFromCapture(file, {}, context)
      expect(again.verdict).toEqual(live.verdict)
      expect(again.measurement).toEqual(live.measurement)
    }
  })

  it('its random numbers are even and normal', () => {
    const random = new Random(3)
    const xs = Array.from({ length: 20_000 }, () => random.next())
    expect(xs.reduce((a, b) => a + b) / xs.length).toBeCloseTo(0.5, 1)
    const gs = Array.from({ length: 20_000 }, () => random.gaussian())
    expect(Math.sqrt(gs.reduce((a, b) => a + b * b) / gs.length)).toBeCloseTo(1, 1)
  })
})
