import { describe, expect, it } from 'vitest'
import {
  innerThirds,
  judgeSurface,
  likelyClass,
  marginsTable,
  namingOf,
  railBars,
  summariseHead,
  toReadings,
  totalsOf,
  worstTrack,
  type RawTrack,
  type SectorReading,
  type TrackReading,
} from '../../../src/instruments/interface'
import { PHASE_BINS } from '../../../src/signals/separator'
import type { MeasuredSector } from '../../../src/signals/codes'

const sector = (id: number, part: Partial<SectorReading> = {}): SectorReading => ({
  id,
  bytes: 512,
  state: 'good',
  names: 0,
  margin: 0.7,
  whole: 2,
  seen: 2,
  weakBytes: 0,
  data: null,
  ...part,
})
const track = (cylinder: number, head: 0 | 1, part: Partial<TrackReading> = {}): TrackReading => ({
  cylinder,
  head,
  fromS: 0,
  toS: 0.4,
  turns: 2,
  seconds: 0.4,
  transitions: 60_000,
  sample: new Float64Array(),
  format: { code: 'MFM', rate: 250_000 },
  margin: 0.7,
  shift: 0,
  asymmetry: 0,
  rateOff: 0,
  histogram: [],
  sectors: Array.from({ length: 9 }, (_, i) => sector(i + 1, { names: cylinder })),
  ...part,
})
const disk = (change: (cylinder: number, head: 0 | 1) => Partial<TrackReading> = () => ({})): TrackReading[] =>
  Array.from({ length: 40 }, (_, c) => [track(c, 0, change(c, 0)), track(c, 1, change(c, 1))]).flat()
const failing = (cylinder: number, n: number, state: SectorReading['state'] = 'bad-data'): Partial<TrackReading> => ({
  sectors: Array.from({ length: 9 }, (_, i) =>
    sector(
      i + 1,
      i < n ? { state, whole: 0, names: state === 'foreign' ? cylinder + 1 : cylinder } : { names: cylinder },
    ),
  ),
})

describe('what a surface says', () => {
  const say = (change: (cylinder: number, head: 0 | 1) => Partial<TrackReading>, trustedDisk = true) =>
    judgeSurface(disk(change), { trustedDisk }).call
  it('all well: leave it, with the least margin', () => {
    expect(say(c => ({ margin: 0.8 - c * 0.005 }))).toMatchObject({
      kind: 'leave',
      reasons: [expect.stringMatching(/All 720 sectors .* at least 61 %/)],
    })
  })
  // Common practice: if both heads disagree it is the heads; if both are off together it is the sensor or the stepper.
  it('headers of the next cylinder on one head: that head; on both: sensor or stepper; an untrusted disk decides nothing', () => {
    const one = say((c, h) => (h ? { ...failing(c, 5, 'foreign'), margin: 0.4 } : {}))
    expect(one).toMatchObject({ kind: 'nudge', next: expect.stringContaining('The upper head, not the sensor') })
    expect(one.reasons[0]).toContain('towards the hub; the lower head is sound')
    expect(say(c => ({ ...failing(c, 5, 'foreign'), margin: 0.4 }))).toMatchObject({
      kind: 'nudge',
      next: expect.stringContaining('Sensor or stepper'),
    })
    expect(say((c, h) => (h ? { ...failing(c, 5, 'foreign'), margin: 0.4 } : {}), false)).toMatchObject({
      kind: 'unknown',
      next: expect.stringContaining('verified drive wrote'),
    })
  })
  it.each([
    [
      'a dead head',
      (_: number, h: 0 | 1) => (h ? { sectors: [], margin: null, transitions: 0 } : {}),
      'leave',
      /All 360 sectors/,
    ],
    [
      'a head whose sectors are all missing',
      (c: number, h: 0 | 1) => (h ? { ...failing(c, 9, 'missing'), margin: null, transitions: 0 } : {}),
      'mend',
      /upper head reads nothing; the lower head is sound/,
    ],
    [
      'a signal, but no sector',
      (c: number, h: 0 | 1) => (h ? { ...failing(c, 9, 'bad-header'), margin: 0.02 } : {}),
      'unknown',
      /upper head finds a signal, but hardly a sector/,
    ],
    [
      'a spot',
      (c: number, h: 0 | 1) => (!h && c >= 12 && c <= 13 ? failing(c, 3) : {}),
      'unknown',
      /fails only on cylinders 12 to 13/,
    ],
    [
      'less towards the hub',
      (c: number, h: 0 | 1) => (h ? {} : { margin: 0.7 - c * 0.016, ...(c > 25 ? failing(c, 4) : {}) }),
      'unknown',
      /lower head loses its margin towards the hub/,
    ],
    [
      'with very low timing margin',
      (c: number) => (c === 39 ? { margin: 0.25 } : {}),
      'mend',
      /at cylinder 39 with a very low timing margin: 25 %/,
    ],
    [
      'uneasy',
      (c: number) => (c === 39 ? { margin: 0.36 } : {}),
      'unknown',
      /at cylinder 39 the timing margin is 36 %/,
    ],
    ['off speed', () => ({ rateOff: -0.05 }), 'nudge', /5\.0 % slow/],
  ] as const)('%s', (_, change, kind, says) => {
    const call = say(change as (c: number, h: 0 | 1) => Partial<TrackReading>)
    expect(call.kind).toBe(kind)
    expect(call.reasons.join(' ')).toMatch(says)
  })
  it('nothing at all is not known yet', () => {
    expect(judgeSurface([]).call.kind).toBe('unknown')
    expect(summariseHead([], 0)).toMatchObject({ sectors: 0, leastMargin: null })
  })
  it('bars, totals and the table tell the same', () => {
    const tracks = [
      track(3, 1, { ...failing(3, 2), margin: 0.456 }),
      track(4, 0, { margin: null, sectors: [sector(1, { state: 'missing' })] }),
    ]
    expect(railBars(tracks)).toEqual([
      { cylinder: 3, head: 1, margin: 0.456, good: 7, bad: 2, missing: 0, wrongCylinder: 0 },
      { cylinder: 4, head: 0, margin: null, good: 0, bad: 0, missing: 1, wrongCylinder: 0 },
    ])
    expect(totalsOf(tracks)).toEqual({ good: 7, bad: 2, missing: 1, foreign: 0 })
    expect(marginsTable(tracks).rows[0]!.slice(0, 10)).toEqual([3, 1, 'MFM', 250_000, 2, 7, 2, 0, 0, '45.6'])
  })
  it('the class that a recording came from, as far as tracks, speed and code tell', () => {
    expect(likelyClass(disk(), 300)).toBe('5.25in-48')
    expect(likelyClass([track(79, 0)], 300)).toBe('3.5in')
    expect(likelyClass([track(76, 0)], 360)).toBe('8in')
    expect(likelyClass([track(79, 0)], 360)).toBe('5.25in-96')
    expect(likelyClass([track(30, 0, { format: { code: '4-to-5', rate: 3e5 } })], 300)).toBe('5.25in-serial')
    expect(likelyClass([], 300)).toBeNull()
  })
})

describe('stretches put together to tracks', () => {
  const found = (
    cylinder: number,
    id: number,
    atS: number,
    status: MeasuredSector['status'] = 'good',
  ): MeasuredSector => ({
    cylinder,
    head: 0,
    sector: id,
    size: 512,
    status,
    deleted: false,
    data: new Uint8Array(512),
    fromCell: 0,
    toCell: 1,
    margin: 0.6,
    atS,
  })
  const raw = (cylinder: number | null, ids: readonly number[], names = cylinder ?? 0, seconds = 0.4): RawTrack => ({
    cylinder,
    head: 0,
    fromS: 0,
    toS: seconds,
    turns: 2,
    transitions: 60_000,
    sample: new Float64Array(),
    read: {
      format: { code: 'MFM', rate: 250_000 },
      margin: 0.6,
      shift: 0,
      asymmetry: 0,
      rateOff: 0,
      histogram: new Uint32Array(PHASE_BINS).fill(1),
      sectors: ids.map((id, i) => found(names, id, i * 0.02)),
    },
  })
  const nine = [1, 2, 3, 4, 5, 6, 7, 8, 9]
  it('what neighbours of the same layout have and one has not is missing; a short look lacks nothing', () => {
    const readings = toReadings([raw(0, nine), raw(1, nine.slice(0, 7)), raw(2, nine), raw(3, [4, 5], 3, 0.1)])
    expect(readings[1]!.sectors.filter(s => s.state === 'missing').map(s => s.id)).toEqual([8, 9])
    expect(readings[3]!.sectors.map(s => s.state)).toEqual(['good', 'good'])
  })
  it('visits of the same track are one', () => {
    const [track] = toReadings([raw(5, nine), raw(5, nine)])
    expect(track).toMatchObject({ turns: 4, seconds: 0.8 })
    expect(track!.sectors.map(s => s.seen)).toEqual(nine.map(() => 2))
  })
  it('a disk that is stepped over twice, and a count that is off by one everywhere, are told apart', () => {
    const twice = [0, 2, 4, 6, 8].map(c => raw(c, nine, c / 2))
    expect(namingOf(twice)).toEqual({ stepsPerCylinder: 2, offset: 0 })
    expect(toReadings([...twice, raw(3, [])]).map(t => t.cylinder)).toEqual([0, 1, 2, 3, 4])
    const off = [0, 1, 2, 3].map(c => raw(c, nine, c + 1))
    expect(namingOf(off)).toEqual({ stepsPerCylinder: 1, offset: 1 })
    expect(totalsOf(toReadings(off)).foreign).toBe(0)
    expect(namingOf([])).toEqual({ stepsPerCylinder: 1, offset: 0 })
  })
  it('without track zero the headers name the cylinders; what names none is left out', () => {
    expect(toReadings([raw(null, nine, 7), raw(null, [])]).map(t => t.cylinder)).toEqual([7])
  })
})

describe('where to look first', () => {
  const bad = (n: number) => Array.from({ length: 9 }, (_, i) => sector(i + 1, i < n ? { state: 'bad-data' } : {}))
  it('at the track with most failed sectors, and of two alike at the one with less margin', () => {
    expect(worstTrack([])).toBeNull()
    const tracks = [track(3, 0, { sectors: bad(1) }), track(9, 1, { sectors: bad(4) }), track(12, 0)]
    expect(worstTrack(tracks)).toBe(tracks[1])
    const even = [track(0, 0, { margin: 0.6 }), track(1, 0, { margin: 0.3 }), track(2, 0, { margin: 0.5 })]
    expect(worstTrack(even)).toBe(even[1])
    // Nothing read at all is less than any margin.
    expect(worstTrack([...even, track(3, 0, { margin: null })])!.cylinder).toBe(3)
  })
  it('the inner third of each head counts its own tracks only', () => {
    const tracks = [
      track(0, 0, { sectors: bad(9) }),
      track(79, 0, { sectors: bad(0) }),
      track(79, 1, { sectors: bad(3) }),
    ]
    expect(innerThirds(tracks)).toEqual([
      { head: 1, share: 6 / 9 },
      { head: 0, share: 1 },
    ])
    expect(innerThirds([])).toEqual([])
  })
})
