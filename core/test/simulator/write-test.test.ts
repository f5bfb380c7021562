import { readFileSync } from 'node:fs'
import { join } from 'node:path'
import { describe, expect, it } from 'vitest'
import { extraCrossings, residue } from '../../src/signals/head'
import { judgeWriteTest } from '../../src/proof'
import {
  DRIVE_STORIES,
  QUICK_STORIES,
  readSurface,
  SimulatedDrive,
  SimulatedHost,
  soundDrive,
  spreadCylinders,
  sweepQuickDisk,
  wholeSurface,
  writeQuickSide,
  writeTest,
  type SimulatedDisk,
  type DriveSpec,
} from '../../src/simulator'
import { toReadings, totalsOf } from '../../src/instruments/interface'
import type { MechanismId } from '../../src/drives'

function tested(spec: DriveSpec) {
  const drive = new SimulatedDrive(spec)
  const run = writeTest(drive, {
    patternCylinders: spreadCylinders(drive.media!.layout.cylinders, 3),
    stepMs: 6,
    settleMs: 18,
  })
  for (;;) {
    const step = run.next()
    if (step.done) return { drive, result: step.value, ...judgeWriteTest(spec.mechanism, step.value) }
  }
}
const story = (id: string, mechanism: MechanismId = '3in') => DRIVE_STORIES.find(s => s.id === id)!.of(mechanism, 7)

/** Writes some cylinders with one drive and counts what another reads of them. */
function writtenIn(spec: DriveSpec, cylinders: readonly number[]) {
  const drive = new SimulatedDrive(spec)
  const host = new SimulatedHost(drive)
  host.start()
  host.home()
  for (const c of cylinders) {
    host.seek(c)
    host.write(0, drive.media!.sectorsOf(c, 0, 99), drive.media!.layout.formatOf(c))
  }
  return drive.media!
}
function readIn(disk: SimulatedDisk, spec: DriveSpec, cylinders: readonly number[]) {
  const drive = new SimulatedDrive(spec)
  drive.insert(disk)
  const run = readSurface(drive, { ...wholeSurface(drive, 1), cylinders, heads: [0] })
  for (;;) {
    const step = run.next()
    if (step.done) return totalsOf(toReadings(step.value))
  }
}

describe('the simulated drive writes', () => {
  it('a sound one passes every check, in every code that has sectors', () => {
    for (const mechanism of ['3in', '5.25in-serial'] as const) {
      const { call, checks } = tested(soundDrive(mechanism, 3))
      expect(checks.map(c => c.state)).toEqual(checks.map(() => 'passed'))
      expect(call.kind).toBe('leave')
    }
  })
  it('write protect: a switch that is stuck blocks all, one that is blind lets a protected disk be written', () => {
    expect(tested(story('always-protected')).call).toMatchObject({
      kind: 'mend',
      reasons: [expect.stringContaining('does not write a write-enabled disk')],
    })
    const blind = soundDrive('3in', 3)
    expect(tested({ ...blind, sensors: { ...blind.sensors, writeProtect: 'never protected' } }).call).toMatchObject({
      kind: 'stop',
      reasons: ['It writes on a protected disk.'],
    })
  })
  it('reads its own writing however far both heads are off: a self-written disk hides alignment (trade fact)', () => {
    expect(tested(story('both-off')).call.kind).toBe('leave')
  })
  it('a head without a coil writes nothing, and only that head is named', () => {
    const base = soundDrive('5.25in-48', 3)
    const { call, result } = tested({ ...base, heads: [base.heads[0], { ...base.heads[1], amplitude: 0.01 }] })
    expect(call).toMatchObject({
      kind: 'mend',
      reasons: ['Only the upper head loses what it writes: 100 % of the sectors.'],
    })
    expect(result.format[1]).toEqual({ good: 0, sectors: 360 })
  })
  it('without an index nothing is written, and the host gives up after some turns', () => {
    const { result } = tested(story('no-index'))
    expect(result.format[0]!.good).toBe(0)
    expect(result.allowed).toBe(false)
  })
  it('writes nothing unless it is selected, its gate is low and its disk turns', () => {
    const drive = new SimulatedDrive(soundDrive('3in', 3))
    const before = drive.media!.track(0, 0)
    expect(drive.writeTurn(new Uint8Array(1000).fill(1), drive.media!.layout.formatOf(0))).toBe(false)
    expect(drive.media!.track(0, 0)).toBe(before)
    drive.remove()
    new SimulatedHost(drive).start()
    expect(drive.writeTurn(new Uint8Array(1000), soundDriveFormat())).toBe(false)
  })
})

const soundDriveFormat = () => ({ code: 'MFM', rate: 250_000 }) as const

describe('a quick disk, a whole side at once', () => {
  const tested = (id: string) =>
    judgeWriteTest('quick-disk', writeQuickSide(QUICK_STORIES.find(s => s.id === id)!.spec))
  it('comes back whole from a sound drive, and from one that is fast or starts late, as it wrote so itself (trade fact)', () => {
    for (const id of ['sound', 'fast', 'late'])
      expect(
        tested(id)
          .checks.filter(c => c.state === 'passed')
          .map(c => c.id),
        id,
      ).toEqual(['format', 'pattern', 'overwrite'])
    // Another drive's disk does show both.
    const fast = QUICK_STORIES.find(s => s.id === 'fast')!.spec
    expect(sweepQuickDisk(fast).call.kind).toBe('nudge')
    expect(sweepQuickDisk(QUICK_STORIES.find(s => s.id === 'late')!.spec).call.kind).toBe('nudge')
  })
  it('does not come back from a head that is dirty or weak', () => {
    for (const id of ['dirty', 'weak'])
      expect(
        tested(id).checks.some(c => c.state === 'failed'),
        id,
      ).toBe(true)
  })
})

describe('what others read of it', () => {
  const CYLINDERS = [2, 20, 37]
  it('an 8-inch drive at 379 r/min in place of 360 writes and reads back without an error (trade fact), and its rate is 5 % off in another', () => {
    const base = soundDrive('8in', 3)
    const fast = { ...base, spindle: { ...base.spindle, rpm: 379 } }
    const disk = writtenIn(fast, CYLINDERS)
    expect(readIn(disk, fast, CYLINDERS)).toMatchObject({ bad: 0, missing: 0 })
    const drive = new SimulatedDrive(base)
    drive.insert(disk)
    const host = new SimulatedHost(drive)
    host.start()
    host.home()
    host.seek(20)
    expect(host.read(0, 1).read!.rateOff).toBeCloseTo(360 / 379 - 1, 2)
  })
  it('heads that are off write where a sound drive finds little of it', () => {
    const base = soundDrive('3in', 3)
    const off = { ...base, heads: [{ ...base.heads[0], radialUm: base.trackUm * 0.6 }, base.heads[1]] as const }
    const disk = writtenIn(off, CYLINDERS)
    expect(readIn(disk, off, CYLINDERS)).toMatchObject({ bad: 0, missing: 0 })
    expect(readIn(disk, base, CYLINDERS).good).toBeLessThan(9)
    // The cylinders that it did not write read as before.
    expect(readIn(disk, base, [10]).good).toBe(9)
  })
  it('narrow heads over a wide track: they read it back, wide heads find the old track beside it (common practice)', () => {
    const wide = soundDrive('5.25in-48', 3)
    const { trackUm, write } = soundDrive('5.25in-96', 3)
    const narrow = { ...wide, trackUm, write }
    const disk = writtenIn(narrow, CYLINDERS)
    expect(readIn(disk, narrow, CYLINDERS)).toMatchObject({ bad: 0, missing: 0 })
    expect(readIn(disk, wide, CYLINDERS).good).toBeLessThan(9)
    expect(readIn(disk, wide, [10]).good).toBe(9)
  })
})

describe('what shines through from under a track', () => {
  const strip = (radialUm: number, trackUm: number) => ({ radialUm, trackUm })
  it('is nothing where the new track covers the old one, and what sticks out where it does not', () => {
    expect(residue(0, 100, strip(0, 100), strip(0, 100))).toBe(0)
    expect(residue(0, 100, strip(0, 100), strip(0, 40))).toBeCloseTo(60 / 40, 12)
    expect(residue(0, 100, strip(20, 100), strip(0, 100))).toBe(0)
    expect(residue(20, 100, strip(20, 100), strip(0, 100))).toBeCloseTo(0.2, 12)
    expect(residue(500, 100, strip(0, 100), strip(0, 40))).toBe(0)
    // Erase heads clear beside the track: 20 µm of the old are left, of a track of 40.
    expect(residue(0, 100, strip(0, 100), strip(0, 40), 80)).toBeCloseTo(0.5, 12)
  })
  it('never counts more than the head is wide over the new track’s width, whichever way things stand', () => {
    for (let i = 0; i < 500; i++) {
      const x = (n: number) => Math.sin(i * 12.9 + n) * 150
      const share = residue(x(1), 100, strip(x(2), 120), strip(x(3), 80))
      expect(share).toBeGreaterThanOrEqual(0)
      expect(share).toBeLessThanOrEqual(100 / 80)
    }
  })
})

function atHome(spec: DriveSpec) {
  const drive = new SimulatedDrive(spec)
  const host = new SimulatedHost(drive)
  host.start()
  host.home()
  return { drive, host }
}

/** A drive that wrote one track of its own. */
function written(spec: DriveSpec, cylinder = 79) {
  const { drive, host } = atHome(spec)
  host.seek(cylinder)
  const format = drive.media!.layout.formatOf(cylinder)
  host.write(0, drive.media!.sectorsOf(cylinder, 0, 5), format)
  return { drive, host, format }
}

const goodSectors = (host: SimulatedHost): number =>
  new Set((host.read(0, 2).read?.sectors ?? []).filter(s => s.status === 'good').map(s => s.sector)).size

describe('how a head writes', () => {
  const part = (write: Partial<DriveSpec['write']>): DriveSpec => {
    const sound = soundDrive('3.5in', 6)
    return { ...sound, write: { ...sound.write, ...write } }
  }
  // The numerical read-back has a transition between neighbours two and four half cells away moved by so much on the
  // innermost 3.5-inch track (core/test/fixtures/read-back).
  it('precompensation takes the peak shift of the innermost track away', () => {
    const file = join(import.meta.dirname, '../fixtures/read-back/readback.json')
    const layouts = JSON.parse(readFileSync(file, 'utf8')) as {
      name: string
      patterns: { before: number; after: number; shift: number }[]
    }[]
    const moved = Math.abs(
      layouts.find(l => l.name === '3.5-inch MFM')!.patterns.find(p => p.before === 2 && p.after === 4)!.shift,
    )
    const shift = (precompNs: number) => Math.abs(written(part({ precompNs })).host.read(0, 2).read!.shift)
    const halfCellNs = 2000
    expect(shift(0)).toBeGreaterThan(0.03)
    expect(shift(moved * halfCellNs)).toBeLessThan(shift(0) * 0.5)
    // Too much of it shifts them the other way.
    expect(shift(3 * moved * halfCellNs)).toBeGreaterThan(shift(moved * halfCellNs))
  })
  it('a dead erase leaves what stood beside the new track, and costs it margin', () => {
    const margin = (eraseUm: number) => {
      const { drive, host, format } = written(part({ eraseUm }))
      // The second writing stands a little beside the first.
      drive.nudge('stepper', 22)
      host.write(0, drive.media!.sectorsOf(79, 0, 6), format)
      drive.nudge('stepper', -12)
      return host.read(0, 2).read!.margin
    }
    expect(margin(0)).toBeLessThan(margin(20) - 0.02)
  })
  it('the splices at its ends spoil no sector', () => {
    const { host } = written(part({ spliceCells: 12 }))
    expect(goodSectors(host)).toBe(9)
  })
})

describe('a read channel without a level detector', () => {
  // Extra crossings by numbers: pulses laid over one another with noise, differentiated, crossings counted
  // (core/test/fixtures/shoulders).
  const file = join(import.meta.dirname, '../fixtures/shoulders/shoulders.json')
  const counted = JSON.parse(readFileSync(file, 'utf8')) as { ratio: number; extra: number }[]
  it.each(counted)('peaks $ratio widths apart: as many extra crossings as numbers give', ({ ratio, extra }) => {
    const worked = extraCrossings(ratio, 0.02)
    if (extra < 0.1) expect(worked).toBeLessThan(0.12)
    else expect(worked / extra).toBeGreaterThan(0.55)
    if (extra >= 0.1) expect(worked / extra).toBeLessThan(1.8)
  })
  it('shoulders spoil far peaks on outer FM tracks, and a level detector keeps them out', () => {
    const good = (levelDetector: boolean) => {
      const sound = soundDrive('8in', 4, 'fm-77x1x26')
      return goodSectors(atHome({ ...sound, channel: { levelDetector, gainControl: false } }).host)
    }
    expect(good(true)).toBe(26)
    expect(good(false)).toBeLessThan(26)
  })
  it('with gain control a weak head keeps its pulses, and only jitters more', () => {
    const pulses = (gainControl: boolean) => {
      const sound = soundDrive('3.5in', 4)
      const heads = [{ ...sound.heads[0], amplitude: 0.12 }, sound.heads[1]] as const
      return atHome({ ...sound, heads, channel: { levelDetector: true, gainControl } }).host.read(0, 2).transitions
    }
    expect(pulses(true)).toBeGreaterThan(pulses(false) * 1.05)
  })
  it('a write current that is never lowered costs the inner 8-inch cylinders their margin, not the outer', () => {
    const margin = (cylinder: number, currentSwitch: 'good' | 'never lowered') => {
      const sound = soundDrive('8in', 4)
      return written({ ...sound, write: { ...sound.write, currentSwitch } }, cylinder).host.read(0, 2).read!.margin
    }
    expect(margin(70, 'never lowered')).toBeLessThan(margin(70, 'good') - 0.03)
    expect(Math.abs(margin(20, 'never lowered') - margin(20, 'good'))).toBeLessThan(0.02)
  })
})
