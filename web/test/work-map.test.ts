import { describe, expect, it } from 'vitest'
import { diagnose, readCase } from '../../core/src/diagnosis'
import { MECHANISM_IDS } from '../../core/src/drives'
import { BOX, placeWorks, wirePath } from '../app/utils/work-map'

const mapOf = (mechanism: string, input: object = {}) => placeWorks(diagnose(readCase({ mechanism, ...input })).works)

describe('the drawing of what works', () => {
  it.each(MECHANISM_IDS)('%s: no box lies on another, and each stands right of what it needs', mechanism => {
    const { boxes, width, height } = mapOf(mechanism)
    const at = new Map(boxes.map(b => [b.id, b]))
    for (const a of boxes) {
      expect(a.x).toBeGreaterThan(0)
      expect(a.x + BOX.width / 2).toBeLessThanOrEqual(width)
      expect(a.y + BOX.height / 2).toBeLessThanOrEqual(height)
      for (const need of a.after) expect(at.get(need)!.x + BOX.width).toBeLessThanOrEqual(a.x)
      for (const b of boxes)
        if (a !== b) {
          const apart = Math.abs(a.x - b.x) >= BOX.width || Math.abs(a.y - b.y) >= BOX.height
          expect(apart, `${a.id} on ${b.id}`).toBe(true)
        }
    }
  })
  it('a line is whole where what it comes from works', () => {
    const { lines } = mapOf('3.5in', { checks: [{ check: 'see.lamp', answer: 'normal' }] })
    const whole = (key: string) => lines.find(l => l.key === key)?.whole
    expect(whole('logic select')).toBe(true)
    expect(whole('select lamp')).toBe(true)
    expect(whole('spin speed')).toBe(false)
  })
  it('wires run level and upright only', () => {
    const path = wirePath([
      { x: 0, y: 0 },
      { x: 10, y: 20 },
      { x: 30, y: 20 },
    ])
    expect(path).toBe('M0.0 0.0H5.0V20.0H10.0H20.0V20.0H30.0')
    for (const l of mapOf('8in').lines) expect(wirePath(l.points)).toMatch(/^M[\d. -]+(?:[HV]-?[\d.]+)+$/)
  })
})
