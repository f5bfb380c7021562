import { describe, expect, it } from 'vitest'
import { LAYOUTS, MECHANISMS, layoutsOf, pulseShare, radiusMm, rpmAt } from '../../src/drives'

const INCH = 25.4
/** Bits per inch on a cylinder: data bits of a turn over its length. */
function bitsPerInch(mechanism: Parameters<typeof radiusMm>[0], layout: string, cylinder: number, head: 0 | 1): number {
  const { formatOf } = LAYOUTS[layout]!
  const bits = formatOf(cylinder).rate * (60 / rpmAt(LAYOUTS[layout]!, cylinder))
  return (bits * INCH) / (2 * Math.PI * radiusMm(mechanism, cylinder, head))
}

describe('where the tracks lie', () => {
  // Published bits per inch on the innermost track: 3.5-inch 8 717, 5.25-inch 48 tpi 5 876, 96 tpi 5 922, 8-inch MFM
  // 6 816 (makers' and standards' figures, from memory).
  it.each([
    ['3.5in', 'mfm-80x2x9', 79, 8717],
    ['5.25in-48', 'mfm-40x2x9', 39, 5876],
    ['5.25in-96', 'mfm-80x2x9', 79, 5922],
    ['8in', 'mfm-77x2x26', 76, 6816],
  ] as const)('%s: the innermost track has the published bits per inch', (mechanism, layout, cylinder, published) => {
    expect(Math.abs(bitsPerInch(mechanism, layout, cylinder, 1) / published - 1)).toBeLessThan(0.002)
  })
  // 8-inch: the outermost track lies 2.029 in + 76/48 in from the axis (the disk standards, from memory).
  it('the outermost 8-inch track lies where the standard has it', () => {
    expect(radiusMm('8in', 0, 0)).toBeCloseTo((2.029 + 76 / 48) * INCH, 3)
    expect(radiusMm('8in', 0, 0)).toBeCloseTo(91.753, 3)
  })
  it('no track lies off its disk', () => {
    for (const m of MECHANISMS.filter(x => layoutsOf(x.id).length))
      for (const layout of layoutsOf(m.id))
        for (const cylinder of [0, LAYOUTS[layout]!.cylinders - 1]) {
          expect(radiusMm(m.id, cylinder, 0), m.id).toBeLessThan(m.frame.disk / 2 + (m.id === '8in' ? 5 : 0))
          expect(radiusMm(m.id, cylinder, 1), m.id).toBeGreaterThan(18)
        }
  })
  it('the second head of 48 tpi drives stands four tracks further in, of a serial drive too', () => {
    for (const m of ['5.25in-48', '5.25in-serial'] as const)
      expect(radiusMm(m, 0, 0) - radiusMm(m, 0, 1)).toBeCloseTo((4 * INCH) / 48, 2)
  })
  it('double-density media of 96 tpi have the pulse of double-density media', () => {
    expect(pulseShare('5.25in-96', 'mfm-80x2x15')).toBe(1)
    expect(pulseShare('5.25in-96', 'mfm-80x2x9')).toBeGreaterThan(1.4)
    expect(pulseShare('3.5in', 'mfm-80x2x9')).toBe(1)
  })
})
