import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import {
  CellWriter,
  crc16,
  halfCellOf,
  readSectors,
  readTrack,
  recogniseTrack,
  sectorTrack,
  type Code,
  type Format,
  type SectorToWrite,
} from '../../../src/signals/codes'
import { fluxOf, separate, type FluxTimes } from '../../../src/signals/separator'
import { Random } from '../../../src/simulator'

const sectorsOf = (count: number, size: number, seed = 1): SectorToWrite[] => {
  const random = new Random(seed)
  return Array.from({ length: count }, (_, i) => ({
    cylinder: 5,
    head: 1,
    sector: i + 1,
    data: Uint8Array.from({ length: size }, () => Math.floor(random.next() * 256)),
  }))
}
/** Half cells of a turn: rate × 2 × 60 / speed. */
const turnOf = (f: Format, rpm: number) => Math.round((f.rate * 2 * 60) / rpm)
const bent = (times: FluxTimes, bend: (t: number, i: number) => number): FluxTimes =>
  Float64Array.from(times, bend).sort()

describe('the check of sectors', () => {
  // CRC-16/IBM-3740 (catalogue of parametrised CRC algorithms): check value of "123456789"; three A1 bytes leave CDB4.
  it('reference values', () => {
    expect(crc16(new TextEncoder().encode('123456789'))).toBe(0x29b1)
    expect(crc16([0xa1, 0xa1, 0xa1])).toBe(0xcdb4)
  })
})

describe('channel codes', () => {
  // ECMA standards, from memory: A1 with a missing clock is 4489 hex, C2 is 5224; FM marks FE and FB with clock C7,
  // FC with D7.
  it('a plain A1 keeps the clock that the mark leaves out', () => {
    const cells = (write: (w: CellWriter) => void) => {
      const w = new CellWriter()
      write(w)
      return [...w.done()].reduce((x, c) => x * 2 + c, 0)
    }
    expect(cells(w => w.mfm(0xa1)) & 0xffff).toBe(0x44a9)
    expect(0x44a9 & ~0x4489).toBe(0x0020)
    expect(cells(w => w.fm(0xfe, 0xc7))).toBe(0xf57e)
    expect(cells(w => w.fm(0xfb, 0xc7))).toBe(0xf56f)
    expect(cells(w => w.fm(0xf8, 0xc7))).toBe(0xf56a)
    expect(cells(w => w.fm(0xfc, 0xd7))).toBe(0xf77a)
  })
  it('MFM turns the flux every second to fourth half cell, FM every one or two', () => {
    fc.assert(
      fc.property(fc.uint8Array({ minLength: 4, maxLength: 200 }), bytes => {
        for (const [code, least, most] of [
          ['mfm', 2, 4],
          ['fm', 1, 2],
        ] as const) {
          const w = new CellWriter()
          for (const b of bytes) w[code](b)
          const ones = [...w.done()].flatMap((c, i) => (c ? [i] : []))
          for (let i = 1; i < ones.length; i++) {
            expect(ones[i]! - ones[i - 1]!).toBeGreaterThanOrEqual(least)
            expect(ones[i]! - ones[i - 1]!).toBeLessThanOrEqual(most)
          }
        }
      }),
    )
  })
})

describe('flux density', () => {
  // Titles of ECMA-54/59/69 (13 262), ECMA-66/70/78/100 (7 958), ECMA-99 (13 262), ECMA-125 (15 916): flux
  // transitions per radian at the
  // highest. FM turns twice a bit at most, MFM once.
  it.each([
    ['FM', 250_000, 360, 13_262],
    ['MFM', 500_000, 360, 13_262],
    ['FM', 125_000, 300, 7_958],
    ['MFM', 250_000, 300, 7_958],
    ['MFM', 500_000, 300, 15_916],
  ] as const)('%s at %i bit/s and %i r/min has %i a radian', (code, rate, rpm, density) => {
    const w = new CellWriter()
    for (let i = 0; i < 200; i++) w[code === 'FM' ? 'fm' : 'mfm'](code === 'FM' ? 0xff : 0)
    const cells = w.done()
    const transitions = cells.reduce((n, c) => n + c, 0)
    const seconds = cells.length * halfCellOf({ code, rate })
    expect(Math.abs(transitions / seconds / ((2 * Math.PI * rpm) / 60) - density)).toBeLessThan(1.5)
  })
})

describe('reading a track', () => {
  const layouts: readonly (readonly [string, Code, number, number, number, number])[] = [
    // Sectors and sizes of the usual layouts (common knowledge of the ECMA formats, from memory).
    ['8-inch FM', 'FM', 250_000, 360, 26, 128],
    ['8-inch MFM', 'MFM', 500_000, 360, 26, 256],
    ['5.25-inch MFM', 'MFM', 250_000, 300, 9, 512],
    ['5.25-inch FM', 'FM', 125_000, 300, 10, 256],
    ['3.5-inch high density', 'MFM', 500_000, 300, 18, 512],
    ['3.5-inch, long sectors', 'MFM', 250_000, 300, 5, 1024],
  ]
  it.each(layouts)('%s: every sector comes back, whatever the speed within 6 %', (_, code, rate, rpm, count, size) => {
    const format = { code, rate }
    const written = sectorsOf(count, size)
    const cells = sectorTrack(
      code,
      written,
      turnOf(format, rpm),
      code === 'FM' ? { start: 30, afterHeader: 11, afterData: 20 } : { start: 40, afterHeader: 22, afterData: 24 },
    )
    for (const off of [-0.06, 0, 0.06]) {
      const track = recogniseTrack(fluxOf(cells, halfCellOf(format) / (1 + off)))!
      expect(track.format.code).toBe(code)
      expect(track.sectors.map(s => [s.sector, s.size, s.status])).toEqual(written.map(s => [s.sector, size, 'good']))
      for (const [i, s] of track.sectors.entries()) expect(s.data).toEqual(written[i]!.data)
      const nominal = track.format.rate === rate ? off : ((1 + off) * rate) / track.format.rate - 1
      expect(track.rateOff).toBeCloseTo(nominal, 3)
    }
  })

  const format: Format = { code: 'MFM', rate: 250_000 }
  const half = halfCellOf(format)
  const cells = sectorTrack('MFM', sectorsOf(9, 512), turnOf(format, 300))

  it('finds by the transitions the marks that half cell for half cell finds, also in noise and broken sync', () => {
    const format: Format = { code: 'MFM', rate: 250_000 }
    const random = new Random(9)
    const flux = fluxOf(sectorTrack('MFM', sectorsOf(9, 512), turnOf(format, 300)), halfCellOf(format), 2)
    let found = 0
    for (const jitter of [0, 0.1, 0.2, 0.35]) {
      const times = bent(flux, t => t + random.gaussian() * jitter * halfCellOf(format)).filter(
        () => random.next() > jitter / 50,
      )
      const s = separate(times, { halfCellS: halfCellOf(format) })
      const slow = readSectors(s.cells, 'MFM')
      expect(readSectors(s.cells, 'MFM', s.at)).toEqual(slow)
      found += slow.length
    }
    expect(found).toBeGreaterThan(30)
  })
  it('follows slow wow of 1.5 %', () => {
    const track = readTrack(
      bent(fluxOf(cells, half), t => t + (0.015 / (2 * Math.PI * 5)) * Math.sin(2 * Math.PI * 5 * t)),
      format,
    )
    expect(track.sectors.filter(s => s.status === 'good')).toHaveLength(9)
    expect(track.margin).toBeGreaterThan(0.9)
  })
  it('the margin falls with jitter, and sectors fail when it is gone', () => {
    const random = new Random(3)
    const gauss = () => Math.sqrt(-2 * Math.log(1 - random.next())) * Math.cos(2 * Math.PI * random.next())
    const jittered = (share: number) =>
      readTrack(
        bent(fluxOf(cells, half), t => t + gauss() * share * half),
        format,
      )
    const [none, some, much] = [jittered(0), jittered(0.06), jittered(0.3)]
    expect(none.margin).toBeGreaterThan(0.995)
    expect(some.margin).toBeGreaterThan(0.5)
    expect(some.margin).toBeLessThan(0.8)
    expect(some.sectors.filter(s => s.status === 'good')).toHaveLength(9)
    expect(much.sectors.filter(s => s.status === 'good').length).toBeLessThan(9)
  })
  it('sees peak shift as what it is, with its sign', () => {
    const times = fluxOf(cells, half)
    const shifted = Float64Array.from(times, (t, i) => {
      const [before, after] = [t - (times[i - 1] ?? t), (times[i + 1] ?? t) - t]
      // Neighbours push away: a transition moves from the near one towards the far one.
      return t + (before < after - half / 2 ? 0.12 : before > after + half / 2 ? -0.12 : 0) * half
    })
    expect(Math.abs(readTrack(times, format).shift)).toBeLessThan(0.001)
    expect(readTrack(shifted, format).shift).toBeGreaterThan(0.12)
  })
  it('tells what failed: data, header, or data that are not there', () => {
    const broken = cells.slice()
    // Headers begin where three sync words stand; data fields are every other one.
    const marks = [...cells.keys()].filter(
      i =>
        i >= 47 && [0, 16, 32].every(o => Number.parseInt(cells.slice(i - o - 15, i - o + 1).join(''), 2) === 0x4489),
    )
    const flip = (at: number) => {
      for (let i = at; i < at + 32; i++) broken[i] = i % 3 === 0 ? 1 : 0
    }
    flip(marks[1]! + 2000)
    flip(marks[2]! + 40)
    flip(marks[5]! - 40)
    const statuses = readTrack(fluxOf(broken, half), format).sectors.map(s => s.status)
    expect(statuses.slice(0, 4)).toEqual(['data check failed', 'header check failed', 'header without data', 'good'])
  })
  it('a deleted sector is marked so; more turns give each sector again', () => {
    const one = sectorTrack('MFM', [{ ...sectorsOf(1, 128)[0]!, deleted: true }], turnOf(format, 300))
    const track = readTrack(fluxOf(one, half, 3), format)
    expect(track.sectors.map(s => [s.deleted, s.status])).toEqual(Array.from({ length: 3 }, () => [true, 'good']))
  })
  it('what is no track is none: silence, noise, a single transition', () => {
    const random = new Random(9)
    for (const times of [
      new Float64Array(),
      new Float64Array([0.1]),
      Float64Array.from({ length: 40_000 }, () => random.next() * 0.2).sort(),
    ])
      expect(recogniseTrack(times)?.sectors.filter(s => s.status === 'good') ?? []).toEqual([])
    expect(separate(new Float64Array(), { halfCellS: half }).cells).toHaveLength(0)
  })
  it('too many sectors for a turn are refused in a sentence', () => {
    expect(() => sectorTrack('MFM', sectorsOf(14, 512), turnOf(format, 300))).toThrow(
      /14 sectors take \d+ half cells; expected at most 100000, what a revolution has/,
    )
    expect(() => sectorTrack('MFM', [{ ...sectorsOf(1, 128)[0]!, data: new Uint8Array(100) }], 200_000)).toThrow(
      /a sector of 100 bytes; expected 128 bytes, doubled up to six times/,
    )
  })
})
