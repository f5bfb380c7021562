import { describe, expect, it } from 'vitest'
import { formatObservation } from '../../src/base/observations'
import type { LogEntry, DriveFacts } from '../../src/log'
import { bestNext, progressOf, STATIONS, walk } from '../../src/bench/stations'
import { trimmerHistory } from '../../src/instruments/spindle'
import { buildCertificate } from '../../src/release'
import { found, marked, putBack, undone, withData } from '../log'

const drive: DriveFacts = {
  id: 'd1',
  tag: 'SK-05',
  simulated: false,
  mechanism: '5.25in-48',
  maker: 'Fennick',
  model: '40B',
  serial: '',
  host: 'tide logger',
  ownerWords: 'Reads its own disks only.',
  features: null,
  account: null,
  nominalRpm: null,
  motor: null,
  hasTrimmer: null,
  pulleys: null,
  year: null,
  goal: null,
  practice: null,
  route: 'complaint',
  receivedAt: '2026-03-01T10:00:00Z',
}

let seq = 0
function entry(part: Partial<LogEntry>): LogEntry {
  seq++
  return {
    id: `e${seq}`,
    seq,
    driveId: 'd1',
    at: `2026-03-01T10:${String(seq % 60).padStart(2, '0')}:00Z`,
    kind: 'note',
    station: 'speed',
    title: 'note',
    detail: '',
    call: null,
    observations: [],
    evidence: null,
    data: null,
    takesBack: null,
    ...part,
  }
}

function reading(
  rpm: number,
  movedTurns: number,
  kind: 'leave' | 'nudge' | 'unknown' = 'nudge',
  simulated = false,
): LogEntry {
  return entry({
    kind: 'measurement',
    title: 'Spindle speed',
    call: { kind, reasons: ['because'], next: 'go on' },
    observations: [
      { key: 'speed.mean', label: 'Spindle speed', value: rpm, unit: 'r/min', uncertainty: 0.2, how: '150 turns' },
      { key: 'speed.variation.peak', label: 'Variation', value: 0.31, unit: '%', how: '150 turns' },
    ],
    evidence: { source: simulated ? 'simulated' : 'recording', by: 'Speed', recording: 'ab'.repeat(32) },
    data: {
      type: 'speed',
      rpm,
      uncertainty: 0.2,
      movedTurns,
      captureSha: 'ab'.repeat(32),
      captureName: 'a.vcd',
      channel: 'INDEX',
      pulsesPerTurn: 1,
      pulsesGiven: false,
      evenMarks: false,
      read: {},
      nominalRpm: 300,
    },
  })
}

describe('progress from the log', () => {
  it('stands at the first station that is not finished', () => {
    const log = [
      entry({ kind: 'station', station: 'receive' }),
      entry({ kind: 'station', station: 'look' }),
      entry({ kind: 'step', station: 'open', data: { type: 'step', step: 'open.photo' } }),
    ]
    const progress = progressOf(log)
    expect(progress.current).toBe('open')
  })

  it('takes back without erasing', () => {
    const done = entry({ kind: 'station', station: 'receive' })
    const log = [done, entry({ kind: 'taken-back', station: 'receive', takesBack: done.id })]
    expect(progressOf(log).done.size).toBe(0)
    expect(log).toHaveLength(2)
  })

  it('puts the dangerous first, then the quick, and leaves out what has left', () => {
    const speedy = STATIONS.slice(0, 7).map(s => entry({ kind: 'station', station: s.id }))
    const drives = [
      { id: 'a', tag: 'A', mechanism: '5.25in-48' as const, log: [] },
      { id: 'b', tag: 'B', mechanism: '5.25in-48' as const, log: [...speedy, reading(309, 0)] },
      {
        id: 'c',
        tag: 'C',
        mechanism: '5.25in-48' as const,
        log: [
          entry({
            station: 'receive',
            kind: 'finding',
            call: { kind: 'stop', reasons: ['It clicks.'], next: 'Quarantine it.' },
            data: { type: 'finding', finding: 'disk.data', place: null },
          }),
        ],
      },
      {
        id: 'd',
        tag: 'D',
        mechanism: '5.25in-48' as const,
        log: [entry({ kind: 'released', station: 'release', data: { type: 'release', outcome: 'released' } })],
      },
    ].map(d => ({ ...d, way: walk(d, d.log, Date.parse('2026-03-01T12:00:00Z')) }))
    expect(bestNext(drives).map(n => n.tag)).toEqual(['C', 'B', 'A'])
    expect(bestNext(drives)[1]).toMatchObject({ title: 'Speed: nudge it', reason: 'because go on' })
  })

  it('reads the trimmer’s history, without what was taken back', () => {
    const wrong = reading(400, 0)
    const log = [reading(317.5, 0), wrong, entry({ kind: 'taken-back', takesBack: wrong.id }), reading(313.4, -0.125)]
    expect(trimmerHistory(log)).toEqual([
      { rpm: 317.5, uncertainty: 0.2, movedTurns: 0 },
      { rpm: 313.4, uncertainty: 0.2, movedTurns: -0.125 },
    ])
  })
})

describe('certificate', () => {
  it('says as found, as left, what was shown and what was not', () => {
    const log = [
      reading(317.5, 0),
      entry({ kind: 'step', title: 'Trimmed' }),
      reading(300.2, -0.5, 'leave'),
      entry({
        kind: 'released',
        station: 'release',
        detail: 'Sealed.',
        data: { type: 'release', outcome: 'released' },
      }),
    ]
    const c = buildCertificate(drive, log, 'Skerrow', '2026-03-02T00:00:00Z')
    expect(c.state).toBe('released')
    expect(c.remark).toBe('Sealed.')
    expect(c.asFound.speed?.value).toBe('317.5 ± 0.2 r/min')
    expect(c.asLeft.speed?.value).toBe('300.2 ± 0.2 r/min')
    expect(c.shown).toEqual([
      'The spindle turned at 300.2 ± 0.2 r/min when last measured, varying by 0.31 % zero to peak as far as its pickup can see.',
    ])
    expect(c.notShown.join()).toMatch(/no instrument has measured that here.*Stations not finished: Receive, Look/s)
    expect(c.cautions).toEqual([])
    expect(c.logHead).toMatchObject({ seq, entries: 4 })
  })

  it('claims nothing without a measurement, from an undecided one, or from a simulated one', () => {
    expect(buildCertificate(drive, [], 'S', '').shown).toEqual([])
    expect(buildCertificate(drive, [reading(300, 0, 'unknown')], 'S', '').notShown[0]).toMatch(
      /not measured surely enough/,
    )
    const c = buildCertificate(drive, [reading(300, 0, 'leave', true)], 'S', '')
    expect(c).toMatchObject({
      shown: [],
      asLeft: { speed: null },
      measurements: [{ source: 'simulated', simulated: true }],
    })
  })

  it('of a simulated drive says so throughout', () => {
    const c = buildCertificate({ ...drive, simulated: true }, [reading(300, 0, 'leave', true)], 'S', '')
    expect(c.drive.simulated).toBe(true)
    expect(c.measurements.every(m => m.simulated)).toBe(true)
    expect(c.asLeft.speed).toMatchObject({ simulated: true })
    expect(c.notShown[0]).toMatch(/software model/)
  })

  it('carries each measurement with its source and its recording, and a test that passed by itself', () => {
    const recorded = reading(300, 0, 'leave')
    const typed = entry({
      kind: 'measurement',
      call: { kind: 'leave', reasons: ['inside'], next: 'go on' },
      observations: [
        {
          key: 'speed.mean',
          label: 'Spindle speed',
          value: 301,
          unit: 'r/min',
          uncertainty: 1,
          how: 'by the host’s own program',
        },
      ],
      evidence: { source: 'host', by: 'the host’s own program', recording: null },
      data: {
        type: 'reading',
        key: 'speed.mean',
        value: 301,
        unit: 'r/min',
        uncertainty: 1,
        count: null,
        movedTurns: 0,
      },
    })
    const counted = withData(
      'measurement',
      { type: 'proof', test: 'format', sectors: 1440, errors: 0, reader: null },
      { call: { kind: 'leave', reasons: ['fine'], next: 'on' } },
    )
    const c = buildCertificate(drive, [recorded, typed, counted], 'S', '')
    expect(c.measurements).toMatchObject([
      { source: 'recording', evidence: 'ab'.repeat(32) },
      { source: 'host', by: 'the host’s own program', evidence: null, uncertainty: 1, number: 301 },
    ])
    expect(c.shown[0]).toBe('The spindle turned at 301 ± 1 r/min when last measured (by the host’s own program).')
    const alone = buildCertificate(drive, [counted], 'S', '')
    expect(alone).toMatchObject({
      claim: null,
      shown: [expect.stringMatching(/^Format: 1 440 sectors without an error/)],
    })
    expect(alone.rungs[1]!.tests.find(t => t.id === 'format')).toMatchObject({ state: 'passed', source: 'host' })
  })

  it('carries gates passed by hand with their reason, what was found and still holds, and what is not back', () => {
    const plug = marked({ kind: 'connector', name: 'head plug', state: 'left' })
    const log = [
      found('belt.goo'),
      found('smell.fish'),
      found('smell.none'),
      withData(
        'override',
        { type: 'override', gate: 'first-power', missing: ['power.belt', 'gate:insert-disk'] },
        { detail: 'Belt cut through, motor unplugged.' },
      ),
      plug,
      undone(plug),
    ]
    const c = buildCertificate(drive, log, 'S', '')
    expect(c.overrides).toMatchObject([
      {
        gate: 'First power',
        missing: ['the belt was looked at and will not wind up', 'the safety gate “A disk in” is open'],
        reason: 'Belt cut through, motor unplugged.',
      },
    ])
    expect(c.found.map(f => f.what)).toEqual(['Belt: sticky, decayed'])
    expect(c.cautions).toEqual(['Not put back: Connector head plug.'])
    expect(c.measurements).toEqual([])
    expect(buildCertificate(drive, [...log, putBack(plug)], 'S', '').shown).toEqual([
      '1 thing was recorded as found and 1 undone; all is put back.',
    ])
  })

  it('warns of a last reading that is not right', () => {
    expect(buildCertificate(drive, [reading(309, 0)], 'S', '').cautions[0]).toMatch(/“Nudge it”/)
  })
})

describe('observations in words', () => {
  it('carry as many decimals as their uncertainty', () => {
    const o = { key: 'k', label: '', unit: 'r/min', how: '' }
    expect(formatObservation({ ...o, value: 309.312, uncertainty: 0.21 })).toBe('309.3 ± 0.2 r/min')
    expect(formatObservation({ ...o, value: 309.312, uncertainty: 0.042 })).toBe('309.31 ± 0.04 r/min')
    expect(formatObservation({ ...o, value: 309.3, uncertainty: 4 })).toBe('309 ± 4 r/min')
    expect(formatObservation({ ...o, value: 'broken', unit: '' })).toBe('broken')
    expect(formatObservation({ ...o, value: 12, unit: '' })).toBe('12')
  })
})
