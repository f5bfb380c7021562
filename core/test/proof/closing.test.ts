import { describe, expect, it } from 'vitest'
import { closingOf, ladderOf } from '../../src/proof'
import { progressOf } from '../../src/bench/stations'
import type { Call } from '../../src/base/observations'
import type { LogEntry, WriteTestResult } from '../../src/log'
import { entry, found } from '../log'

const REAL = { simulated: false }
const call = (kind: Call['kind'], why = 'because'): Call => ({ kind, reasons: [why], next: 'go on' })
const speed = (kind: Call['kind'] = 'leave') =>
  entry({
    kind: 'measurement',
    station: 'speed',
    call: call(kind),
    data: { type: 'speed', rpm: 300, simulated: false } as never,
  })
const sum = (instrument: string, kind: Call['kind'] = 'leave') =>
  entry({
    kind: 'measurement',
    station: 'prove',
    call: call(kind, `${instrument} says so`),
    data: { type: 'sum', instrument, values: {} },
  })
const read = (kind: Call['kind'] = 'leave') =>
  entry({
    kind: 'measurement',
    station: 'prove',
    call: call(kind),
    data: { type: 'cross-read', disk: 'd', places: [{ head: 0, zone: 'outer', good: 9, sectors: 9 }] },
  })
const close = () => entry({ kind: 'step', station: 'prove', data: { type: 'step', step: 'prove.close' } })
const protect = () => found('protect.both', 'first-power')
const station = (id: LogEntry['station']) => entry({ kind: 'station', station: id })
const released = () => entry({ kind: 'released', station: 'release', data: { type: 'release', outcome: 'released' } })

describe('after closing up', () => {
  it('nothing from before counts', () => {
    expect(closingOf([speed(), protect(), read(), sum('wiggle')], REAL)).toMatchObject({
      closed: null,
      proved: false,
      call: { kind: 'unknown', reasons: [expect.stringContaining('covers off')] },
    })
    const { checks, call: c } = closingOf([speed(), protect(), read(), sum('wiggle'), close()], REAL)
    expect(checks.every(x => x.state === 'not done')).toBe(true)
    expect(c.reasons[0]).toBe('0 of 4 checks passed with the covers on.')
  })
  it('speed, write protect, a read and the wiggle test prove it; cold, warm and a soak may follow', () => {
    const log = [close(), speed(), protect(), read(), sum('wiggle')]
    expect(closingOf(log, REAL)).toMatchObject({
      proved: true,
      call: { kind: 'leave', next: 'If it is to run for long: cold and warm.' },
    })
    expect(closingOf([...log, sum('warm-up'), sum('soak')], REAL).call.next).toBe('Release it.')
  })
  it('one that fails only closed up is a second fault (trade fact: a bad crimp)', () => {
    expect(closingOf([close(), speed(), protect(), read(), sum('wiggle', 'mend')], REAL)).toMatchObject({
      proved: false,
      call: {
        kind: 'mend',
        reasons: ['Since its covers went on: wiggle says so'],
        next: expect.stringContaining('Two faults are common'),
      },
    })
  })
  it('opening and closing it again starts again, and the simulated drive says nothing', () => {
    expect(closingOf([close(), speed(), close()], REAL).checks[0]!.state).toBe('not done')
    const standIn = entry({
      kind: 'measurement',
      call: call('leave'),
      data: { type: 'speed', rpm: 300, simulated: true } as never,
    })
    expect(closingOf([close(), standIn], REAL).checks[0]!.state).toBe('not done')
  })
})

describe('a fault that is found after it was mended', () => {
  const proved = () => [station('electronics'), station('speed'), station('prove')]
  it('opens a released drive again, at the station of the fault', () => {
    const log = [...proved(), released()]
    expect(progressOf(log)).toMatchObject({ outcome: 'released', reopenedBy: null })
    const fault = speed('mend')
    const p = progressOf([...log, fault])
    expect(p.outcome).toBeNull()
    expect(p.reopenedBy).toBe(fault)
    expect(p.done.has('speed')).toBe(false)
    expect(p.done.has('prove')).toBe(false)
    expect(p.done.has('electronics')).toBe(true)
  })
  it('opens one that was proved and not yet released, until it is proved again', () => {
    const log = proved()
    const fault = sum('wiggle', 'mend')
    expect(progressOf([...log, fault]).reopenedBy).toBe(fault)
    expect(progressOf([...log, fault, station('prove')]).reopenedBy).toBeNull()
    expect(progressOf([...log, fault, station('prove'), released()]).outcome).toBe('released')
  })
  it('leaves alone what was given up, what is only not known, and what the simulated drive did', () => {
    const parts = entry({ kind: 'released', data: { type: 'release', outcome: 'parts' } })
    expect(progressOf([...proved(), parts, speed('mend')]).outcome).toBe('parts')
    expect(progressOf([...proved(), released(), read('unknown')]).outcome).toBe('released')
    expect(
      progressOf([
        ...proved(),
        released(),
        entry({
          kind: 'measurement',
          station: 'prove',
          call: call('mend'),
          data: { type: 'read-test', simulated: { mechanism: '3.5in', story: 'worn' }, bars: [] } as never,
        }),
      ]).outcome,
    ).toBe('released')
    expect(progressOf([speed('mend')]).reopenedBy).toBeNull()
  })
})

describe('a write test on the ladder', () => {
  const whole = { good: 360, sectors: 360 }
  const RESULT: WriteTestResult = {
    blocked: true,
    allowed: true,
    format: [whole, null],
    tracks: 40,
    formatS: 25,
    first: { good: 9, sectors: 9 },
    last: { good: 9, sectors: 9 },
    pattern: [whole, null],
    overwrite: [whole, null],
    homeAfter: true,
  }
  const test = (part: Partial<WriteTestResult> = {}) =>
    entry({ kind: 'measurement', station: 'prove', data: { type: 'write-test', result: { ...RESULT, ...part } } })
  const own = (log: LogEntry[]) =>
    Object.fromEntries(
      ladderOf({ mechanism: '3in', simulated: false }, log).rungs[1]!.tests.map(t => [t.test.id, t.state]),
    )

  it('proves that a drive reads its own writing, all at once', () => {
    expect(own([test()])).toEqual({ protect: 'passed', format: 'passed', pattern: 'passed', overwrite: 'passed' })
  })
  it('counts for what was tried, and the latest counts', () => {
    expect(own([test({ overwrite: [null, null], formatS: null })])).toEqual({
      protect: 'passed',
      format: 'not done',
      pattern: 'passed',
      overwrite: 'not done',
    })
    expect(own([test(), test({ blocked: false })]).protect).toBe('failed')
    expect(own([test({ blocked: false }), found('protect.both', 'first-power')]).protect).toBe('passed')
    expect(
      own([test(), entry({ data: { type: 'proof', test: 'pattern', sectors: 100, errors: 3, reader: null } })]).pattern,
    ).toBe('failed')
  })
  it('a cartridge is not asked for a format', () => {
    expect(ladderOf({ mechanism: 'cartridge', simulated: false }, []).rungs[1]!.tests.map(t => t.test.id)).toEqual([
      'protect',
      'pattern',
      'overwrite',
    ])
  })
})
