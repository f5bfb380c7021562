import { describe, expect, it } from 'vitest'
import { afterAzimuth, afterSpacing, crowdedHeight, offTrack, peakShift, pushBy } from '../../src/signals/head'
import { toReadings, totalsOf } from '../../src/instruments/interface'
import {
  DRIVE_STORIES,
  exampleSpec,
  judgeSeeks,
  loadCartridge,
  PARAMETERS,
  Random,
  readSpec,
  readSurface,
  recordReading,
  seekTest,
  SimulatedDrive,
  SimulatedHost,
  SOUND_CARTRIDGE,
  SOUND_QUICK_DISK,
  soundDrive,
  sweepQuickDisk,
  wholeSurface,
  type DriveSpec,
} from '../../src/simulator'
import { layoutsOf, MECHANISM_IDS } from '../../src/drives'

const driven = (change: Partial<DriveSpec> = {}, mechanism: DriveSpec['mechanism'] = '5.25in-48') =>
  new SimulatedDrive({ ...soundDrive(mechanism, 3), ...change })
function surface(drive: SimulatedDrive, cylinders?: readonly number[]) {
  const run = readSurface(drive, { ...wholeSurface(drive, 1), ...(cylinders ? { cylinders } : {}) })
  for (;;) {
    const step = run.next()
    if (step.done) return toReadings(step.value)
  }
}

describe('losses on the way from disk to pulses', () => {
  // Superposition of Lorentzian pulses (from memory): a neighbour pushes most at w / (2·√3), where x = 2d/w = 1/√3.
  it('a near neighbour pushes a peak away, and most at a certain distance', () => {
    const w = 4
    const best = w / 2 / Math.sqrt(3)
    for (const d of [best * 0.8, best * 1.25]) expect(pushBy(best, w)).toBeGreaterThan(pushBy(d, w))
    expect(peakShift(3, 9, w)).toBeGreaterThan(0)
    expect(peakShift(9, 3, w)).toBeCloseTo(-peakShift(3, 9, w), 12)
    expect(crowdedHeight(1e6, 1e6, w)).toBeCloseTo(1, 9)
    expect(crowdedHeight(w / 2, 1e6, w)).toBeCloseTo(0.5, 6)
  })
  it('the simulated head loses what the formulas say: signal by spacing, azimuth and off-track', () => {
    const view = (change: Partial<DriveSpec>) => {
      const d = driven({ ...change, disk: { ...soundDrive('5.25in-48').disk, eccentricUm: 0 } })
      new SimulatedHost(d).start()
      return d.view()!
    }
    const [lower, upper] = soundDrive('5.25in-48').heads
    const full = view({})
    expect(full.signal).toBeCloseTo(1, 9)
    const { wavelengthUm } = full.track
    expect(view({ heads: [{ ...lower, dirtUm: 0.7 }, upper] }).signal).toBeCloseTo(afterSpacing(0.7, wavelengthUm), 9)
    expect(view({ heads: [{ ...lower, azimuthMin: 30 }, upper] }).signal).toBeCloseTo(
      afterAzimuth(330, 30, wavelengthUm),
      9,
    )
    expect(view({ heads: [{ ...lower, radialUm: 120 }, upper] }).signal).toBeCloseTo(
      offTrack(120, 330, 330, 529.167).own,
      6,
    )
    // Noise over signal is what jitter grows with.
    expect(view({ heads: [{ ...lower, amplitude: 0.5 }, upper] }).disturbance / full.disturbance).toBeCloseTo(2, 6)
  })
})

describe('the simulated drive by its lines', () => {
  it('is the same for the same seed, and another for another', () => {
    const spec = soundDrive('3in', 11)
    const one = (s: DriveSpec) =>
      recordReading(s, { cylinders: [0, 3], turns: 1 }).channels.find(c => c.name === 'READ_DATA')!.edges.times
    expect(one(spec)).toEqual(one(spec))
    expect(one({ ...spec, seed: 12 })).not.toEqual(one(spec))
  })
  it('status lines mean nothing until it is selected, and say why', () => {
    const d = driven()
    d.advanceTo(0.1)
    expect(d.explain('write-protect')).toEqual({
      low: false,
      means: false,
      why: 'Not valid: the drive is not selected.',
    })
    d.set('select', true)
    expect(d.explain('write-protect')).toEqual({ low: false, means: true, why: 'The disk may be written.' })
    d.setTab(true)
    expect(d.explain('write-protect')).toMatchObject({ low: true, why: 'The disk is protected.' })
    expect(d.explain('index').why).toBe('The disk does not turn.')
    expect(d.explain('ready').low).toBe(false)
    d.set('motor', true)
    d.advanceTo(1.5)
    expect(d.explain('ready').low).toBe(true)
  })
  it('the change line is set by removal and cleared by a step with a disk in', () => {
    const d = driven()
    d.set('select', true)
    expect(d.explain('disk-change').low).toBe(true)
    d.step()
    expect(d.explain('disk-change').low).toBe(false)
    d.remove()
    expect(d.explain('disk-change').low).toBe(true)
    d.step()
    expect(d.explain('disk-change').low).toBe(true)
    d.insert()
    expect(d.explain('disk-change').low).toBe(true)
    d.step()
    expect(d.explain('disk-change').low).toBe(false)
  })
  it('a write-protect switch that is stuck says so against the tab; a stuck line against everything', () => {
    const sound = soundDrive('5.25in-48').sensors
    const d = driven({ sensors: { ...sound, writeProtect: 'always protected' } })
    d.set('select', true)
    expect(d.explain('write-protect').why).toContain('though the disk’s tab says it may be written')
    expect(driven({ stuckLow: ['index'] }).explain('index')).toMatchObject({
      low: true,
      why: expect.stringContaining('holds it low'),
    })
  })
  it('homes, refuses the step below zero, and stops at the stop where it does not refuse', () => {
    const d = driven()
    const host = new SimulatedHost(d)
    host.start()
    expect(host.home()).toBe(true)
    expect(d.carriage).toMatchObject({ cylinder: 0, refused: 1 })
    const bare = driven({ carriage: { ...soundDrive('5.25in-48').carriage, refusesBelowZero: false } })
    const other = new SimulatedHost(bare)
    other.start()
    other.home()
    expect(bare.carriage.cylinder).toBe(-1)
  })
  it('adjusters act: half a track towards the hub reads nothing, moved back it reads again', () => {
    const d = driven()
    d.nudge('stepper', 264)
    expect(totalsOf(surface(d, [0, 5, 10])).good).toBe(0)
    const e = driven()
    e.nudge('upper', 264)
    const read = surface(e, [0, 5, 10])
    expect(totalsOf(read.filter(t => t.head === 0)).good).toBe(27)
    expect(totalsOf(read.filter(t => t.head === 1)).good).toBe(0)
    e.nudge('upper', -264)
    expect(totalsOf(surface(e, [0, 5, 10])).good).toBe(54)
  })
  it('margin falls as dirt grows, and sectors fail when it is gone', () => {
    const margins = [0, 0.6, 1.2, 2.2].map(dirtUm => {
      const [lower, upper] = soundDrive('5.25in-48').heads
      const read = surface(driven({ heads: [{ ...lower, dirtUm }, upper] }), [30]).filter(t => t.head === 0)
      return { margin: read[0]?.margin ?? 0, good: totalsOf(read).good }
    })
    for (let i = 1; i < 3; i++) expect(margins[i]!.margin).toBeLessThan(margins[i - 1]!.margin)
    expect(margins[0]!.good).toBe(9)
    expect(margins[3]!.good).toBe(0)
  })
  it('a disk of the wrong density has less margin everywhere, and least at the hub', () => {
    const sound = surface(driven(), [0, 39])
    const wrong = surface(driven({ disk: { ...soundDrive('5.25in-48').disk, wrongDensity: true } }), [0, 39])
    for (const [i, t] of wrong.entries()) expect(t.margin!).toBeLessThan(sound[i]!.margin! - 0.1)
    expect(wrong.at(-1)!.margin!).toBeLessThan(wrong[0]!.margin!)
  })
  it('low supplies show: a slow motor, lost steps, a noisy amplifier', () => {
    const d = driven({ power: { logicV: 4.2, motorV: 9 } })
    const read = surface(d, [0, 20])
    expect(d.carriage.missed).toBeGreaterThan(0)
    expect(read.find(t => t.rateOff !== null)?.rateOff ?? -1).toBeLessThan(-0.05)
  })
  it.each(MECHANISM_IDS.flatMap(m => layoutsOf(m).map(l => [m, l] as const)))(
    '%s reads a disk laid out as %s',
    (mechanism, layout) => {
      const sound = soundDrive(mechanism)
      const rpm = layout.includes('80x2x9') || layout.includes('mfm-80x2x18') ? 300 : sound.spindle.rpm
      const d = new SimulatedDrive({
        ...sound,
        spindle: { ...sound.spindle, rpm },
        disk: { ...sound.disk, layout, writer: { ...sound.disk.writer, rpm } },
      })
      const n = totalsOf(surface(d, [0, 20, 34]))
      expect(n).toMatchObject({ bad: 0, missing: 0, foreign: 0 })
      expect(n.good).toBeGreaterThan(9)
    },
  )
})

describe('seek test', () => {
  const tried = (change: Partial<DriveSpec>) =>
    judgeSeeks([...seekTest(driven(change), 30, new Random(2), { stepMs: 6, settleMs: 18 })])
  const { carriage } = soundDrive('5.25in-48')
  it('a sound carriage arrives; a gummed one is found where it is; a sensor that is off is told apart', () => {
    expect(tried({}).kind).toBe('leave')
    expect(tried({ carriage: { ...carriage, stiffFrom: 20, stiffTo: 22, stiffMissPercent: 40 } })).toMatchObject({
      kind: 'mend',
      reasons: [expect.stringMatching(/lose steps on the way; most of them pass cylinder (1[5-9]|2[0-6])/)],
    })
    expect(tried({ sensorAt: 1.5 })).toMatchObject({
      kind: 'nudge',
      reasons: [expect.stringContaining('the track-zero position itself is off')],
    })
    expect(judgeSeeks([]).kind).toBe('unknown')
  })
})

describe('specifications', () => {
  it('every parameter is explained, and nothing is explained that is none', () => {
    const leaves = (x: unknown, path: string): string[] =>
      typeof x === 'object' && x !== null && !Array.isArray(x) && typeof (x as { about?: unknown }).about !== 'string'
        ? Object.entries(x).flatMap(([k, v]) => (k.startsWith('//') ? [] : leaves(v, path ? `${path}.${k}` : k)))
        : Array.isArray(x) && typeof x[0] === 'object'
          ? x.flatMap((v, i) => leaves(v, `${path}.${i}`))
          : [path]
    expect(leaves(soundDrive('5.25in-48'), '').sort()).toEqual(leaves(PARAMETERS, '').sort())
    expect(readSpec(exampleSpec('3.5in'))).toEqual(soundDrive('3.5in'))
  })
  it('every story is a drive', () => {
    for (const m of ['5.25in-48', '3.5in', '3in'] as const)
      for (const s of DRIVE_STORIES) expect(readSpec(JSON.parse(JSON.stringify(s.of(m, 2)))), s.id).toEqual(s.of(m, 2))
  })
})

describe('a quick-disk drive', () => {
  it('sweeps once in about eight seconds (from memory) and reads every block', () => {
    const pass = sweepQuickDisk(SOUND_QUICK_DISK)
    expect(pass.call).toMatchObject({ kind: 'leave' })
    expect(pass.passS).toBeGreaterThan(7)
    expect(pass.passS).toBeLessThan(9)
    expect(pass.read!.sectors.filter(s => s.status === 'good')).toHaveLength(9)
    expect(pass.channels.map(c => c.name)).toEqual(['MOTOR', 'MEDIA', 'READY', 'READ_DATA'])
  })
  it('speed and start are judged together: fast is said first, a late start after that, dirt last', () => {
    expect(sweepQuickDisk({ ...SOUND_QUICK_DISK, rpm: 450 }).call).toMatchObject({
      kind: 'nudge',
      reasons: [expect.stringMatching(/comes 6\.\d % fast/)],
    })
    expect(sweepQuickDisk({ ...SOUND_QUICK_DISK, startTurns: -1.2 }).call).toMatchObject({
      kind: 'nudge',
      reasons: [expect.stringContaining('later after READY')],
    })
    expect(sweepQuickDisk({ ...SOUND_QUICK_DISK, dirtUm: 6 }).call.kind).toBe('unknown')
  })
})

describe('a cartridge drive', () => {
  it('locks at once where all is well, and clicks until it gives up where a head is hurt', () => {
    expect(loadCartridge(SOUND_CARTRIDGE)).toMatchObject({ locked: true, clicks: 0, call: { kind: 'leave' } })
    const hurt = loadCartridge({ ...SOUND_CARTRIDGE, headsHurt: true })
    expect(hurt).toMatchObject({ locked: false, clicks: 12, diskTorn: true, call: { kind: 'stop' } })
    expect(hurt.events.filter(e => e.what === 'click')).toHaveLength(12)
  })
  it('harm goes both ways: a torn disk hurts the next drive’s heads', () => {
    expect(loadCartridge({ ...SOUND_CARTRIDGE, diskTorn: true, servoSignal: 0.8 })).toMatchObject({
      headsHurt: true,
      call: { kind: 'stop' },
    })
    expect(loadCartridge({ ...SOUND_CARTRIDGE, rpm: 2700 }).locked).toBe(false)
  })
})
