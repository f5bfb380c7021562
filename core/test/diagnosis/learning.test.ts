import { describe, expect, it } from 'vitest'
import { readingEntry } from '../../src/bench/entries'
import { diagnose, FAULTS, readCase } from '../../src/diagnosis'
import { closedCase, factorsOf, KNOWN_BEFORE, learnRates, readRates, writeRates } from '../../src/diagnosis/learning'
import type { LogEntry } from '../../src/log'
import { driveFacts } from '../log'

const drive = driveFacts({ mechanism: '3.5in' })
let seq = 0
const read = (key: string, value: string): LogEntry => ({
  ...readingEntry({ id: `l${seq}`, at: '2026-11-27T10:00:00.000Z', remark: '', key, value }, drive),
  seq: ++seq,
})

describe('learning from closed cases', () => {
  const cases = (n: number) =>
    Array.from({ length: n }, () => ({
      mechanism: '3in' as const,
      causes: [{ fault: 'belt.rotten', weight: 1 }],
    }))
  it('a fault that is met more often than listed becomes likelier, the others rarer; by how much is said', () => {
    const rates = learnRates(cases(10))
    const belt = rates.find(r => r.fault === 'belt.rotten')!
    // The mean of a Dirichlet distribution, by hand: (60 s + 10) / 70 over s.
    const own = FAULTS.filter(f => rates.some(r => r.fault === f.id))
    const s = belt.before / own.reduce((sum, f) => sum + f.odds, 0)
    expect(belt.now / belt.before).toBeCloseTo((KNOWN_BEFORE * s + 10) / ((KNOWN_BEFORE + 10) * s), 9)
    expect(belt.seen).toBe(10)
    const other = rates.find(r => r.fault === 'spindle-motor.dead')!
    expect(other.now).toBeLessThan(other.before)
    const share = (factors?: Record<string, number>) =>
      diagnose(readCase({ mechanism: '3in', complaints: ['no-spin'] }), { factors }).causes.find(
        c => c.fault === 'belt.rotten',
      )!.probability
    expect(share(factorsOf(rates))).toBeGreaterThan(share() * 1.3)
  })
  it('one case moves little, and none moves nothing', () => {
    expect(learnRates([])).toEqual([])
    const [belt] = learnRates(cases(1)).filter(r => r.fault === 'belt.rotten')
    expect(belt!.now / belt!.before).toBeLessThan(1.6)
  })
  it('a cause that a cure proved counts whole; a complaint that is open is no closed case', () => {
    const open = [read('complaint.reads-one-side', 'seen')]
    expect(closedCase(drive, open)).toBeNull()
    const closed = closedCase(drive, [
      ...open,
      read('after.clean.heads', 'cures'),
      read('complaint.reads-one-side', 'cured'),
    ])!
    const dirty = closed.causes.filter(c => c.fault.endsWith('-head.dirty'))
    expect(dirty.reduce((s, c) => s + c.weight, 0)).toBeCloseTo(1, 6)
  })
})

describe('rates as a plain file', () => {
  it('what was written is read again, and an edit counts', () => {
    const text = writeRates()
    const factors = readRates(text, 'rates.csv')
    expect(Object.keys(factors)).toHaveLength(FAULTS.length)
    for (const f of Object.values(factors)) expect(f).toBeCloseTo(1, 3)
    const edited = text.replace(/^belt\.slack,[^,]+/m, 'belt.slack,44')
    expect(readRates(edited, 'rates.csv')['belt.slack']).toBeCloseTo(2, 3)
  })
  it.each([
    ['fault,per_thousand\nbelt.slack,1200\n', /rates\.csv, line 2, per_thousand: .*1200.*at most 1000/],
    ['fault,per_thousand\nbelt.slack,-1\n', /line 2/],
    ['fault,per_thousand\nbelt.slack,many\n', /“many”/],
    ['fault,per_thousand\nbelt.slak,4\n', /line 2: there is no fault “belt\.slak”; expected one such as .*belt\.slack/],
    ['fault,per_thousand\nbelt.slack,4\nbelt.slack,5\n', /line 3: the fault belt\.slack stands there twice/],
    ['part,odds\n', /line 1: the columns fault and per_thousand are missing/],
  ])('%j is refused by line and reason', (text, says) => {
    expect(() => readRates(text, 'rates.csv')).toThrow(says)
  })
})
