import { describe, expect, it } from 'vitest'
import { hasOffsetCost, halfWindowUm, offsetCost } from '../../src/calculators/alignment'
import { ALIGNMENT_LIMITS, LAYOUTS, layoutsOf, MECHANISM_IDS, pitchUm } from '../../src/drives'

describe('limits of alignment', () => {
  const classes = MECHANISM_IDS.filter(hasOffsetCost)
  it('are there for every class with tracks, each with its source; from memory where no sheet is at hand', () => {
    for (const m of classes) {
      const limits = ALIGNMENT_LIMITS[m]!
      for (const s of [limits.radialUm, limits.azimuthMin, limits.indexUs, limits.indexWithinUs, limits.hysteresisUm])
        expect(s.source.kind).toBe('from memory')
      expect(limits.headLoad.value.length).toBeGreaterThan(40)
    }
    expect(ALIGNMENT_LIMITS['quick-disk']).toBeUndefined()
    expect(ALIGNMENT_LIMITS.cartridge).toBeUndefined()
  })
  it.each(classes)(
    '%s: within its radial limit nothing fails and little margin is lost, at the innermost track too',
    m => {
      const limit = ALIGNMENT_LIMITS[m]!.radialUm.value
      const last = LAYOUTS[layoutsOf(m)[0]!]!.cylinders - 1
      const [right, off] = [0, limit].map(offsetUm => offsetCost(m, { cylinder: last, offsetUm }))
      expect(off!.failing).toBeLessThan(0.01)
      expect(right!.margin - off!.margin).toBeLessThan(0.12)
      expect(limit).toBeLessThan(halfWindowUm(m, { cylinder: last }) / 2)
      expect(limit).toBeLessThan(pitchUm(m) / 8)
    },
  )
  it.each(classes)('%s: hysteresis is allowed less than an offset', m =>
    expect(ALIGNMENT_LIMITS[m]!.hysteresisUm.value).toBeLessThan(ALIGNMENT_LIMITS[m]!.radialUm.value),
  )
})
