import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { afterAzimuth, afterSpacing, offTrack, wavelengthUm } from '../../../src/signals/head'

describe('losses', () => {
  // Wallace 1951: 54.6 dB for each wavelength of distance.
  it('a wavelength away 54.6 dB are gone, a tenth of one 5.46 dB', () => {
    expect(20 * Math.log10(afterSpacing(6, 6))).toBeCloseTo(-54.6, 9)
    expect(20 * Math.log10(afterSpacing(0.6, 6))).toBeCloseTo(-5.46, 9)
    expect(afterSpacing(0, 6)).toBe(1)
  })
  // sin x / x: first null at x = π, that is where w tan α is one wavelength; 0.637 at x = π/2.
  it('azimuth: the first null where the track leans by a wavelength', () => {
    const arcMin = ((Math.atan(6 / 300) * 180) / Math.PI) * 60
    expect(afterAzimuth(300, arcMin, 6)).toBeCloseTo(0, 9)
    expect(afterAzimuth(300, ((Math.atan(3 / 300) * 180) / Math.PI) * 60, 6)).toBeCloseTo(2 / Math.PI, 9)
    expect(afterAzimuth(300, 0, 6)).toBe(1)
  })
  // ECMA-100: 7 958 transitions a radian; at 23.19 mm, its innermost track, that is 8 717 to the inch.
  it('wavelength from density and radius', () => {
    expect((2 * 25_400) / wavelengthUm(7958, 23.1875)).toBeCloseTo(8717, 0)
  })
  it('off track a head finds less of it, and then the neighbour', () => {
    // A 3.5-inch drive's track of 115 µm at a pitch of 187.5 µm (from memory).
    expect(offTrack(0, 115, 115, 187.5)).toEqual({ own: 1, neighbour: 0 })
    expect(offTrack(57.5, 115, 115, 187.5).own).toBeCloseTo(0.5, 9)
    expect(offTrack(100, 115, 115, 187.5).neighbour).toBeCloseTo((115 - 87.5) / 115, 9)
    fc.assert(
      fc.property(
        fc.double({ min: -300, max: 300, noNaN: true }),
        fc.double({ min: 50, max: 400, noNaN: true }),
        fc.double({ min: 50, max: 400, noNaN: true }),
        (offset, head, track) => {
          const at = offTrack(offset, head, track, 500)
          expect(at.own).toBeGreaterThanOrEqual(0)
          expect(at.own).toBeLessThanOrEqual(1 + 1e-12)
          expect(offTrack(-offset, head, track, 500)).toEqual(at)
          expect(offTrack(offset * 1.1, head, track, 500).own).toBeLessThanOrEqual(at.own + 1e-12)
        },
      ),
    )
  })
  it('a narrow track under a wide head is read without error until it leaves it', () => {
    expect(offTrack(100, 330, 115, 265).own).toBe(1)
    expect(offTrack(150, 330, 115, 265).own).toBeLessThan(1)
  })
})
