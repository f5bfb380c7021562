import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { MECHANISMS, speedBands, type MechanismId } from '../../../src/drives'
import { CALLS } from '../../../src/base/observations'
import { speedFromPulses, type SpeedContext } from '../../../src/instruments/spindle'
import { sineModulated, train } from '../../helpers'

const judge = (rpm: number, context: SpeedContext, seconds = 12) =>
  speedFromPulses(train(sineModulated(rpm, 0.0003, 0.83, seconds)), {}, context).verdict

const trimmable = MECHANISMS.filter(m => m.speed.wide !== null)

describe.each(trimmable.map(m => [m.id, m] as const))('%s', (id, mechanism) => {
  const nominal = mechanism.speed.nominal[0]!.value
  const { narrow, wide } = speedBands(mechanism, nominal)
  const inside = (nominal + narrow!.high) / 2
  const between = (narrow!.high + wide!.high) / 2
  const outside = wide!.high + (wide!.high - nominal) * 0.5

  it.each([
    ['leave-alone', true, 'leave', 'leave', 'nudge'],
    ['dial-in', true, 'leave', 'nudge', 'nudge'],
    ['leave-alone', false, 'leave', 'leave', 'mend'],
    ['dial-in', false, 'leave', 'leave', 'mend'],
  ] as const)('school %s, trimmer %s: %s, %s, %s from the middle outwards', (school, hasTrimmer, ...calls) => {
    const context = { mechanism: id, school, hasTrimmer, nominalRpm: nominal }
    expect([inside, between, outside].map(rpm => judge(rpm, context).kind)).toEqual(calls)
    // The same distance below is judged the same.
    expect([inside, between, outside].map(rpm => judge(2 * nominal - rpm, context).kind)).toEqual(calls)
  })
})

describe('every call', () => {
  it('has whole sentences, a next thing to do and a known kind, whatever is measured', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...MECHANISMS.map(m => m.id)),
        fc.double({ min: 0.3, max: 2.2, noNaN: true }),
        fc.double({ min: 0.3, max: 25, noNaN: true }),
        fc.double({ min: 0, max: 0.08, noNaN: true }),
        fc.constantFrom('leave-alone' as const, 'dial-in' as const),
        fc.option(fc.boolean(), { nil: undefined }),
        (mechanism: MechanismId, ratio, seconds, depth, school, hasTrimmer) => {
          const nominal = MECHANISMS.find(m => m.id === mechanism)!.speed.nominal[0]!.value
          const { verdict, measurement } = speedFromPulses(
            train(sineModulated(nominal * ratio, depth, 0.9, seconds)),
            {},
            { mechanism, school, hasTrimmer },
          )
          expect(CALLS[verdict.kind]).toBeDefined()
          for (const text of [...verdict.reasons, verdict.next]) expect(text).toMatch(/^[A-Z0-9].*\.$/)
          expect(verdict.reasons.length).toBeGreaterThan(0)
          if (hasTrimmer === false) expect(verdict.kind).not.toBe('nudge')
          if (measurement && measurement.revolutions < 3) expect(verdict.kind).toBe('unknown')
        },
      ),
      { numRuns: 150, seed: 17 },
    )
  })

  it('does not flip with the seed of chance: the same recording, the same call', () => {
    const pulses = train(sineModulated(304.2, 0.004, 0.7, 20))
    const context = { mechanism: '5.25in-48', school: 'leave-alone' } as const
    expect(speedFromPulses(pulses, {}, context)).toEqual(speedFromPulses(pulses, {}, context))
  })
})
