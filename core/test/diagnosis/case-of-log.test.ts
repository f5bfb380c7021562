import { describe, expect, it } from 'vitest'
import { readingEntry, readTestEntry } from '../../src/bench/entries'
import { driveCase, hasComplaint, wantedBy } from '../../src/bench/case'
import { walk } from '../../src/bench/stations'
import { caseOfLog } from '../../src/diagnosis'
import { CASE_READINGS, findReading } from '../../src/diagnosis/readings'
import { driveFacts } from '../log'
import type { LogEntry } from '../../src/log'

const drive = driveFacts({ mechanism: '3.5in' })
let seq = 0
const read = (key: string, value: string | number, more: object = {}): LogEntry => ({
  ...readingEntry({ id: `r${seq}`, at: '2026-11-27T10:00:00.000Z', remark: '', key, value, ...more }, drive),
  seq: ++seq,
})
const caseOf = (...log: LogEntry[]) => driveCase(drive, log, walk(drive, log, 0))

/** A surface in which one head reads everything, at a margin, and the other at another. */
const surface = (lower: number, upper: number, good = 9, homeOff = 0): LogEntry => ({
  ...readTestEntry(
    {
      id: `t${seq}`,
      at: '2026-11-27T10:00:00.000Z',
      remark: '',
      station: 'align',
      disk: null,
      recording: { sha: 'a'.repeat(64), name: 'a.vcd' },
      read: null,
      simulated: null,
    },
    drive,
    {
      call: { kind: 'leave', reasons: ['Read.'], next: 'Go on.' },
      observations: [],
      bars: [0, 40, 79].flatMap(cylinder =>
        ([0, 1] as const).map(head => ({
          cylinder,
          head,
          margin: head ? upper : lower,
          good,
          bad: 9 - good,
          missing: 0,
          wrongCylinder: 0,
        })),
      ),
      facts: { homeOff, rateOff: null, swings: [null, null] },
      shows: [{ key: 'see.change', value: 'last', unit: '' }],
      good: 54,
      sectors: 54,
    },
  ),
  seq: ++seq,
})

describe('a case from the log of a drive', () => {
  it('a recorded surface tells sectors, margins where all of them read, and what the lines show', () => {
    const told = (e: LogEntry) => new Map(caseOfLog(drive, [e]).readings.map(r => [r.key, r.value]))
    const read = told(surface(0.6, 0.1))
    expect(read.get('read.upper.inner')).toBe(100)
    expect(read.get('margin.lower.inner')).toBeCloseTo(60)
    expect(read.get('margin.upper.inner')).toBeCloseTo(10)
    expect(read.get('see.change')).toBe('last')
    expect(told(surface(0.6, 0.1, 5)).has('margin.upper.inner')).toBe(false)
    expect(read.has('see.header')).toBe(false)
    expect(told(surface(0.6, 0.6, 9, 1)).get('see.header')).toBe('other')
    const suspects = (e: LogEntry) => driveCase(drive, [e], walk(drive, [e], 0)).diagnosis.causes.map(c => c.fault)
    const onlyMargins = { ...surface(0.6, 0.1), data: { ...surface(0.6, 0.1).data!, shows: [] } } as LogEntry
    expect(suspects(onlyMargins)[0]).toBe('upper-head.dirty')
  })
  it('every reading that the engine takes can be typed, and is evidence by its key', () => {
    for (const r of CASE_READINGS) {
      expect(findReading(r.key)).toBe(r)
      const entry = read(r.key, r.kind === 'word' ? r.words![0]! : 1)
      expect(entry.observations[0]!.key).toBe(r.key)
      expect(() => caseOf(entry), r.key).not.toThrow()
    }
  })
  it('a complaint is open until it is cured or not seen; the latest word counts', () => {
    const seen = read('complaint.reads-nothing', 'seen')
    expect(seen.call).toBeNull()
    expect(caseOf(seen).complaints).toEqual(['reads-nothing'])
    expect(hasComplaint(drive, [seen])).toBe(true)
    const cured = [seen, read('complaint.reads-nothing', 'cured')]
    expect(caseOf(...cured).complaints).toEqual([])
    expect(hasComplaint(drive, cured)).toBe(false)
    const again = [...cured, read('complaint.reads-nothing', 'now and then')]
    expect(caseOf(...again).complaints).toEqual(['reads-nothing'])
  })
  it('counted sectors become the share of a zone, with where they came from', () => {
    const log = [read('complaint.reads-one-side', 'seen'), read('read.upper.inner', 3, { of: 9 })]
    const reading = caseOfLog(drive, log).readings.find(r => r.key === 'read.upper.inner')!
    expect(reading.value).toBeCloseTo(100 / 3, 2)
    expect(reading.source).toBe('host')
  })
  it('behind a closed safety gate nothing that needs power is proposed', () => {
    const { diagnosis, held } = caseOf(read('complaint.no-spin', 'seen'))
    expect(held?.gate.id).toBe('first-power')
    expect(diagnosis.next.length).toBeGreaterThan(0)
    for (const n of diagnosis.next) expect(n.check).not.toMatch(/^(?:see\.(?:spin|motor-runs)|supply|line)/)
  })
  it('asks for one thing: the best check, or the cure; nothing where nobody complains', () => {
    expect(wantedBy(caseOf())).toBeNull()
    const asked = caseOf(read('complaint.reads-one-side', 'seen'))
    expect(wantedBy(asked)!.title).toBe(asked.diagnosis.next[0]!.title)
  })
})
