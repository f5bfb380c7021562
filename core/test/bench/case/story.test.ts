import { describe, expect, it } from 'vitest'
import {
  callOnBench,
  caseMinutes,
  complaintsOf,
  driveCase,
  PROCEDURES,
  stepsOf,
  triedOn,
  wantedBy,
} from '../../../src/bench/case'
import { findStep, walk } from '../../../src/bench/stations'
import { FUNCTIONS } from '../../../src/diagnosis'
import { readingEntry } from '../../../src/bench/entries'
import type { LogEntry } from '../../../src/log'
import { driveFacts, entry, found } from '../../log'

const drive = driveFacts({ mechanism: '3.5in' })
let n = 0
/** A reading on the log, as a page would put it there. */
const read = (key: string, value: string | number, source?: 'said' | 'hand', of?: number): LogEntry =>
  entry({
    ...readingEntry(
      { id: `r${++n}`, at: '2026-03-01T10:00:00Z', remark: '', key, value, ...(source ? { source } : {}), of },
      drive,
    ),
  })
const NOW = Date.parse('2026-03-02T10:00:00Z')
const caseOf = (log: LogEntry[]) => driveCase(drive, log, walk(drive, log, NOW))

describe('what became of a complaint', () => {
  const said = read('complaint.reads-nothing', 'seen', 'said')
  it('is told, then seen here, then gone: the last word counts, and taking it back opens it again', () => {
    const state = (log: LogEntry[]) => complaintsOf(drive, log).map(c => [c.state, c.seen])
    expect(state([said])).toEqual([['open', 'told']])
    const here = read('complaint.reads-nothing', 'seen', 'hand')
    expect(state([said, here])).toEqual([['open', 'seen here']])
    const gone = read('complaint.reads-nothing', 'cured', 'hand')
    expect(state([said, here, gone])).toEqual([['cured', 'seen here']])
    const back = entry({ kind: 'taken-back', takesBack: gone.id })
    expect(state([said, here, gone, back])).toEqual([['open', 'seen here']])
  })
  it('names cause, cure and proof where a cure that held shows them', () => {
    const log = [
      said,
      read('speed.mean', 300),
      read('read.lower.outer', 0, undefined, 18),
      found('headclean.brown', 'clean'),
      read('after.clean.heads', 'cures'),
      read('read.lower.outer', 18, undefined, 18),
      read('complaint.reads-nothing', 'cured', 'hand'),
    ]
    const [story] = complaintsOf(drive, log)
    expect(story!.cause?.fault).toMatch(/^(?:lower|upper)-head\.dirty$/)
    expect(story!.cure).toMatchObject({ proved: true })
    expect(story!.proof).toEqual(['Sectors read, lower head, outer tracks: 18 of 18'])
    expect(triedOn(drive, log).map(t => t.kind)).toEqual(['check', 'check', 'found', 'done', 'check'])
    // Mended: nothing is proposed any more, and the call is to leave it.
    const { diagnosis, complaints } = caseOf(log)
    expect(complaints).toEqual([])
    expect(diagnosis.mendNow).toBeNull()
    expect(diagnosis.causes[0]!.left).toBeLessThan(0.5)
    expect(diagnosis.works.find(w => w.id === 'read-lower')!.state).toBe('works')
  })
  it('says that the cause is not known where it went by itself, or after a cleaning that nobody tried out', () => {
    const gone = () => read('complaint.reads-nothing', 'cured', 'hand')
    expect(complaintsOf(drive, [said, gone()])[0]).toMatchObject({ cause: null, cure: null })
    const cleaned = entry({ kind: 'step', station: 'clean', data: { type: 'step', step: 'clean.heads' } })
    const [story] = complaintsOf(drive, [said, cleaned, gone()])
    expect(story).toMatchObject({ cause: null, cure: { proved: false } })
    expect(story!.says).toContain('cause not known')
  })
  it('asks for the complaint itself once something cured, on the case and on the bench', () => {
    const log = [said, read('after.clean.heads', 'cures')]
    const one = caseOf(log)
    expect(one.toSettle).toEqual(['reads-nothing'])
    expect(callOnBench('mend', one)).toBe('unknown')
    expect(callOnBench('stop', one)).toBe('stop')
    expect(wantedBy(one)!.title).toContain('Try it again')
    expect(caseOf([...log, read('complaint.reads-nothing', 'seen', 'hand')]).toSettle).toEqual([])
  })
  it('asks for it too once something made it better, and not after what changed nothing', () => {
    for (const [answer, asked] of [
      ['better', ['reads-nothing']],
      ['same', []],
      ['worse', []],
    ] as const)
      expect(caseOf([said, read('swap.disk', answer)]).toSettle).toEqual(asked)
  })
  it('puts the safety looks first where the best check lies behind them, and not where something forbids it', () => {
    const one = caseOf([said])
    expect(one.looksFirst).toBe(true)
    expect(wantedBy(one)!.title).toMatch(/safety looks: first power/i)
    expect(caseOf([said, found('smell.burnt')]).looksFirst).toBe(false)
  })
})

describe('the procedure of a function', () => {
  it('every function of the model has one, of steps that there are', () => {
    for (const f of FUNCTIONS) {
      expect(PROCEDURES[f.id]?.length, f.id).toBeGreaterThan(0)
      for (const id of PROCEDURES[f.id]!) expect(findStep(id), id).not.toBeNull()
    }
  })
  it('only steps that the drive has are shown', () => {
    const cartridge = walk({ mechanism: 'cartridge' }, [], NOW)
    expect(stepsOf('head-lower', cartridge).map(s => s.step.id)).toContain('clean.heads-servo')
    expect(stepsOf('head-lower', cartridge).map(s => s.step.id)).not.toContain('clean.heads')
  })
})

describe('the minutes that a case is expected to take', () => {
  it('are none without a complaint, those of the cure once it is known, and few where it is only to be tried', () => {
    expect(caseMinutes(caseOf([]))).toBe(0)
    const said = read('complaint.no-eject', 'seen', 'said')
    const open = caseMinutes(caseOf([said]))
    expect(open).toBeGreaterThan(10)
    const eject = driveFacts({ mechanism: '3.5in-eject' })
    const log = [said, found('gears.teeth')]
    const known = driveCase(eject, log, walk(eject, log, NOW))
    expect(known.diagnosis.cure).not.toBeNull()
    expect(caseMinutes(known)).toBe(known.diagnosis.cure!.minutes + 3)
    const cured = [read('complaint.reads-nothing', 'seen'), read('after.clean.heads', 'cures')]
    expect(caseMinutes(caseOf(cured))).toBe(3)
  })
})
