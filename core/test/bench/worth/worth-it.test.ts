import { describe, expect, it } from 'vitest'
import { MECHANISM_IDS } from '../../../src/drives'
import { findFinding } from '../../../src/findings'
import { FINDING_WEIGHS, USUAL_CHANCE, worthIt } from '../../../src/bench/worth'
import { NO_ACCOUNT, type Account } from '../../../src/log'

const judge = (account: Partial<Account>, found: string[] = [], minutesToGo = 240) =>
  worthIt({ mechanism: '3in', account: { ...NO_ACCOUNT, ...account }, found, minutesToGo })

describe('worth it?', () => {
  it('a worked example: half a chance at 80, 10 as parts, 6 to buy, four hours', () => {
    // By hand: 0.5 × 80 + 0.5 × 10 − 6 = 39 by going on, 10 by parting out; the gain is 29, over 4 h 7.25 an hour.
    const w = judge({ chance: 0.5, working: 80, asParts: 10, parts: 6 })
    expect(w.gain).toBeCloseTo(29, 9)
    expect(w.perHour).toBeCloseTo(7.25, 9)
    expect(w.verdict).toBe('go-on')
    expect(judge({ chance: 0.5, working: 80, asParts: 10, parts: 6, hourRate: 7 }).verdict).toBe('go-on')
    expect(judge({ chance: 0.5, working: 80, asParts: 10, parts: 6, hourRate: 8 }).verdict).toBe('if-it-matters')
  })

  it('the lines add up to the gain', () => {
    const w = judge({ working: 80, asParts: 10, parts: 6 }, ['belt.goo', 'lacquer.broken'])
    const sum = w.lines
      .filter(l => l.unit === 'money')
      .reduce((s, l) => (l.label === 'Going on brings' ? s : s + l.value), 0)
    expect(sum).toBeCloseTo(w.gain!, 9)
    expect(w.chance).toBeCloseTo(0.75 * 0.95 * 0.9, 9)
  })

  it('what was paid and spent decides nothing, and is said to', () => {
    const [a, b] = [judge({ chance: 0.5, working: 30, paid: 500, hours: 12 }), judge({ chance: 0.5, working: 30 })]
    expect(a.verdict).toBe(b.verdict)
    expect(a.gain).toBe(b.gain)
    expect(a.reasons[1]).toBe('500 paid and 12 h spent: already spent, and not counted.')
  })

  it('parts out what costs more than it brings, unless it matters', () => {
    expect(judge({ working: 20, asParts: 15, parts: 12 }, ['heads.torn']).verdict).toBe('part-out')
    expect(judge({ working: 20, asParts: 15, parts: 12, matters: true }, ['heads.torn']).verdict).toBe('if-it-matters')
  })

  it('a disk whose data matter comes before every sum, and nothing is claimed without a price', () => {
    expect(judge({ working: 500 }, ['disk.data']).verdict).toBe('rescue')
    expect(judge({ working: 500 }, ['disk.out']).verdict).toBe('go-on')
    expect(judge({}).verdict).toBe('unknown')
  })

  it.each([
    [{ hours: -2 }, /Hours so far cannot be -2/],
    [{ chance: 1.4 }, /a chance of 1.4 is none/],
    [{ working: Number.NaN }, /worth working cannot be NaN/],
  ])('%j is said in a sentence', (account, words) => {
    expect(() => judge(account)).toThrow(words)
  })

  it('every class has a chance with its source, every weight a finding', () => {
    for (const id of MECHANISM_IDS) expect(USUAL_CHANCE[id]).toMatchObject({ source: { kind: 'from memory' } })
    for (const [id, w] of Object.entries(FINDING_WEIGHS)) {
      expect(findFinding(id)).toBeTruthy()
      expect(w.chance).toBeGreaterThan(0)
      expect(w.chance).toBeLessThanOrEqual(1)
    }
  })
})
