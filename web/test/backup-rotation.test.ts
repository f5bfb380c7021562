import { describe, expect, it } from 'vitest'
import { isDue, superseded } from '../server/services/backup-rotation'

const daily = (days: number) => {
  const first = new Date(2026, 0, 1, 20)
  return Array.from({ length: days }, (_, i) => {
    const at = new Date(first)
    at.setDate(at.getDate() + i)
    return { name: `day-${i}`, at }
  })
}

describe('automatic backups', () => {
  it('of two years leave the last 7 days, 4 weeks and 12 months', () => {
    const all = daily(730)
    const gone = new Set(superseded(all))
    const left = all.filter(b => !gone.has(b.name))
    // The spans overlap: today's is also this week's and this month's.
    expect(left.length).toBeGreaterThanOrEqual(7 + 2 + 10)
    expect(left.length).toBeLessThanOrEqual(7 + 4 + 12)
    expect(left.slice(-7)).toEqual(all.slice(-7))
    const months = new Set(left.map(b => `${b.at.getFullYear()}-${b.at.getMonth()}`))
    expect(months.size).toBe(12)
  })

  it('that are removed day by day leave the same as removing them at once', () => {
    let kept: ReturnType<typeof daily> = []
    for (const b of daily(400)) {
      kept.push(b)
      const gone = new Set(superseded(kept))
      kept = kept.filter(k => !gone.has(k.name))
    }
    const gone = new Set(superseded(daily(400)))
    const atOnce = daily(400).filter(b => !gone.has(b.name))
    const names = (list: typeof kept) => list.map(b => b.name)
    // The week and the month that began between two looks keep their latest either way.
    expect(names(kept)).toEqual(names(atOnce))
  })

  it('are due once a calendar day', () => {
    const at = new Date(2026, 2, 1, 23, 50)
    expect(isDue([], at)).toBe(true)
    expect(isDue([{ name: 'a', at }], new Date(2026, 2, 1, 23, 59))).toBe(false)
    expect(isDue([{ name: 'a', at }], new Date(2026, 2, 2, 0, 1))).toBe(true)
  })
})
