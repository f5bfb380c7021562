import { describe, expect, it } from 'vitest'
import {
  cutTracks,
  followHeads,
  guessLines,
  isLow,
  judgeBus,
  linesOf,
  lowShare,
  toReadings,
  type BusLines,
} from '../../../src/instruments/interface'
import { bytesSource, readCapture, writeVcd } from '../../../src/signals/captures'
import { linesIn, readingsIn, record } from './helpers'

describe('a recording that begins at cylinder 0', () => {
  const edges = (initial: 0 | 1, ...times: number[]) => ({ times: Float64Array.from(times), initial, gaps: [] })
  const pulses = (...at: number[]) => edges(1, ...at.flatMap(t => [t, t + 2e-6]))
  // TRACK 0 is low while the drive is selected, and the carriage leaves it with the first step.
  const lines = (selectAt: number, firstStep: number): BusLines => ({
    select: edges(1, selectAt),
    'track-0': edges(1, selectAt + 1e-6, firstStep + 0.002),
    direction: edges(0),
    step: pulses(firstStep, firstStep + 0.02),
  })
  it.each([
    ['a little after the recording begins', 0.004, 0.5],
    ['just before the first step', 0.4999, 0.5],
  ])('knows its cylinder where the drive is selected %s', (_, selectAt, firstStep) => {
    const path = followHeads(lines(selectAt, firstStep), 1)
    expect(path.homed).toBe(true)
    expect(path.stays.at(-1)!.cylinder).toBe(2)
    expect(path.strayZeros).toEqual([])
  })
})

describe('channels by their names', () => {
  it('usual ways to write them', () => {
    expect(
      guessLines([
        'INDEX',
        'TRK00',
        'WPT',
        'RDATA',
        'STEP',
        'DIR',
        'SIDE1',
        'MOTOR',
        'DS0',
        'READY',
        'DSKCHG',
        'WGATE',
      ]),
    ).toEqual({
      index: 'INDEX',
      'track-0': 'TRK00',
      'write-protect': 'WPT',
      'read-data': 'RDATA',
      step: 'STEP',
      direction: 'DIR',
      side: 'SIDE1',
      motor: 'MOTOR',
      select: 'DS0',
      ready: 'READY',
      'disk-change': 'DSKCHG',
      'write-gate': 'WGATE',
    })
    expect(guessLines(['D0', 'D1'])).toEqual({})
    expect(guessLines(['bus.Track 0', 'bus.Read Data', 'bus.Write Protect'])).toEqual({
      'track-0': 'bus.Track 0',
      'read-data': 'bus.Read Data',
      'write-protect': 'bus.Write Protect',
    })
  })
})

describe('levels', () => {
  const line = { initial: 1 as const, times: Float64Array.of(1, 2, 5, 6), gaps: [] }
  it('low between its falls and rises', () => {
    expect([0, 1, 1.5, 2, 5.5, 9].map(t => isLow(line, t))).toEqual([false, true, true, false, true, false])
    expect(lowShare(line, 0, 10)).toBeCloseTo(0.2, 12)
    expect(lowShare(line, 1.5, 5.5)).toBeCloseTo(0.25, 12)
  })
})

describe('following the heads', () => {
  const r = record(d => ({ carriage: { ...d.carriage, startCylinder: 6 } }))
  const lines = linesIn(r)
  const path = followHeads(lines, r.durationS)

  it('homing tells where they were; the step below zero is refused', () => {
    expect(path.homed).toBe(true)
    expect(path.seeks.map(s => [s.inward, s.steps, s.from, s.to, s.refused])).toEqual([
      [false, 7, 6, 0, 1],
      [true, 3, 0, 3, 0],
      [false, 1, 3, 2, 0],
    ])
    expect(path.seeks[0]!.stepMs).toBeCloseTo(6.02, 6)
    expect(path.strayZeros).toEqual([])
    expect(r.drive.carriage.refused).toBe(1)
  })
  it('every track is cut where it is, and read without error', () => {
    // While it waits to become ready the host reads a part of cylinder 6.
    const [waiting, ...tracks] = [...readingsIn(r)].reverse()
    expect(waiting).toMatchObject({ cylinder: 6, head: 0 })
    expect(waiting!.sectors.map(s => s.state)).not.toContain('missing')
    expect(tracks.map(t => [t.cylinder, t.head])).toEqual([
      [3, 1],
      [3, 0],
      [2, 1],
      [2, 0],
      [0, 1],
      [0, 0],
    ])
    for (const t of tracks) {
      const written = r.drive.media!.sectorsOf(t.cylinder, t.head)
      expect(t.sectors.map(s => [s.names, s.id, s.state])).toEqual(written.map(s => [s.cylinder, s.sector, 'good']))
      for (const [i, s] of t.sectors.entries()) expect(s.data).toEqual(written[i]!.data)
    }
  })
  it('is the same after a file of it was written and read again', async () => {
    const capture = await readCapture(
      bytesSource('bus.vcd', new TextEncoder().encode(writeVcd(r.channels, { tickNs: 10 }))),
    )
    const again = linesOf(capture)
    expect(Object.keys(again).sort()).toEqual(Object.keys(lines).sort())
    expect(
      toReadings(cutTracks(again, followHeads(again, capture.durationS)))
        .filter(t => t.cylinder < 6)
        .flatMap(t => t.sectors.map(s => s.state)),
    ).toEqual(Array.from({ length: 54 }, () => 'good'))
  })
})

describe('what goes wrong with the heads', () => {
  it('a gummed rail shows: what is read names another cylinder than the step count', () => {
    const r = record(
      d => ({ carriage: { ...d.carriage, startCylinder: 0, stiffFrom: 2, stiffTo: 3, stiffMissPercent: 100 } }),
      { cylinders: [4], heads: [0], turns: 1 },
    )
    const [, last] = readingsIn(r)
    expect(r.drive.carriage.missed).toBe(2)
    expect(last ?? readingsIn(r)[0]).toMatchObject({ cylinder: 4 })
    expect(new Set(readingsIn(r).flatMap(t => t.sectors.filter(s => s.state === 'foreign').map(s => s.names)))).toEqual(
      new Set([2]),
    )
  })
  it('coming home after lost steps, track zero is low where the count says otherwise', () => {
    const r = record(
      d => ({ carriage: { ...d.carriage, startCylinder: 0, stiffFrom: 2, stiffTo: 3, stiffMissPercent: 100 } }),
      { cylinders: [4, 1], heads: [0], turns: 1 },
    )
    const lines = linesIn(r)
    const path = followHeads(lines, r.durationS)
    expect(path.strayZeros[0]).toMatchObject({ cylinder: 2 })
    expect(judgeBus(lines, path, r.durationS).call).toMatchObject({
      kind: 'mend',
      reasons: ['Track zero is low at cylinder 2, by the step count.'],
    })
  })
  it('lines mean nothing while the drive is not selected; without track zero cylinders have no name', () => {
    const r = record(undefined, { cylinders: [2], heads: [0], turns: 1 })
    const { 'track-0': _, ...blind } = linesIn(r)
    const path = followHeads(blind, r.durationS)
    expect(path.homed).toBe(false)
    expect(path.stays.every(s => s.cylinder === null)).toBe(true)
    const never: BusLines = { ...linesIn(r), select: { initial: 1, times: new Float64Array(), gaps: [] } }
    expect(followHeads(never, r.durationS).seeks).toEqual([])
    expect(judgeBus(never, followHeads(never, r.durationS), r.durationS).call.reasons[0]).toMatch(/never selected/)
  })
  it('stops when told to', () => {
    const r = record(undefined, { cylinders: [0, 1, 2], heads: [0], turns: 1 })
    const lines = linesIn(r)
    expect(cutTracks(lines, followHeads(lines, r.durationS), { onTrack: done => done < 2 })).toHaveLength(2)
  })
})
