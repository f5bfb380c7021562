import { describe, expect, it } from 'vitest'
import { anatomyOf, findMechanism, MECHANISM_IDS, trackRadiusMm, type Shape } from '../../src/drives'

function box(s: Shape): [number, number, number, number] {
  if (s.kind === 'rect') return [s.x, s.y, s.x + s.w, s.y + s.h]
  if (s.kind === 'circle') return [s.x - s.r, s.y - s.r, s.x + s.r, s.y + s.r]
  if (s.kind === 'line') return [Math.min(s.x1, s.x2), Math.min(s.y1, s.y2), Math.max(s.x1, s.x2), Math.max(s.y1, s.y2)]
  return [
    Math.min(s.a.x - s.a.r, s.b.x - s.b.r),
    Math.min(s.a.y - s.a.r, s.b.y - s.b.r),
    Math.max(s.a.x + s.a.r, s.b.x + s.b.r),
    Math.max(s.a.y + s.a.r, s.b.y + s.b.r),
  ]
}

describe('anatomy, to scale', () => {
  it.each(MECHANISM_IDS)('%s: every part lies in its frame, is named once and has its number', id => {
    const { widthMm, depthMm, parts } = anatomyOf(id)
    for (const p of parts) {
      const [x1, y1, x2, y2] = box(p.shape)
      expect(Math.min(x1, y1), p.label).toBeGreaterThanOrEqual(-3)
      expect(x2, p.label).toBeLessThanOrEqual(widthMm + 3)
      expect(y2, p.label).toBeLessThanOrEqual(depthMm + 3)
    }
    const named = parts.filter(p => p.n > 0)
    expect(named.map(p => p.n)).toEqual(named.map((_, i) => i + 1))
    expect(new Set(named.map(p => p.label)).size).toBe(named.length)
  })

  it('the zone on the rail is the catalogue’s: track 0 outermost, the last cylinder innermost', () => {
    for (const id of MECHANISM_IDS) {
      const { spindle, parts } = anatomyOf(id)
      const zone = parts.find(p => p.look === 'zone')!.shape as Extract<Shape, { kind: 'rect' }>
      const disk = parts.find(p => p.look === 'disk')!.shape as Extract<Shape, { kind: 'circle' }>
      expect(zone.y + zone.h - spindle.y).toBeLessThan(disk.r)
      const m = findMechanism(id)
      if (!m.geometry.track0LowerMm || !m.geometry.pitchMm) continue
      const last = m.geometry.cylinders.value - 1
      expect(zone.y + zone.h - spindle.y).toBeCloseTo(
        trackRadiusMm(m.geometry.track0LowerMm.value, m.geometry.pitchMm.value, 0),
        6,
      )
      expect(zone.y - spindle.y).toBeCloseTo(
        trackRadiusMm(m.geometry.track0LowerMm.value, m.geometry.pitchMm.value, last),
        6,
      )
    }
  })

  // From memory, and plain from the names: nominal disk sizes in inches.
  it('disks are as large as they are called', () => {
    const inches = (id: (typeof MECHANISM_IDS)[number]) =>
      ((anatomyOf(id).parts.find(p => p.look === 'disk')!.shape as Extract<Shape, { kind: 'circle' }>).r * 2) / 25.4
    expect(inches('8in')).toBeCloseTo(7.9, 0)
    expect(inches('5.25in-48')).toBeCloseTo(5.1, 1)
    expect(inches('3.5in')).toBeCloseTo(3.4, 1)
    expect(inches('3in')).toBeCloseTo(3, 1)
    expect(inches('quick-disk')).toBeCloseTo(2.8, 1)
  })
})
