import { describe, expect, it } from 'vitest'
import { alignOrder, beforeSweep } from '../../../src/bench/stations'
import type { CallKind, Observation } from '../../../src/base/observations'
import {
  upgradeEntry,
  type EntryData,
  type LogEntry,
  type ReadTestEntryData,
  type SweepEntryData,
} from '../../../src/log'

let seq = 0
const entry = (data: EntryData | null, more: Partial<LogEntry> = {}): LogEntry => ({
  id: `e${++seq}`,
  seq,
  driveId: 'd',
  at: '2026-01-01T00:00:00Z',
  kind: 'measurement',
  station: 'align',
  title: '',
  detail: '',
  call: null,
  observations: [],
  evidence: null,
  data,
  takesBack: null,
  ...more,
})
const call = (kind: CallKind) => ({ kind, reasons: ['It is so.'] as [string], next: 'Continue with the next step.' })
const finding = (id: string, place: string | null = null) =>
  entry({ type: 'finding', finding: id, place }, { kind: 'finding', call: null })
const speed = (kind: CallKind) =>
  entry(
    {
      type: 'speed',
      rpm: 300,
      uncertainty: 0.1,
      movedTurns: 0,
      captureSha: '',
      captureName: '',
      channel: '',
      pulsesPerTurn: 1,
      pulsesGiven: false,
      evenMarks: false,
      read: {},
      nominalRpm: 300,
    },
    { call: call(kind) },
  )
/** What the observations of a surface said beside its tracks, as the log keeps it now. */
const factsIn = (observations: Observation[]) =>
  (upgradeEntry({ kind: 'measurement', data: { type: 'read-test', bars: [] }, observations }).data as ReadTestEntryData)
    .surface
/** Margins of a surface by their mean, %: inner tracks lie closer and have less of it. */
const bars = (lower: number, upper: number) =>
  Array.from({ length: 8 }, (_, i) =>
    ([0, 1] as const).map(head => ({
      cylinder: i * 11,
      head,
      margin: ((head ? upper : lower) + (3.5 - i) * 2.5) / 100,
      good: 9,
      bad: 0,
      missing: 0,
      wrongCylinder: 0,
    })),
  ).flat()
const test = (lower: number, upper: number, disk: string | null, observations: Observation[] = []) =>
  entry(
    {
      type: 'read-test',
      bars: bars(lower, upper),
      surface: factsIn(observations),
      captureSha: 'x',
      captureName: 'x',
      read: { mapping: {}, inverted: false, code: 'auto', trusted: false },
      simulated: null,
      disk,
    },
    { call: call('leave'), observations },
  )
const sweep = (part: Partial<SweepEntryData>, kind: CallKind = 'nudge') =>
  entry(
    {
      type: 'sweep',
      adjuster: 'upper',
      scale: 'marks',
      travel: [-10, 10],
      stood: 0,
      umPerUnit: null,
      rows: [],
      setTo: null,
      recheck: null,
      disk: null,
      ...part,
    },
    { call: call(kind) },
  )
const order = (...log: LogEntry[]) => alignOrder({ mechanism: '3.5in', simulated: false }, log, disk => disk === 'good')
const done = (...log: LogEntry[]) =>
  order(...log)
    .items.filter(i => i.done)
    .map(i => i.id)

describe('the order of work at Align', () => {
  it('begins with clean heads and the right speed', () => {
    expect(done()).toEqual([])
    expect(beforeSweep(order(), 'upper').stops).toEqual([
      'The heads were not cleaned yet.',
      'The speed was not measured.',
    ])
    expect(beforeSweep(order(finding('headclean.clean'), speed('nudge')), 'upper').stops).toHaveLength(1)
    expect(beforeSweep(order(finding('headclean.clean'), speed('leave')), 'upper').stops).toEqual([])
  })
  it('a disk counts as trusted by the shelf, not by hope', () => {
    expect(done(test(70, 70, 'good'))).toContain('disk')
    expect(done(test(70, 70, 'other'))).not.toContain('disk')
    expect(
      beforeSweep(order(finding('headclean.clean'), speed('leave'), test(70, 70, 'good')), 'upper').says.join(' '),
    ).toMatch(/The evidence says to leave it/)
  })
  it('swept, set, tightened, read, sealed', () => {
    const before = [finding('headclean.clean'), speed('leave')]
    expect(done(...before, sweep({}))).toEqual(['clean', 'speed'])
    expect(done(...before, sweep({ setTo: 1 }))).toContain('sweep')
    const checked = sweep({ setTo: 1, recheck: { position: 1, zones: [] } }, 'leave')
    expect(done(...before, checked)).toEqual(expect.arrayContaining(['sweep', 'recheck']))
    expect(done(...before, checked, finding('lacquer.renewed', 'upper head screws'))).toContain('seal')
    expect(
      done(
        ...before,
        finding('lacquer.renewed', 'upper head screws'),
        sweep({ setTo: 1, recheck: { position: 1, zones: [] } }, 'leave'),
      ),
    ).not.toContain('seal')
  })
  it('one adjuster at a time, the sensor before the heads, sealed ones said: gently', () => {
    const says = (adjuster: 'upper' | 'lower' | 'sensor', ...log: LogEntry[]) =>
      beforeSweep(order(...log), adjuster).says.join(' ')
    expect(says('lower', sweep({}))).toMatch(/One adjuster at a time: the sweep of the upper head was not finished/)
    expect(says('upper', sweep({}))).not.toMatch(/One adjuster/)
    const home: Observation = { key: 'surface.home', label: '', value: 1, unit: 'cylinders', how: '' }
    expect(says('upper', speed('leave'), finding('headclean.clean'), test(72, 72, 'good', [home]))).toMatch(
      /The sensor before the heads/,
    )
    expect(says('upper', finding('lacquer.whole', 'upper head screws'))).toMatch(/Its seal is intact/)
  })
  it('a sweep that was taken back is none', () => {
    const s = sweep({ setTo: 1 })
    expect(done(s, entry(null, { kind: 'taken-back', takesBack: s.id }))).not.toContain('sweep')
  })

  // Common practice, no source: the sensor before the heads, one adjuster at a time.
  it('two adjusters that were moved: the sensor by the lower head, then the upper by its own screws', () => {
    const moved = order(finding('lacquer.broken', 'track-zero sensor'), finding('lacquer.broken', 'upper head screws'))
    expect(moved.plan.map(p => [p.adjuster, p.by])).toEqual([
      ['sensor', 'lower'],
      ['upper', 'upper'],
    ])
    expect(beforeSweep(moved, 'sensor').says.join(' ')).toContain('by the lower head alone')
    expect(order(finding('lacquer.broken', 'upper head screws')).plan).toEqual([])
    // Marred screws are a broken seal where none was seen whole beside them.
    const marred = order(finding('lacquer.broken', 'track-zero sensor'), finding('screws.marred', 'upper head screws'))
    expect(marred.plan).toHaveLength(2)
  })
  it('a safety gate that was overridden in writing is not closed again here', () => {
    const passed = order(
      entry({ type: 'override', gate: 'touch-sealed', missing: [] }, { detail: 'Moved by the owner.' }),
    )
    const { stops, says } = beforeSweep(passed, 'upper')
    expect(stops).toEqual([])
    expect(says).toContain('The heads were not cleaned yet.')
  })
})
