import { describe, expect, it } from 'vitest'
import {
  findReading,
  judgeTypedSpeed,
  READINGS,
  recordReading,
  type ReadingInput,
} from '../../../src/diagnosis/readings'
import { readingEntry } from '../../../src/bench/entries'
import { alignOrder } from '../../../src/bench/stations'
import { trimmerHistory } from '../../../src/instruments/spindle'
import { ladderOf } from '../../../src/proof'
import { MECHANISM_IDS } from '../../../src/drives'
import type { LogEntry } from '../../../src/log'
import { driveFacts } from '../../log'

const drive = driveFacts({ mechanism: '5.25in-48' })
const record = (input: ReadingInput) => recordReading(input, drive)
const logged = (input: ReadingInput, seq = 1, of = drive): LogEntry => ({
  ...readingEntry({ id: `r${seq}`, at: '2026-03-01T10:00:00Z', remark: '', ...input }, of),
  seq,
})

describe('a typed speed', () => {
  it('takes two fields: what and how much; the source and its usual uncertainty follow', () => {
    expect(record({ key: 'speed.mean', value: '301' })).toMatchObject({
      title: 'Spindle speed: 301 r/min',
      evidence: { source: 'host', by: 'the host’s own program', recording: null },
      observations: [{ key: 'speed.mean', value: 301, uncertainty: 1, how: 'by the host’s own program' }],
      call: { kind: 'leave', reasons: [expect.stringMatching(/^301 ± 1 r\/min is inside/), expect.anything()] },
    })
  })
  it('the person changes source and uncertainty', () => {
    const strobe = record({ key: 'speed.mean', value: 300, source: 'hand', by: 'a strobe that stands still' })
    expect(strobe.observations[0]).toMatchObject({ uncertainty: 0.9, how: 'by a strobe that stands still' })
    expect(record({ key: 'speed.mean', value: 300, uncertainty: 4 }).data.uncertainty).toBe(4)
    // A source of one's own has no usual uncertainty: half a per cent is taken, never none.
    expect(record({ key: 'speed.mean', value: 300, source: 'said', by: 'the owner' }).data.uncertainty).toBe(1.5)
  })
  // Trade facts (common practice): 8-inch 360 ± 8, and 379 is too fast; a 3-inch drive is left alone from 290 to 310.
  it.each([
    ['8in', 360, 'leave'],
    ['8in', 379, 'nudge'],
    ['8in', 367.8, 'unknown'],
    ['3in', 292, 'leave'],
    ['3in', 290.2, 'unknown'],
    ['3in', 315, 'nudge'],
    ['3.5in', 309, 'mend'],
    ['cartridge', 2941, 'leave'],
  ] as const)('%s at %f ± 1 r/min: %s', (mechanism, rpm, kind) => {
    expect(judgeTypedSpeed(rpm, 1, { mechanism, nominalRpm: null, hasTrimmer: null, motor: null }).kind).toBe(kind)
  })
  it('counts at its weight: ladder, order of work and trimmer take it and say whose word it is', () => {
    const log = [
      logged({ key: 'speed.mean', value: 309 }, 1),
      logged({ key: 'speed.mean', value: 301, movedTurns: -0.25 }, 2),
    ]
    const speed = ladderOf(drive, log).rungs[0]!.tests.find(t => t.test.id === 'speed')!
    expect(speed).toMatchObject({ state: 'passed', says: expect.stringMatching(/Source: the host’s own program\.$/) })
    expect(alignOrder(drive, log).items.find(i => i.id === 'speed')).toMatchObject({
      done: true,
      says: expect.stringContaining('(by the host’s own program)'),
    })
    expect(trimmerHistory(log)).toEqual([
      { rpm: 309, uncertainty: 1, movedTurns: 0 },
      { rpm: 301, uncertainty: 1, movedTurns: -0.25 },
    ])
  })
  it('typed for a simulated drive is of a simulated drive', () => {
    const simulated = { ...drive, simulated: true }
    expect(logged({ key: 'speed.mean', value: 301 }, 1, simulated).evidence!.source).toBe('simulated')
  })
})

describe('counts, levels and volts', () => {
  it('a count keeps its sectors, and one bad disk is not enough evidence', () => {
    const r = record({ key: 'read.upper.inner', value: 7, of: 9 })
    expect(r).toMatchObject({ title: expect.stringMatching(/: 7 of 9$/), data: { count: { good: 7, sectors: 9 } } })
    expect(r.observations[0]).toMatchObject({ value: 77.7778, unit: '% of sectors good' })
    expect(r.call!.kind).toBe('unknown')
    expect(record({ key: 'read.lower.outer', value: 9, of: 9 }).call!.kind).toBe('leave')
  })
  it.each([
    ['supply.5v', 5.02, 'leave'],
    ['supply.5v', 4.74, 'unknown'],
    ['supply.5v', 4.1, 'mend'],
    ['supply.12v', 11.8, 'leave'],
    ['line.index', 'right', 'leave'],
    ['line.index', 'stuck low', 'unknown'],
    ['host.boots', 'at once', 'leave'],
    ['host.boots', 'after some tries', 'unknown'],
    ['sensor.index.lit', 0.15, 'unknown'],
  ])('%s %s: %s', (key, value, kind) => {
    expect(record({ key, value }).call!.kind).toBe(kind)
  })
  it.each<[ReadingInput, RegExp]>([
    [{ key: 'moon', value: 1 }, /^key: there is no reading “moon”/],
    [{ key: 'speed.mean', value: 'fast' }, /^value: Spindle speed: “fast” cannot be/],
    [{ key: 'speed.mean', value: 1e6 }, /a number from 1 to 10000 r\/min/],
    [{ key: 'speed.mean', value: 300, uncertainty: -1 }, /^uncertainty:/],
    [{ key: 'read.upper.inner', value: 7 }, /^of: .* no sectors were tried/],
    [{ key: 'read.upper.inner', value: 10, of: 9 }, /10 of 9 sectors cannot have read/],
    [{ key: 'line.index', value: 'green' }, /cannot be “green”; expected right, still,/],
  ])('%j is refused in a sentence', (input, says) => {
    expect(() => record(input)).toThrow(says)
  })
  it('every reading of the vocabulary can be taken, on every class', () => {
    expect(new Set(READINGS.map(r => r.key)).size).toBe(READINGS.length)
    for (const r of READINGS)
      for (const mechanism of MECHANISM_IDS) {
        const value = r.kind === 'word' ? r.words![0]! : 5
        const of = r.kind === 'count' ? 9 : undefined
        const { call, observations } = recordReading({ key: r.key, value, of }, driveFacts({ mechanism }))
        expect(call!.reasons[0]).toBeTruthy()
        expect(observations[0]!.key).toBe(r.key)
      }
    expect(findReading('moon')).toBeNull()
  })
})
