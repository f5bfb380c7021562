import { describe, expect, it } from 'vitest'
import {
  flagCalculator,
  homeMisses,
  homeCalculator,
  offsetCalculator,
  quickStartCalculator,
  switchesAt,
  tripsSooner,
  turnsIn,
} from '../../../src/calculators/alignment'
import { judgeRecheck } from '../../../src/instruments/alignment'
import type { ZoneRead } from '../../../src/log'
import { sampleDeviation } from '../../../src/base/numbers'
import { judgeCalculator } from '../../../src/calculators/calculator'
import { SimulatedDrive, SimulatedHost, soundDrive, SOUND_QUICK_DISK, sweepQuickDisk } from '../../../src/simulator'

const call = (sum: typeof flagCalculator, typed: Record<string, string>) => judgeCalculator(sum, typed).result!.call

describe('flag and slot', () => {
  it('switches half way between two detents where the flag stands half a pitch beyond the slot', () => {
    expect(switchesAt(0.09375, 0.1875)).toBe(0.5)
    expect(call(flagCalculator, { over: '0.094', pitch: '0.1875' }).kind).toBe('leave')
  })
  // Common practice: a tab that is too high trips the sensor early, one too low late.
  it('too far is cylinders early, too short drives into the stop, at a detent it will count one off', () => {
    expect(tripsSooner(0.2, 45)).toBeCloseTo(0.2)
    expect(call(flagCalculator, { over: '0.3', pitch: '0.1875', zero: 'sensor' }).reasons[0]).toMatch(
      /takes cylinder 1 for zero/,
    )
    expect(call(flagCalculator, { over: '-0.05', pitch: '0.1875' }).reasons[0]).toMatch(/into its stop/)
    expect(call(flagCalculator, { over: '0.01', pitch: '0.1875' })).toMatchObject({ kind: 'nudge' })
    expect(call(flagCalculator, { over: '0.094', pitch: '0.1875', slot: '2' }).reasons[0]).toMatch(
      /as far as the slot can tell/,
    )
  })
})

// Common practice, no source: on many stepper drives TRACK 0 is the sensor and one stepper phase, so an edge between
// cylinders 1 and 2 is right.
describe('a sensor that shares TRACK 0 with a stepper phase', () => {
  const edge = { over: '0.28125', pitch: '0.1875' }
  it('an edge at 1.5 cylinders is right there, wrong for a sensor alone, and not known until that is said', () => {
    expect(call(flagCalculator, { ...edge, zero: 'phase' }).kind).toBe('leave')
    expect(call(flagCalculator, { ...edge, zero: 'sensor' }).kind).toBe('nudge')
    expect(call(flagCalculator, edge)).toMatchObject({
      kind: 'unknown',
      next: expect.stringMatching(/^Find out which/),
    })
    // The same phase comes again at cylinder 4.
    expect(call(flagCalculator, { over: '0.75', pitch: '0.1875', zero: 'phase' }).kind).toBe('nudge')
  })
  it('the simulated drive homes on cylinder 0 with its edge at 1.5 and a phase, on another without', () => {
    const named = (zeroPhase: boolean) => {
      const sound = soundDrive('5.25in-48', 3)
      const drive = new SimulatedDrive({ ...sound, sensorAt: 1.5, sensors: { ...sound.sensors, zeroPhase } })
      const host = new SimulatedHost(drive)
      host.start()
      host.home()
      return host.read(0, 2).read!.sectors[0]!.cylinder
    }
    expect(named(true)).toBe(0)
    expect(named(false)).toBe(1)
  })
})

describe('home again and again', () => {
  const rows = (xs: number[], more = {}) => ({
    pitch: '0.1875',
    ...Object.fromEntries(xs.map((x, i) => [`homing.${i}.at`, x.toFixed(4)])),
    ...more,
  })
  it('scatter is the sample deviation, and its tail beyond half a pitch the chance of a track off', () => {
    const xs = [0.001, -0.002, 0.0015, 0.002, -0.001, 0]
    const { result } = judgeCalculator(homeCalculator, rows(xs))
    expect(result!.lines.find(l => l.label.startsWith('Scatter'))!.value).toBeCloseTo(sampleDeviation(xs) * 1000, 6)
    expect(result!.call.kind).toBe('leave')
    expect(homeMisses(0.09375, 0.1875)).toBeCloseTo(0.3173, 3)
  })
  it.each([
    [[0, 0.001, 0.1875, 0, 0.001, 0], {}, 'mend', /whole track away/],
    [[0, 0.02, -0.02, 0.015, -0.01, 0.018, -0.021], {}, 'mend', /scatters/],
    [[0, 0, 0, 0.03, 0.05, 0.06], {}, 'unknown', /wanders/],
    [[0, 0.001], {}, 'unknown', /tell little/],
    [[0, 0, 0, 0, 0], { stop: '0.01' }, 'nudge', /strikes it/],
    [[0, 0, 0, 0, 0], { stop: '0.6' }, 'unknown', /lose itself/],
  ] as const)('%j %j', (xs, more, kind, says) => {
    const c = call(homeCalculator, rows([...xs], more))
    expect(c.kind).toBe(kind)
    expect(c.reasons[0]).toMatch(says)
  })
})

describe('the start of a quick disk’s sweep', () => {
  it('is a number of turns, whatever the speed: what the simulated drive shows at other speeds is the same start', () => {
    const turns = [413, 423, 431].map(rpm => {
      const p = sweepQuickDisk({ ...SOUND_QUICK_DISK, rpm, writerRpm: 423 })
      return turnsIn(p.readyToDataMs! / 1000, rpm)
    })
    expect(Math.max(...turns) - Math.min(...turns)).toBeLessThan(0.05)
    const late = sweepQuickDisk({ ...SOUND_QUICK_DISK, startTurns: -0.8 })
    expect(call(quickStartCalculator, { toData: `${late.readyToDataMs!.toFixed(0)} ms`, rpm: '423' })).toMatchObject({
      kind: 'nudge',
    })
  })
  it('speed is judged first, and a start that is right is left', () => {
    expect(call(quickStartCalculator, { toData: '170 ms', rpm: '423' }).kind).toBe('leave')
    expect(call(quickStartCalculator, { toData: '170 ms', rpm: '450' }).reasons[0]).toMatch(/6.38 % fast/)
  })
})

describe('what an offset costs, as a sum', () => {
  it('thousandths become micrometres and turns of the screw', () => {
    const { result } = judgeCalculator(offsetCalculator, {
      mechanism: '5.25in-48',
      value: '2',
      unit: 'thou',
      perTurn: '0.5',
    })
    expect(result!.lines[0]!.value).toBeCloseTo(50.8)
    expect(result!.lines.find(l => l.unit === '°')!.value).toBeCloseTo((50.8 / 500) * 360, 3)
  })
  it.each([
    ['5', 'um', 'leave'],
    ['42', 'um', 'unknown'],
    ['0.5', 'tracks', 'nudge'],
  ])('%s %s on a 3.5-inch drive: %s', (value, unit, kind) =>
    expect(call(offsetCalculator, { mechanism: '3.5in', value, unit }).kind).toBe(kind),
  )
})

describe('the look after tightening', () => {
  const z = (zone: ZoneRead['zone'], lower: number, upper = 11): ZoneRead => ({
    zone,
    lower: { good: lower, expected: 11 },
    upper: { good: upper, expected: 11 },
  })
  const window = { from: -4, to: 4 }
  const all = [z('outer', 11), z('middle', 11), z('inner', 11)]
  it.each([
    [0.3, all, 'leave', /moved it by 0.3/],
    [null, all, 'leave', /All 66 sectors/],
    [3.5, all, 'nudge', /13 % of the way/],
    [0, [z('outer', 11), z('middle', 11), z('inner', 8)], 'unknown', /did not move/],
    [0, [z('outer', 3), z('middle', 11), z('inner', 11)], 'mend', /did not move/],
    [0, [z('outer', 3), z('middle', 2), z('inner', 0)], 'nudge', /did not move/],
    [0, [z('outer', 11)], 'unknown', /did not move/],
  ] as const)('%s', (position, zones, kind, says) => {
    const r = judgeRecheck(0, window, { position, zones }, '°')
    expect(r.call.kind).toBe(kind)
    expect(r.call.reasons[0]).toMatch(says)
  })
  it('more sectors than there are is refused with its zone', () =>
    expect(() => judgeRecheck(0, window, { position: 0, zones: [z('inner', 12)] })).toThrow(/inner: 12 sectors of 11/))
})
