import { describe, expect, it } from 'vitest'
import { benchTest, TEST_POINTS } from '../../../src/bench/bench-test'
import { readingEntry } from '../../../src/bench/entries'
import { driveCase } from '../../../src/bench/case'
import { walk } from '../../../src/bench/stations'
import { checksOn, diagnose, findCheck, readCase } from '../../../src/diagnosis'
import { findReading, recordReading } from '../../../src/diagnosis/readings'
import { MECHANISM_IDS } from '../../../src/drives'
import type { DriveFacts, LogEntry } from '../../../src/log'
import { Random } from '../../../src/simulator/random'
import { measure, RIG_FAULTS, soundRig } from '../../../src/simulator/rig'
import { driveFacts, entry } from '../../log'

const drive = driveFacts({ mechanism: '3.5in' })
let n = 0
const read = (key: string, value: string | number, of?: number): LogEntry =>
  entry({ ...readingEntry({ id: `t${++n}`, at: '2026-03-01T10:00:00Z', remark: '', key, value, of }, drive) })
const sheet = (log: LogEntry[], d: DriveFacts = drive) => benchTest(d, log, [])
const stateOf = (log: LogEntry[], check: string) => sheet(log).points.find(p => p.point.check === check)!

describe('the bench test', () => {
  it('knows each check that it tries, with words for all of its answers, on every type of drive', () => {
    for (const p of TEST_POINTS) {
      const check = findCheck(p.check)
      expect(check, p.check).toBeDefined()
      for (const answer of Object.keys(p.answers ?? {})) expect(check!.answers, p.check).toContain(answer)
      expect(Object.values(p.how).length, p.check).toBeGreaterThan(0)
    }
    for (const mechanism of MECHANISM_IDS) {
      const points = sheet([], driveFacts({ mechanism })).points
      expect(points.length, mechanism).toBeGreaterThan(12)
      for (const p of points) {
        expect(checksOn({ mechanism }).has(p.point.check)).toBe(true)
        expect(p.expected).not.toMatch(/undefined|NaN/)
      }
    }
  })
  it('expects what the drive is: period of its index, its cylinders, and what protects its disks', () => {
    const said = (d: Partial<DriveFacts>, check: string) =>
      sheet([], driveFacts(d)).points.find(p => p.point.check === check)?.expected
    // 60 000 ms / 360 r/min; ECMA-54 and ECMA-59 disks turn at 360.
    expect(said({ mechanism: '8in' }, 'see.index')).toContain('166.7 ms')
    expect(said({ mechanism: '5.25in-96', nominalRpm: 360 }, 'see.index')).toContain('166.7 ms')
    expect(said({ mechanism: '3.5in' }, 'see.index')).toContain('200 ms')
    expect(said({ mechanism: '3.5in' }, 'see.step')).toContain('0 to 79')
    // Common practice: 3.5-inch protects by an open hole, 5.25-inch by a covered notch, 8-inch the other way round.
    expect(said({ mechanism: '3.5in' }, 'protect.blocks')).toContain('open')
    expect(said({ mechanism: '5.25in-48' }, 'protect.blocks')).toContain('covered')
    expect(said({ mechanism: '8in' }, 'protect.blocks')).toContain('open')
    // A motor on mains cannot be told to stop; a serial drive has no track-zero sensor.
    expect(said({ mechanism: '8in', motor: 'ac' }, 'see.motor-off')).toBeUndefined()
    expect(said({ mechanism: '5.25in-serial' }, 'see.home')).toBeUndefined()
    expect(said({ mechanism: '5.25in-serial' }, 'see.end-stop')).toBeUndefined()
  })
  it('fills itself from whatever the log holds, and shows a number as it was read', () => {
    expect(stateOf([], 'speed.mean')).toMatchObject({ state: 'not tried', seen: '' })
    expect(stateOf([read('speed.mean', 300.2)], 'speed.mean')).toMatchObject({ state: 'right', seen: '300.2 r/min' })
    expect(stateOf([read('speed.mean', 280)], 'speed.mean')).toMatchObject({ state: 'wrong', seen: '280 r/min' })
    expect(stateOf([read('read.upper.inner', 9, 18)], 'read.upper.inner')).toMatchObject({
      state: 'wrong',
      seen: '9 of 18 sectors',
    })
    const both = [read('see.protect', 'always')]
    expect(stateOf(both, 'protect.blocks').state).toBe('right')
    expect(stateOf(both, 'protect.allows').state).toBe('wrong')
  })
  it('fills itself from recordings, with what they counted', () => {
    const evidence = { source: 'recording', by: '', recording: null } as const
    const could = read('test.speed.mean', 'could not try')
    const speed = entry({
      kind: 'measurement',
      evidence,
      data: {
        type: 'speed',
        rpm: 300.14,
        uncertainty: 0.05,
        movedTurns: 0,
        captureSha: 'a'.repeat(64),
        captureName: 'index.vcd',
        channel: 'INDEX',
      } as LogEntry['data'],
    })
    expect(stateOf([could, speed], 'speed.mean').state).toBe('right')
    expect(stateOf([speed], 'speed.mean')).toMatchObject({ state: 'right', seen: '300.1 r/min', source: 'recording' })
    const bar = (cylinder: number, head: 0 | 1, good: number) => ({
      cylinder,
      head,
      good,
      bad: 18 - good,
      missing: 0,
      wrongCylinder: 0,
      margin: null,
    })
    const bars = [0, 30, 79].flatMap(c => [bar(c, 0, 18), bar(c, 1, c === 79 ? 4 : 18)])
    const surface = entry({
      kind: 'measurement',
      evidence,
      data: { type: 'read-test', bars, surface: { homeOff: 0 } } as unknown as LogEntry['data'],
    })
    expect(stateOf([surface], 'read.lower.inner')).toMatchObject({ state: 'right', seen: '18 of 18 sectors' })
    expect(stateOf([surface], 'read.upper.inner')).toMatchObject({ state: 'wrong', seen: '4 of 18 sectors' })
  })
  it('asks again for what was wrong before something was done, and keeps what was right', () => {
    const log = [read('see.home', 'knocks'), read('see.spin', 'yes'), read('after.clean.sensors', 'better')]
    expect(stateOf(log, 'see.home').state).toBe('again')
    expect(stateOf(log, 'see.spin').state).toBe('right')
    expect(stateOf([...log, read('see.home', 'found')], 'see.home').state).toBe('right')
  })
  it('keeps that a point could not be tried, which is evidence of nothing, until it is tried', () => {
    const log = [read('test.see.density', 'could not try')]
    expect(stateOf(log, 'see.density').state).toBe('could not try')
    const before = diagnose(readCase({ mechanism: '3.5in', complaints: ['reads-nothing'] }))
    const said = [read('complaint.reads-nothing', 'seen')]
    const way = walk(drive, said, 0)
    const open = { gates: way.gates.map(g => ({ ...g, open: true })) }
    expect(driveCase(drive, [...said, ...log], open).diagnosis.causes[0]!.fault).toBe(before.causes[0]!.fault)
    expect(stateOf([...log, read('see.density', 'right')], 'see.density').state).toBe('right')
    expect(recordReading({ key: 'test.see.density', value: 'could not try' }, drive).call).toBeNull()
    expect(() => recordReading({ key: 'test.see.nothing', value: 'could not try' }, drive)).toThrow(/no reading/)
  })
  it('holds what needs power or a disk behind its closed gate', () => {
    const { gates } = walk(drive, [], 0)
    const held = benchTest(drive, [], gates)
    expect(held.next).toBeNull()
    expect(held.points.find(p => p.point.check === 'see.spin')!.held?.gate.id).toBe('first-power')
    expect(sheet([]).next).toBe('supply.5v')
  })
})

describe('levels of a line, by a meter', () => {
  const line = (active: number, idle: number) => {
    const c = readCase({
      mechanism: '3.5in',
      readings: [
        { key: 'level.ready.active', value: active, unit: 'V', source: 'meter' },
        { key: 'level.ready.idle', value: idle, unit: 'V', source: 'meter' },
      ],
    })
    return diagnose(c)
  }
  it('say what the line does by the levels of TTL (0.8 and 2.0 V, data books, from memory)', () => {
    const shorted = (d: ReturnType<typeof line>) =>
      d.causes.find(c => c.fault === 'line-driver.shorted:ready')?.probability ?? 0
    expect(shorted(line(0.2, 0.3))).toBeGreaterThan(20 * shorted(line(0.2, 4.8)))
    expect(shorted(line(0.2, 0.3))).toBeGreaterThan(20 * shorted(line(4.7, 4.8)))
    expect(line(0.2, 4.8).works.find(w => w.id === 'ready')!.state).toBe('works')
    expect(line(4.7, 4.8).works.find(w => w.id === 'ready')!.state).toBe('fails')
  })
  it('say nothing while one of them was not read, or where both are sure and exchanged', () => {
    const one = readCase({ mechanism: '3.5in', readings: [{ key: 'level.ready.idle', value: 0.2, unit: 'V' }] })
    expect(diagnose(one).works.find(w => w.id === 'ready')!.state).toBe('not tried')
    expect(line(4.8, 0.2).works.find(w => w.id === 'ready')!.state).toBe('not tried')
  })
  it('are readings that can be typed', () => {
    expect(findReading('level.change.active')).toMatchObject({ unit: 'V', kind: 'number' })
  })
})

describe('the verdict on a bench test of a simulated drive', () => {
  /** Answers of the physics of a drive with one fault to the whole sheet. @returns place of its part, 1 the first */
  function placeOf(fault: string, way: number): number {
    const random = new Random(way + 5)
    const rig = soundRig('3.5in')
    if (fault.endsWith(':change')) rig.parts.drivers.change = fault.includes('open') ? 'open' : 'low'
    else RIG_FAULTS.find(f => f.id === fault)!.break(rig.parts, random)
    const readings = sheet([]).points.flatMap(({ point: { check } }) => {
      const answer = measure(rig, check, random)
      if (answer === null || findReading(check)?.kind !== 'word') return []
      return findCheck(check)!.answers.includes(answer) ? [{ key: check, value: answer, source: 'host' }] : []
    })
    const d = diagnose(readCase({ mechanism: '3.5in', readings }))
    const part = (id: string) => id.replace(/\.\w+/, '')
    return [...new Set(d.causes.map(c => part(c.fault)))].indexOf(part(fault)) + 1
  }
  it('names switch, driver of a line and sensor among its first two parts, by what was seen alone', () => {
    for (const fault of ['line-driver.open:change', 'line-driver.shorted:change', 'track-zero-sensor.dead'])
      for (const way of [1, 2]) expect(placeOf(fault, way), fault).toBeOneOf([1, 2])
    for (const way of [1, 2, 3, 4]) expect(placeOf('disk-in-switch.stuck', way)).toBeOneOf([1, 2])
  })
})
