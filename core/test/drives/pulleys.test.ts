import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { openBeltLength, turningParts } from '../../src/drives'

describe('open belt length', () => {
  it('is two straights and a whole pulley where both are the same', () => {
    expect(openBeltLength(100, 40, 40)).toBeCloseTo(200 + Math.PI * 40, 9)
  })

  it('agrees with the machine-design handbook approximation 2C + pi(D+d)/2 + (D-d)^2/4C where pulleys differ little', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 20, max: 120, noNaN: true }),
        fc.double({ min: 0.3, max: 1, noNaN: true }),
        (large, share) => {
          const small = large * share
          const centre = 2 * large
          const handbook = 2 * centre + (Math.PI * (large + small)) / 2 + (large - small) ** 2 / (4 * centre)
          expect(Math.abs(openBeltLength(centre, large, small) / handbook - 1)).toBeLessThan(2e-4)
        },
      ),
      { seed: 4 },
    )
  })

  it('wraps the large pulley wholly where the small one is a point at its rim', () => {
    expect(openBeltLength(50.001, 100, 1e-9)).toBeGreaterThan(Math.PI * 100 * 0.995)
  })

  it('refuses pulleys that overlap', () => {
    expect(() => openBeltLength(30, 62, 9)).toThrow(
      'pulleys of 62 and 9 mm overlap at a centre distance of 30 mm; expected at least 35.5 mm.',
    )
    expect(() => openBeltLength(30, 0, 9)).toThrow('not a positive number')
  })
})

describe('turning parts', () => {
  it('gives belt and motor their rates per turn of the spindle', () => {
    const parts = turningParts({ motorPulleyMm: 10, flywheelMm: 60, beltLengthMm: Math.PI * 120 })
    expect(parts.find(p => p.name === 'motor pulley')!.cyclesPerTurn).toBe(6)
    expect(parts.find(p => p.name === 'belt')!.cyclesPerTurn).toBeCloseTo(0.5, 12)
    expect(turningParts(undefined).map(p => p.cyclesPerTurn)).toEqual([1, 2])
  })
})
