import { describe, expect, it } from 'vitest'
import { nextOf, walk } from '../../../src/bench/stations'
import { driveFacts } from '../../log'
import type { LogEntry } from '../../../src/log'

const found = (id: string, seq: number): LogEntry => ({
  id: `f${seq}`,
  seq,
  driveId: 'd',
  at: '2026-11-27T10:00:00.000Z',
  kind: 'finding',
  station: 'receive',
  title: id,
  detail: '',
  call: null,
  observations: [],
  evidence: null,
  data: { type: 'finding', finding: id, place: null },
  takesBack: null,
})
const drive = driveFacts({ mechanism: '3.5in' })
const next = (log: LogEntry[], wanted?: { title: string; reason: string; minutes: number }) =>
  nextOf({ ...drive, log, way: walk(drive, log, Date.parse('2026-11-27T11:00:00Z')), wanted })!.thing
const wanted = { title: 'Clean the heads and try again', reason: 'One side does not read.', minutes: 11 }

describe('what the bench asks for first', () => {
  it('a stop asks for what is to be done about it, before a step that only writes down, and before a complaint', () => {
    const smoke = next([found('smell.burnt', 1)], wanted)
    expect(smoke.title).toMatch(/dark spot/)
    expect(smoke.reason).toMatch(/^Smell: burnt/)
  })
  it('where the next step is about the stop, that step is asked for', () => {
    expect(next([found('disk.data', 1)]).title).toMatch(/^Rescue the disk/)
  })
  it('an open complaint asks for its best check or cure; without one the steps go on', () => {
    expect(next([], wanted)).toMatchObject(wanted)
    expect(next([]).title).not.toBe(wanted.title)
  })
})
