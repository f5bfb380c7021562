import { describe, expect, it } from 'vitest'
import {
  calculatorEntry,
  composeEntry,
  crossReadEntry,
  hostFitEntry,
  proofEntry,
  readTestEntry,
  speedEntry,
  sweepEntry,
  writeTestEntry,
} from '../../../src/bench/entries'
import { DRIVES, HOSTS } from '../../../src/drives/hosts'
import { pulsesFromEdges, speedFromPulses } from '../../../src/instruments/spindle'
import type { LogEntry, NewEntry, SweepEntryData, WriteTestResult } from '../../../src/log'
import { supportingEntries } from '../../../src/log'
import { ladderOf } from '../../../src/proof'
import { SimulatedPickup } from '../../../src/simulator'
import { barsOf, driveFacts, found, NO_FACTS } from '../../log'

const SHA = 'cd'.repeat(32)
const real = driveFacts({ mechanism: '3.5in' })
const simulated = { ...real, simulated: true }
const sent = { id: 'e', at: '2026-03-01T10:00:00Z', remark: 'as it was' }
const kept = (entry: NewEntry, seq = 1): LogEntry => ({ ...entry, seq })

const pickup = new SimulatedPickup({ seed: 3, rpm: 300.4 })
pickup.advanceTo(20)
const judged = speedFromPulses(pulsesFromEdges(pickup.edges()), {}, { mechanism: '3.5in', school: 'leave-alone' })
const speedInput = {
  ...sent,
  movedTurns: 0,
  evenMarks: false,
  read: {},
  recording: { sha: SHA, name: 'a.vcd' },
  simulated: false,
}
const speed = (drive = real, part: object = {}) =>
  speedEntry({ ...speedInput, ...part }, drive, { ...judged, channel: 'INDEX' })

const surface = {
  call: { kind: 'leave' as const, reasons: ['All read.'], next: 'Go on.' },
  observations: [{ key: 'surface.good', label: 'Sectors good', value: 1440, unit: '', how: 'of 1440' }],
  bars: barsOf(0.7),
  facts: NO_FACTS,
  good: 1440,
  sectors: 1440,
}
const readTest = (drive = real, recording: { sha: string; name: string } | null = { sha: SHA, name: 'bus.vcd' }) =>
  readTestEntry(
    {
      ...sent,
      station: 'prove',
      disk: 'good',
      recording,
      read: { mapping: {}, inverted: false, code: 'auto', trusted: false },
      simulated: recording ? null : { mechanism: '3.5in', story: 'sound' },
    },
    drive,
    surface,
  )
const trusts = (disk: string) => disk === 'good'

describe('a measurement keeps where it came from', () => {
  it('a speed and a read test keep their recording’s hash', () => {
    expect(speed()).toMatchObject({ evidence: { source: 'recording', recording: SHA }, detail: 'as it was' })
    expect(readTest()).toMatchObject({ evidence: { source: 'recording', recording: SHA }, data: { captureSha: SHA } })
  })
  it('what the simulated pickup or drive did is simulated, and keeps its recording where it has one', () => {
    expect(speed(real, { simulated: true }).evidence).toEqual({ source: 'simulated', by: 'Speed', recording: SHA })
    expect(readTest(real, null).evidence).toEqual({ source: 'simulated', by: 'Read test', recording: null })
  })
  it('whatever is measured on a simulated drive is of a simulated drive', () => {
    const entries = [
      speed(simulated),
      readTest(simulated),
      calculatorEntry(
        { ...sent, instrument: 'lead', values: { length: '1 m', wire: '20 AWG', current: '1' } },
        simulated,
      ),
      proofEntry({ ...sent, test: 'format', sectors: 1440, errors: 0, reader: null }, simulated, () => ''),
    ]
    expect(entries.map(e => e.evidence!.source)).toEqual(Array.from({ length: 4 }, () => 'simulated'))
  })
  it('supports a claim about a real drive only where it is not simulated', () => {
    const log = [kept(speed(), 1), kept(readTest(real, null), 2)]
    expect(supportingEntries(log, real).map(e => e.seq)).toEqual([1])
    expect(supportingEntries(log, simulated)).toHaveLength(2)
    const read = (drive: typeof real, entry: NewEntry) =>
      ladderOf(drive, [kept(entry)], trusts).rungs.find(r => r.id === 'trusted')!.tests[0]!
    expect(read(real, readTest()).state).toBe('passed')
    expect(read(real, readTest(real, null)).state).toBe('not done')
    expect(read(simulated, readTest(simulated, null))).toMatchObject({
      state: 'passed',
      says: expect.stringMatching(/Source: the simulated drive\.$/),
    })
  })
  it('a calculator and a host fit are worked out here, from what was typed', () => {
    const values = { length: '1 m', wire: '20 AWG', current: '1', colour: 'red' }
    const lead = calculatorEntry({ ...sent, instrument: 'lead', values }, real)
    expect(lead).toMatchObject({ evidence: { source: 'instrument' }, data: { type: 'sum', instrument: 'lead' } })
    expect(lead.data).not.toHaveProperty('values.colour')
    const fit = hostFitEntry({ ...sent, host: HOSTS[0], drive: DRIVES[0], cable: 'straight' }, real)
    expect(fit).toMatchObject({ evidence: { source: 'instrument', by: 'Host fit' }, station: 'electronics' })
    expect(() => hostFitEntry({ ...sent, host: DRIVES[0], drive: DRIVES[0], cable: 'straight' }, real)).toThrow(
      /a profile of a host/,
    )
  })
})

describe('counts from a host’s program', () => {
  const proof = (part: object = {}) =>
    proofEntry({ ...sent, test: 'format', sectors: 1440, errors: 0, reader: null, ...part }, real, id => `tag of ${id}`)
  it('carry the bound that they allow (rule of three: about 3 in 1440)', () => {
    const entry = proof()
    expect(entry.evidence!.source).toBe('host')
    expect(entry.observations[1]!.value).toBeCloseTo(100 * (1 - 0.05 ** (1 / 1440)), 2)
  })
  it('and name the drive that read them', () => {
    expect(proof({ test: 'interchange', reader: 'w' }).call!.reasons[0]).toContain('read in tag of w')
  })
  it.each([
    [{ errors: 1441 }, /1441 of 1440 sectors cannot have failed/],
    [{ test: 'interchange' }, /the drive that read it is left out/],
    [{ test: 'interchange', reader: 'd' }, /a drive that reads its own writing/],
  ])('%j is refused', (part, says) => {
    expect(() => proof(part)).toThrow(says)
  })

  const place = { head: 0 as const, zone: 'outer' as const, good: 9, sectors: 9 }
  const disk = { id: 'a', name: 'Harbour A', mechanism: '3.5in' }
  it('a disk of the shelf keeps each place under its name', () => {
    const places = [{ ...place, head: 1 as const, good: 7 }, place]
    const entry = crossReadEntry({ ...sent, places }, real, disk)
    expect(entry).toMatchObject({
      title: 'Harbour A read: 16 of 18 sectors',
      call: { kind: 'unknown' },
      evidence: { source: 'host' },
      data: { places: [{ head: 0 }, { head: 1, good: 7 }] },
    })
  })
  it.each([
    [[place, place], disk, /lower head, outer is given twice/],
    [[{ ...place, good: 10 }], disk, /10 of 9 sectors cannot have read/],
    [[place], { ...disk, mechanism: '8in' }, /does not go into SK-05/],
  ])('%j of %j is refused', (places, of, says) => {
    expect(() => crossReadEntry({ ...sent, places }, real, of)).toThrow(says)
  })

  const nothing: WriteTestResult = {
    blocked: null,
    allowed: null,
    format: [null, null],
    tracks: null,
    formatS: null,
    first: null,
    last: null,
    pattern: [null, null],
    overwrite: [null, null],
    homeAfter: null,
  }
  it('a write test is judged here, and one in which nothing was tried is none', () => {
    const result = { ...nothing, blocked: true, allowed: true }
    expect(writeTestEntry({ ...sent, result }, real)).toMatchObject({ evidence: { source: 'host' }, data: { result } })
    expect(() => writeTestEntry({ ...sent, result: nothing }, real)).toThrow(/nothing was tried/)
    const more = { ...nothing, first: { good: 10, sectors: 9 } }
    expect(() => writeTestEntry({ ...sent, result: more }, real)).toThrow(/first cylinder: 10 of 9/)
  })
})

describe('a sweep', () => {
  const row = (position: number, good: number, margin?: number) => ({
    position,
    side: 'below' as const,
    lower: { good, expected: 9, ...(margin === undefined ? {} : { margin }) },
    upper: null,
    struck: false,
  })
  const sweep = (rows: SweepEntryData['rows']): SweepEntryData => ({
    type: 'sweep',
    adjuster: 'upper',
    scale: 'marks',
    travel: [-10, 10],
    stood: 0,
    umPerUnit: null,
    rows,
    setTo: null,
    recheck: null,
    disk: null,
  })
  const ready = [found('headclean.clean', 'clean'), kept(speed(), 900)]
  it('waits for clean heads and the right speed', () => {
    const input = { ...sent, simulated: false, sweep: sweep([row(0, 9)]) }
    expect(() => sweepEntry(input, real, [], () => null)).toThrow(/before a sweep: the heads were not cleaned yet/)
    expect(sweepEntry(input, real, ready, () => null).station).toBe('align')
  })
  it.each([
    ['counted by a host’s program', [row(0, 9)], false, 'host'],
    ['read from recordings, with margins', [row(0, 9, 0.5)], false, 'recording'],
    ['read on the simulated drive', [row(0, 9, 0.5)], true, 'simulated'],
    ['read by a board', [{ ...row(0, 9, 0.5), source: 'instrument' as const }], false, 'instrument'],
    [
      'read by a board, and one counted by a host',
      [{ ...row(0, 9, 0.5), source: 'instrument' as const }, row(2, 9)],
      false,
      'host',
    ],
  ] as const)('%s', (_, rows, isSimulated, source) => {
    const entry = sweepEntry({ ...sent, simulated: isSimulated, sweep: sweep(rows) }, real, ready, () => null)
    expect(entry.evidence!.source).toBe(source)
  })
})

describe('what is said by hand', () => {
  const say = (finding: object) =>
    composeEntry(
      { id: 'f', at: sent.at, kind: 'finding', station: 'look', title: '', detail: '', finding },
      real,
      () => [],
      () => ({ sha: SHA, width: 1, height: 1 }),
    )
  it('a tile is by eye, ear or finger; a typed number is by a meter; a note measures nothing', () => {
    expect(say({ finding: 'protect.both' }).evidence).toMatchObject({ source: 'hand' })
    expect(say({ question: 'shorts', value: 3 }).evidence).toMatchObject({ source: 'meter' })
    const note = { id: 'n', at: sent.at, kind: 'note', station: 'look', title: 'Smells', detail: '' } as const
    expect(
      composeEntry(
        note,
        real,
        () => [],
        () => ({ sha: SHA, width: 1, height: 1 }),
      ).evidence,
    ).toBeNull()
  })
})
