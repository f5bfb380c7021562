import { describe, expect, it } from 'vitest'
import {
  claimable,
  findStep,
  GATES,
  minutesForGoal,
  minutesToGo,
  nextAt,
  safetySheet,
  stationAsking,
  stationForGoal,
  walk,
  type Walk,
} from '../../../src/bench/stations'
import { SHOWN_BY } from '../../../src/bench/stations/shown-by'
import { MECHANISM_IDS } from '../../../src/drives'
import { findFinding } from '../../../src/findings'
import { GOAL_IDS, type LogEntry } from '../../../src/log'
import { findReading } from '../../../src/diagnosis/readings'
import { entry, found, withData } from '../../log'

const NOW = Date.parse('2026-03-02T10:00:00Z')
const complaint = (goal: (typeof GOAL_IDS)[number] | null = null, log: LogEntry[] = []): Walk =>
  walk({ mechanism: '3.5in', route: 'complaint', goal }, log, NOW)
const steps = (w: Walk) => w.stations.flatMap(s => s.steps)
const reading = (key: string, value: string | number): LogEntry =>
  withData('measurement', { type: 'reading', key, value, unit: '', uncertainty: null, count: null, movedTurns: 0 })

describe('what a goal needs', () => {
  it('an overhaul needs every step; the way from a complaint a fraction of them', () => {
    const all = walk({ mechanism: '3.5in', route: 'overhaul' }, [], NOW)
    expect(steps(all).every(s => s.needed)).toBe(true)
    expect(minutesForGoal(all)).toBe(minutesToGo(all))
    expect(minutesForGoal(complaint())).toBeLessThan(minutesToGo(all) / 2)
    // Overhaul is also what a drive without a route gets.
    expect(minutesForGoal(walk({ mechanism: '3.5in' }, [], NOW))).toBe(minutesToGo(all))
  })
  it.each(MECHANISM_IDS)('%s: each level takes at least what the one below it takes', mechanism => {
    const minutes = GOAL_IDS.map(goal => minutesForGoal(walk({ mechanism, route: 'complaint', goal }, [], NOW)))
    expect(minutes).toEqual([...minutes].sort((a, b) => a - b))
  })
  it('what was found adds the steps that answer it', () => {
    const before = minutesForGoal(complaint())
    const after = complaint(null, [found('caps.leaking')])
    expect(steps(after).find(s => s.step.id === 'clean.caps')!.needed).toBe(true)
    expect(minutesForGoal(after)).toBeGreaterThan(before)
  })
  it('goes to the first station that the goal needs, and to needed steps before others', () => {
    const w = complaint()
    expect(stationForGoal(w)).toBe('receive')
    expect(nextAt(w, 'receive')!.step.id).toBe('receive.disk')
    const seen = complaint(null, [found('disk.none', 'receive')])
    expect(stationForGoal(seen)).toBe('look')
    // Nothing is left there that the goal needs: what an overhaul would do is offered, not asked for.
    expect(nextAt(seen, 'receive')!.needed).toBe(false)
  })
  it('a reading of the case ticks its step, and taking it back unticks it', () => {
    const done = (log: LogEntry[], id: string) => steps(complaint(null, log)).find(s => s.step.id === id)!.done
    const cleaned = reading('after.clean.sensors', 'same')
    expect(done([], 'clean.sensors')).toBe(false)
    expect(done([cleaned], 'clean.sensors')).toBe(true)
    expect(done([cleaned, entry({ kind: 'taken-back', takesBack: cleaned.id })], 'clean.sensors')).toBe(false)
    expect(done([reading('see.change', 'last')], 'prove.change')).toBe(false)
    expect(done([reading('see.change', 'new')], 'prove.change')).toBe(true)
    expect(done([reading('speed.mean', 300)], 'speed.capture')).toBe(true)
  })
  it('steps and readings that tick them exist, with the words that they name', () => {
    for (const [step, by] of Object.entries(SHOWN_BY)) {
      expect(findStep(step), step).not.toBeNull()
      for (const { key, values = [] } of by) {
        const known = findReading(key)
        expect(known, key).not.toBeNull()
        for (const v of values) expect(known!.words, key).toContain(v)
      }
    }
  })
})

describe('the sheet of safety looks', () => {
  it('what “fine” claims is a good answer of its question, and blocks no gate', () => {
    for (const gate of GATES)
      for (const c of gate.conditions) {
        if (!c.fine) continue
        const { finding, question } = findFinding(c.fine)
        expect(question.id).toBe(c.question)
        expect(finding.call, c.fine).toBe('leave')
        expect(c.blockedBy ?? []).not.toContain(c.fine)
      }
  })
  it.each(MECHANISM_IDS)(
    '%s: claiming all of it, and choosing how the supply was verified, opens first power',
    mechanism => {
      let log: LogEntry[] = []
      const at = () => walk({ mechanism, route: 'complaint' }, log, NOW)
      const sheet = safetySheet(at().gates)!
      expect(sheet.gate.gate.id).toBe('first-power')
      const fine = claimable(sheet, true).map(l => l.fine!.id)
      log = fine.map(id => found(id, stationAsking(findFinding(id).question.id) ?? 'look'))
      expect(safetySheet(at().gates)!.gate.gate.id).toBe('first-power')
      log = [...log, found('supply.host', 'electronics')]
      expect(at().gates.find(g => g.gate.id === 'first-power')!.open).toBe(true)
      expect(safetySheet(at().gates)!.gate.gate.id).toBe('insert-disk')
    },
  )
  it('with the covers on nothing behind them is claimed, and the gate stays shut', () => {
    const sheet = safetySheet(complaint().gates)!
    const outside = claimable(sheet, false)
    expect(outside.length).toBeGreaterThan(0)
    expect(outside.some(l => l.inside)).toBe(false)
    expect(outside.length).toBeLessThan(claimable(sheet, true).length)
    const log = outside.map(l => found(l.fine!.id))
    expect(complaint(null, log).gates.find(g => g.gate.id === 'first-power')!.open).toBe(false)
  })
  it('what was found wrong is not claimed away: it stands on the sheet with what to do', () => {
    const sheet = safetySheet(complaint(null, [found('smell.burnt')]).gates)!
    const smell = sheet.looks.find(l => l.question.id === 'smell')!
    expect(smell.found?.id).toBe('smell.burnt')
    expect(claimable(sheet, true)).not.toContain(smell)
  })
})
