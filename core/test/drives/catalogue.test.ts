import { describe, expect, it } from 'vitest'
import {
  describeSource,
  findMechanism,
  fluxPerRadian,
  innermostFluxPerInch,
  MECHANISM_IDS,
  MECHANISMS,
  nearestNominal,
  speedBands,
} from '../../src/drives'

describe('catalogue', () => {
  it('holds the nine classes, each by its id', () => {
    expect(MECHANISMS.map(m => m.id)).toEqual([...MECHANISM_IDS])
    expect(MECHANISMS).toHaveLength(9)
    expect(() => findMechanism('9in')).toThrow('there is no drive type "9in"; expected one of 8in, 5.25in-48')
  })

  it('gives every value its unit and its source', () => {
    const visit = (node: unknown, path: string): number => {
      if (typeof node !== 'object' || node === null) return 0
      if ('value' in node && 'unit' in node) {
        const { source } = node as { source?: Parameters<typeof describeSource>[0] }
        expect(source, path).toBeDefined()
        expect(describeSource(source!).length, path).toBeGreaterThan(0)
        return 1
      }
      return Object.entries(node).reduce((n, [k, v]) => n + visit(v, `${path}.${k}`), 0)
    }
    for (const m of MECHANISMS) expect(visit(m, m.id)).toBeGreaterThanOrEqual(5)
  })

  it('nests the narrow band in the wide one about the nominal', () => {
    for (const m of MECHANISMS) {
      for (const { value } of m.speed.nominal) {
        const { narrow, wide } = speedBands(m, value)
        if (!narrow || !wide) continue
        expect(wide.low).toBeLessThanOrEqual(narrow.low)
        expect(narrow.low).toBeLessThan(value)
        expect(wide.high + wide.low).toBeCloseTo(2 * value, 9)
      }
    }
  })

  it('keeps the trade’s bands: 8-inch 360 ± 8, 3-inch 290 to 310 (common practice, no source)', () => {
    expect(speedBands(findMechanism('8in'), 360).wide).toMatchObject({ low: 352, high: 368 })
    expect(speedBands(findMechanism('3in'), 300).wide).toMatchObject({ low: 290, high: 310 })
  })

  it('picks the nominal speed by ratio', () => {
    expect(nearestNominal(findMechanism('5.25in-96'), 320)).toBe(300)
    expect(nearestNominal(findMechanism('5.25in-96'), 335)).toBe(360)
  })
})

describe('flux density against the titles of the ECMA standards', () => {
  // ECMA-54, -59, -69 and -99: 13 262; ECMA-66, -70, -78, -100: 7 958; ECMA-125: 15 916 flux transitions per radian.
  const published = MECHANISMS.flatMap(m =>
    m.formats.filter(f => f.fluxPerRadian).map(f => [m.id, f.label, f] as const),
  )
  it.each(published)('%s, %s', (_, __, format) => {
    // The titles round some up and cut others off, so within one.
    expect(Math.abs(fluxPerRadian(format.fluxPerSecond.value, format.rpm) - format.fluxPerRadian!.value)).toBeLessThan(
      1,
    )
  })

  it('covers all seven', () => {
    expect(new Set(published.map(([, , f]) => f.fluxPerRadian!.value))).toEqual(new Set([13_262, 7_958, 15_916]))
  })

  // Bits per inch on the innermost track, as published for each size: 8 717, 5 876, 5 922 and 6 816 (from memory).
  it.each([
    ['3.5in', 0, 8717],
    ['5.25in-48', 1, 5876],
    ['5.25in-96', 1, 5922],
    ['8in', 1, 6816],
  ] as const)('%s reaches its published density on the innermost track', (id, format, perInch) => {
    const m = findMechanism(id)
    expect(Math.abs(innermostFluxPerInch(m, m.formats[format]!)! - perInch)).toBeLessThan(1)
  })
})
