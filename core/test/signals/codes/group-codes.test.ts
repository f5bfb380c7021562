import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import {
  BYTES,
  BYTES_OF_FIVE,
  fiveAndThreeTrack,
  fromFives,
  fromSixes,
  GROUPS,
  groupTrack,
  halfCellOf,
  joinBits,
  cellsInTurn,
  QUICK_RATE,
  quickStream,
  recogniseTrack,
  sixAndTwoTrack,
  splitBits,
  splitTrack,
  toFives,
  toSixes,
  ZONES,
  zoneOf,
  type Format,
  type SectorToWrite,
} from '../../../src/signals/codes'
import { fluxOf } from '../../../src/signals/separator'
import { Random } from '../../../src/simulator'

const sectorsOf = (count: number, size: number, cylinder: number, first = 0): SectorToWrite[] => {
  const random = new Random(count + cylinder)
  return Array.from({ length: count }, (_, i) => ({
    cylinder,
    head: 0,
    sector: i + first,
    data: Uint8Array.from({ length: size }, () => Math.floor(random.next() * 256)),
  }))
}
const turn = (f: Format, rpm = 300) => Math.floor(60 / rpm / halfCellOf(f))

describe('4-to-5 group code', () => {
  // From memory: no group has more than two zeros in a row, nor do two side by side; ten ones in a row never come up
  // in data.
  it('runs stay short, whatever the data', () => {
    expect(new Set(GROUPS).size).toBe(16)
    fc.assert(
      fc.property(fc.uint8Array({ minLength: 1, maxLength: 100 }), bytes => {
        const cells = [...bytes]
          .flatMap(b => [GROUPS[b >> 4]!, GROUPS[b & 15]!])
          .map(g => g.toString(2).padStart(5, '0'))
          .join('')
        expect(cells).not.toMatch(/000|1{10}/)
      }),
    )
  })
  // From memory: 21, 19, 18, 17 sectors in cells of 3.25, 3.5, 3.75, 4 µs, on tracks 1 to 17, 18 to 24, 25 to 30, 31
  // to 35.
  it.each([
    [0, 21],
    [16, 21],
    [17, 19],
    [23, 19],
    [24, 18],
    [29, 18],
    [30, 17],
    [34, 17],
  ])('cylinder %i has %i sectors, all of which come back', (cylinder, count) => {
    const zone = zoneOf(cylinder)
    expect(zone.sectors).toBe(count)
    const format: Format = { code: '4-to-5', rate: 1e6 / zone.cellUs }
    const written = sectorsOf(count, 256, cylinder)
    const cells = groupTrack(written, turn(format))
    for (const off of [-0.03, 0, 0.03]) {
      const track = recogniseTrack(fluxOf(cells, halfCellOf(format) / (1 + off)))!
      expect(track.format.code).toBe('4-to-5')
      expect(track.sectors.map(s => [s.cylinder, s.sector, s.status])).toEqual(
        written.map(s => [cylinder, s.sector, 'good']),
      )
      for (const [i, s] of track.sectors.entries()) expect(s.data).toEqual(written[i]!.data)
    }
  })
  it('every zone fills its turn and no more than it', () => {
    for (const z of ZONES) {
      const format: Format = { code: '4-to-5', rate: 1e6 / z.cellUs }
      expect(() => groupTrack(sectorsOf(z.sectors, 256, 1), turn(format))).not.toThrow()
      expect(() => groupTrack(sectorsOf(z.sectors + 2, 256, 1), turn(format))).toThrow(
        /take \d+ cells; expected at most/,
      )
    }
  })
})

describe('6-and-2 group code', () => {
  it('the rule gives sixty-four bytes, from 96 to FF hex', () => {
    expect(BYTES).toHaveLength(64)
    expect([BYTES[0], BYTES[1], BYTES.at(-1)]).toEqual([0x96, 0x97, 0xff])
    for (const b of [0xaa, 0xd5]) expect(BYTES).not.toContain(b)
  })
  it('256 bytes become 343 sixes and come back; one that is changed is noticed', () => {
    fc.assert(
      fc.property(
        fc.uint8Array({ minLength: 256, maxLength: 256 }),
        fc.nat(342),
        fc.integer({ min: 1, max: 63 }),
        (data, at, by) => {
          const sixes = toSixes(data)
          expect(sixes).toHaveLength(343)
          expect(fromSixes(sixes)).toEqual(data)
          expect(fromSixes(sixes.map((s, i) => (i === at ? s ^ by : s)))).toBeNull()
        },
      ),
      { numRuns: 60 },
    )
  })
  it('sixteen sectors of a turn come back', () => {
    const format: Format = { code: '6-and-2', rate: 250_000 }
    const written = sectorsOf(16, 256, 17)
    const track = recogniseTrack(fluxOf(sixAndTwoTrack(written, turn(format)), halfCellOf(format) * 1.02))!
    expect(track.format.code).toBe('6-and-2')
    expect(track.sectors.map(s => [s.cylinder, s.sector, s.status])).toEqual(written.map(s => [17, s.sector, 'good']))
    for (const [i, s] of track.sectors.entries()) expect(s.data).toEqual(written[i]!.data)
    expect(track.rateOff).toBeCloseTo(1 / 1.02 - 1, 3)
  })
})

describe('5-and-3 group code', () => {
  it('the rule gives thirty-two bytes, none with two zeros side by side', () => {
    expect(BYTES_OF_FIVE).toHaveLength(32)
    expect([BYTES_OF_FIVE[0], BYTES_OF_FIVE[1], BYTES_OF_FIVE.at(-1)]).toEqual([0xab, 0xad, 0xff])
  })
  it('256 bytes become 411 fives and come back; one that is changed is noticed', () => {
    fc.assert(
      fc.property(
        fc.uint8Array({ minLength: 256, maxLength: 256 }),
        fc.nat(410),
        fc.integer({ min: 1, max: 31 }),
        (data, at, by) => {
          const fives = toFives(data)
          expect(fives).toHaveLength(411)
          expect(fromFives(fives)).toEqual(data)
          expect(fromFives(fives.map((s, i) => (i === at ? s ^ by : s)))).toBeNull()
        },
      ),
      { numRuns: 60 },
    )
  })
  it('thirteen sectors of a turn come back; fourteen do not fit', () => {
    const format: Format = { code: '5-and-3', rate: 250_000 }
    const written = sectorsOf(13, 256, 9)
    const track = recogniseTrack(fluxOf(fiveAndThreeTrack(written, turn(format)), halfCellOf(format) / 0.97))!
    expect(track.format.code).toBe('5-and-3')
    expect(track.sectors.map(s => [s.cylinder, s.sector, s.status])).toEqual(written.map(s => [9, s.sector, 'good']))
    for (const [i, s] of track.sectors.entries()) expect(s.data).toEqual(written[i]!.data)
    expect(() => fiveAndThreeTrack(sectorsOf(14, 256, 9), turn(format))).toThrow(
      /14 sectors take \d+ cells; expected at most 50000/,
    )
  })
})

describe('the stream of a quick disk', () => {
  const format: Format = { code: 'quick stream', rate: QUICK_RATE }
  const random = new Random(4)
  const blocks = [20, 3000, 8192, 17].map((size, i) => ({
    kind: i % 2,
    data: Uint8Array.from({ length: size }, () => Math.floor(random.next() * 256)),
  }))
  // A pass of about 8 s at 101.6 kbit/s holds about 100 000 bytes raw (from memory): its 64 KB of data fit.
  const pass = cellsInTurn(format, 8)
  it('blocks come back in order, at any speed within 5 %, with the pass jittered', () => {
    for (const off of [-0.05, 0, 0.05]) {
      const flux = fluxOf(quickStream(blocks, pass), halfCellOf(format) / (1 + off)).map(
        t => t + random.gaussian() * 0.2e-6,
      )
      const track = recogniseTrack(flux)!
      expect(track.format.code).toBe('quick stream')
      expect(track.sectors.map(s => [s.sector, s.size, s.status])).toEqual(
        blocks.map((b, i) => [i + 1, b.data.length, 'good']),
      )
      for (const [i, s] of track.sectors.entries()) expect(s.data).toEqual(blocks[i]!.data)
      expect(track.rateOff).toBeCloseTo(off, 3)
    }
  })
  it('a whole side of 64 KB fits a pass, twice as much does not; a run of ones in data starts no block', () => {
    expect(() => quickStream([{ kind: 0, data: new Uint8Array(65_535) }], pass)).not.toThrow()
    expect(() =>
      quickStream(
        [1, 2].map(kind => ({ kind, data: new Uint8Array(65_535) })),
        pass,
      ),
    ).toThrow(/2 blocks take \d+ half cells; expected at most/)
    const ones = quickStream(
      [
        { kind: 1, data: new Uint8Array(500).fill(0xff).fill(0, 300) },
        { kind: 1, data: Uint8Array.of(7) },
      ],
      cellsInTurn(format, 1),
    )
    expect(recogniseTrack(fluxOf(ones, halfCellOf(format)))!.sectors.map(s => [s.size, s.status])).toEqual([
      [500, 'good'],
      [1, 'good'],
    ])
  })
  it('a block that is spoilt keeps its number', () => {
    const cells = quickStream(blocks, pass)
    const broken = cells.slice()
    for (let i = 40_000; i < 40_040; i++) broken[i] = i % 3 ? 0 : 1
    expect(recogniseTrack(fluxOf(broken, halfCellOf(format)))!.sectors.map(s => [s.sector, s.status])).toEqual([
      [1, 'good'],
      [2, 'data check failed'],
      [3, 'good'],
      [4, 'good'],
    ])
  })
})

describe('a track written at once, in split words', () => {
  const format: Format = { code: 'split MFM', rate: 250_000 }
  it('odd and even bits go apart and come together', () => {
    expect([...splitBits(Uint8Array.of(0b1010_1010, 0b0101_0101))]).toEqual([0b0101_0101, 0, 0, 0b0101_0101])
    fc.assert(
      fc.property(fc.uint8Array({ maxLength: 64 }), bytes => {
        expect(joinBits(splitBits(bytes))).toEqual(bytes)
      }),
    )
  })
  it('eleven sectors of 512 bytes come back, on either side', () => {
    const written = sectorsOf(11, 512, 40).map(s => ({ ...s, head: 1 }))
    const cells = splitTrack(written, turn(format))
    const track = recogniseTrack(fluxOf(cells, halfCellOf(format)))!
    expect(track.format.code).toBe('split MFM')
    expect(track.sectors.map(s => [s.cylinder, s.head, s.sector, s.status])).toEqual(
      written.map(s => [40, 1, s.sector, 'good']),
    )
    for (const [i, s] of track.sectors.entries()) expect(s.data).toEqual(written[i]!.data)
    const broken = cells.slice()
    for (let i = 6000; i < 6040; i++) broken[i] = i % 3 ? 0 : 1
    expect(recogniseTrack(fluxOf(broken, halfCellOf(format)))!.sectors.filter(s => s.status !== 'good')).toHaveLength(1)
    expect(() => splitTrack(written.slice(1), turn(format))).toThrow(/10 sectors; expected 11 of 512 bytes/)
  })
})
