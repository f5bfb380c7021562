import { describe, expect, it } from 'vitest'
import { readingEntry } from '../../src/bench/entries'
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

describe('a case from the log of a drive', () => {
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
