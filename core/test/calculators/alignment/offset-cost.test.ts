import { describe, expect, it } from 'vitest'
import { toReadings } from '../../../src/instruments/interface'
import { edgeLoss, edgeSoftness, EDGE_LOSS } from '../../../src/instruments/alignment'
import {
  halfWindowUm,
  hasOffsetCost,
  offsetCost,
  offsetUm,
  usualHalfWindowUm,
} from '../../../src/calculators/alignment'
import { LAYOUTS, layoutsOf, MECHANISM_IDS, MECHANISMS, pitchUm, radiusMm } from '../../../src/drives'
import { above } from '../../../src/base/numbers'
import { SimulatedDrive, SimulatedHost, soundDrive } from '../../../src/simulator'

const CLASSES = MECHANISM_IDS.filter(hasOffsetCost)

describe('the normal tail', () => {
  // Abramowitz and Stegun, table 26.1: Q(x) at 0, 1, 2, 3 and 4.
  it.each([
    [0, 0.5],
    [1, 0.158655254],
    [2, 0.022750132],
    [3, 0.001349898],
    [4, 0.0000316712],
    [-1, 0.841344746],
  ])('Q(%d)', (x, q) => expect(Math.abs(above(x) - q)).toBeLessThan(2e-7))
})

describe('radii and pitches', () => {
  // ECMA-100 (from memory): R = 39.500 − 0.1875 n mm on side 0, 38.000 − 0.1875 n on side 1; ECMA-70 (from memory):
  // 57.150 and 55.033 mm less 0.529167 n.
  it.each([
    ['3.5in', 0, 0, 39.5],
    ['3.5in', 79, 0, 39.5 - 79 * 0.1875],
    ['3.5in', 0, 1, 38],
    ['5.25in-48', 0, 0, 57.15],
    ['5.25in-48', 39, 1, 55.033 - 39 * 0.529167],
  ] as const)('%s cylinder %i head %i', (m, c, h, mm) => expect(radiusMm(m, c, h)).toBeCloseTo(mm, 3))
  it('135 tracks an inch are 188 µm apart, 96 are 265, 48 are 529', () => {
    for (const [m, tpi] of [
      ['3.5in', 135],
      ['5.25in-96', 96],
      ['5.25in-48', 48],
      ['8in', 48],
    ] as const)
      expect(Math.abs(pitchUm(m) / (25_400 / tpi) - 1)).toBeLessThan(0.004)
  })
  it('tracks, thousandths and per cent of a track are micrometres', () => {
    expect(offsetUm(1, 'thou', 188)).toBe(25.4)
    expect(offsetUm(0.5, 'tracks', 187.5)).toBe(93.75)
    expect(offsetUm(10, 'percent', 529)).toBeCloseTo(52.9)
  })
})

describe('what an offset costs, worked out', () => {
  it.each(CLASSES)('%s: margin only falls and failures only rise with the offset, at both ends of travel', m => {
    const last = LAYOUTS[layoutsOf(m)[0]!]!.cylinders - 1
    for (const cylinder of [0, last]) {
      let [margin, failing] = [2, -1]
      for (let k = 0; k <= 12; k++) {
        const c = offsetCost(m, { cylinder, offsetUm: (k / 12) * pitchUm(m) * 0.49 })
        expect(c.margin).toBeLessThanOrEqual(margin + 1e-9)
        expect(c.failing).toBeGreaterThanOrEqual(failing - 1e-9)
        margin = c.margin
        failing = c.failing
      }
    }
  })
  it.each(CLASSES)('%s: dense inner tracks forgive less; half the sectors fail where the edge is said to be', m => {
    const last = LAYOUTS[layoutsOf(m)[0]!]!.cylinders - 1
    expect(halfWindowUm(m, { cylinder: last })).toBeLessThan(halfWindowUm(m, { cylinder: 0 }))
    const c = offsetCost(m, { cylinder: 0, offsetUm: usualHalfWindowUm(m) })
    expect(c.failing).toBeCloseTo(0.5, 1)
    expect(1 - c.margin).toBeCloseTo(edgeLoss(m), 9)
    // MFM gives way by jitter, group codes jitter half as much, and give way by the comparator.
    if (m === '5.25in-serial') expect(edgeLoss(m)).toBeLessThan(0.5)
    else expect(Math.abs(edgeLoss(m) - EDGE_LOSS)).toBeLessThan(0.06)
    expect(edgeSoftness(m)).toBeGreaterThan(0.005)
    expect(edgeSoftness(m)).toBeLessThan(0.04)
  })
  // Common practice: a full set of sectors at outer, middle and inner on both heads is what a drive that stands right
  // reads.
  it.each(CLASSES)('%s reads every sector at outer, middle and inner where it stands right', m => {
    const last = LAYOUTS[layoutsOf(m)[0]!]!.cylinders - 1
    for (const cylinder of [0, last >> 1, last])
      expect(offsetCost(m, { cylinder, offsetUm: 0 }).failing).toBeLessThan(0.01)
  })
  it.each([
    ['3.5in', 0],
    ['3.5in', 60],
    ['5.25in-48', 10],
    ['3in', 30],
    ['5.25in-serial', 5],
  ] as const)('%s, cylinder %i: the simulated drive, which draws, comes out as it was worked out', (m, cylinder) => {
    const half = halfWindowUm(m, { cylinder })
    for (const share of [0, 0.5, 0.8, 0.9, 1.1]) {
      const sound = soundDrive(m, 11)
      const drive = new SimulatedDrive({
        ...sound,
        carriage: { ...sound.carriage, offsetUm: share * half, hysteresisUm: 0 },
        disk: { ...sound.disk, eccentricUm: 0 },
      })
      const host = new SimulatedHost(drive)
      host.start()
      host.home()
      host.seek(cylinder)
      const [read] = toReadings([host.read(0, 1)], { stepsPerCylinder: 1, offset: 0 })
      const expected = offsetCost(m, { cylinder, offsetUm: share * half })
      const good = read!.sectors.filter(s => s.state === 'good').length / Math.max(1, read!.sectors.length)
      if (share < 1) expect(Math.abs(read!.margin! - expected.margin)).toBeLessThan(0.03)
      // Nine sectors of one turn: three of them either way are chance at the edge.
      expect(Math.abs(1 - good - expected.failing)).toBeLessThan(0.36)
    }
  })
  it('a drive type without tracks has no offset', () => {
    expect(MECHANISMS.filter(m => !hasOffsetCost(m.id)).map(m => m.id)).toEqual(['quick-disk', 'cartridge'])
  })
})
