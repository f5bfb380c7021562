import { describe, expect, it } from 'vitest'
import { judgeTypedSpeed } from '../../../src/diagnosis/readings'
import { speedFromPulses } from '../../../src/instruments/spindle'
import { findMechanism, nominalFor } from '../../../src/drives'
import { sineModulated, train } from '../../helpers'

const judge = (rpm: number, nominalRpm?: number) =>
  speedFromPulses(
    train(sineModulated(rpm, 0.0003, 0.83, 12)),
    {},
    { mechanism: '3.5in-eject', school: 'leave-alone', nominalRpm },
  ).verdict

/** Five zones of sixteen cylinders of the zoned 3.5-inch family (from memory of its published description). */
const ZONES = [
  [394, 0, 15],
  [429, 16, 31],
  [472, 32, 47],
  [525, 48, 63],
  [590, 64, 79],
] as const

describe('a 3.5-inch drive whose speed goes by zone', () => {
  it.each(ZONES)('%i r/min is right on cylinders %i to %i, and is no runaway', (rpm, from, to) => {
    for (const chosen of [undefined, 300]) {
      const verdict = judge(rpm * 1.002, chosen)
      expect(verdict.kind).toBe('leave')
      expect(verdict.nominalRpm).toBe(rpm)
      expect(verdict.reasons.join(' ')).toContain(`cylinders ${from} to ${to}`)
    }
  })
  it('at 300 r/min it is judged as in its MFM modes, without a word of zones', () => {
    expect(judge(300.5)).toMatchObject({ kind: 'leave', nominalRpm: 300 })
    expect(judge(300.5).reasons.join(' ')).not.toContain('zone')
  })
  it.each([335, 410, 450, 500, 555])('%i r/min belongs to no zone: something is wrong', rpm => {
    expect(judge(rpm).kind).toBe('mend')
  })
  it('far above the last zone the motor runs away', () => {
    const pulses = train(sineModulated(800, 0.0003, 0.83, 12))
    const context = { mechanism: '3.5in-eject', school: 'leave-alone' } as const
    expect(speedFromPulses(pulses, { pulsesPerTurn: 1 }, context).verdict.kind).toBe('stop')
  })
  it('a speed that a person typed is judged alike', () => {
    const context = { mechanism: '3.5in-eject' as const, nominalRpm: 300, hasTrimmer: null, motor: null }
    const { kind, reasons } = judgeTypedSpeed(394, 1, context)
    expect(kind).toBe('leave')
    expect(reasons.join(' ')).toContain('cylinders 0 to 15')
  })
  it('no other drive type has zones: what was chosen for it holds', () => {
    expect(nominalFor(findMechanism('3.5in'), 394, 300)).toBe(300)
    expect(nominalFor(findMechanism('5.25in-96'), 301, 360)).toBe(360)
    expect(nominalFor(findMechanism('5.25in-96'), 301)).toBe(300)
  })
})
