import { describe, expect, it } from 'vitest'
import { diagnose, readCase } from '../../core/src/diagnosis'
import { MECHANISM_IDS } from '../../core/src/drives'
import { BOX, placeWorks, wirePath } from '../app/utils/work-map'

const mapOf = (mechanism: string, input: object = {}) => placeWorks(diagnose(readCase({ mechanism, ...input })).works)

describe('the drawing of what works', () => {
  it.each(MECHANISM_IDS)('%s: no box lies on another, and no line runs through one', mechanism => {
    const { boxes, lines, width, height } = mapOf(mechanism)
    const within = (b: { x: number; y: number }, x: number, y: number) =>
      Math.abs(x - b.x) < BOX.width / 2 && Math.abs(y - b.y) < BOX.height / 2
    for (const a of boxes) {
      expect(a.x - BOX.width / 2).toBeGreaterThan(0)
      expect(a.x + BOX.width / 2).toBeLessThan(width)
      expect(a.y + BOX.height / 2).toBeLessThan(height)
      for (const b of boxes)
        if (a !== b)
          expect(Math.abs(a.x - b.x) >= BOX.width || Math.abs(a.y - b.y) >= BOX.height, `${a.id} on ${b.id}`).toBe(true)
    }
    for (const { key, points } of lines)
      for (const [i, p] of points.slice(1).entries()) {
        const q = points[i]!
        expect(p.x === q.x || p.y === q.y, `${key} runs askew`).toBe(true)
        for (let t = 0.05; t < 1; t += 0.05)
          for (const b of boxes)
            expect(within(b, q.x + t * (p.x - q.x), q.y + t * (p.y - q.y)), `${key} through ${b.id}`).toBe(false)
      }
  })
  it.each(MECHANISM_IDS)('%s: fits a panel of 900 units at its own size', mechanism => {
    const { width, height } = mapOf(mechanism)
    expect(width).toBeLessThanOrEqual(1080)
    expect(height).toBeLessThanOrEqual(400)
  })
  it('a line is whole where what it comes from works', () => {
    const { lines } = mapOf('3.5in', { checks: [{ check: 'see.lamp', answer: 'normal' }] })
    const whole = (key: string) => lines.find(l => l.key === key)?.whole
    expect(whole('logic select')).toBe(true)
    expect(whole('select lamp')).toBe(true)
    expect(whole('spin speed')).toBe(false)
  })
  it('a wire is drawn along its corners', () => {
    expect(
      wirePath([
        { x: 0, y: 0 },
        { x: 10, y: 0 },
        { x: 10, y: 20 },
      ]),
    ).toBe('M0.0 0.0L10.0 0.0L10.0 20.0')
  })
})
