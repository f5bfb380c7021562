import { readFileSync } from 'node:fs'
import { join } from 'node:path'
import { describe, expect, it } from 'vitest'
import { halfCellOf, readHardSectors, readTrack, recogniseTrack } from '../../../src/signals/codes'
import { fluxOf } from '../../../src/signals/separator'
import { cellsOf, outsideFolder, outsideTracks as tracks } from './outside-tracks'

const hex = (bytes: Uint8Array | null) => (bytes === null ? null : Buffer.from(bytes).toString('hex'))

interface HardTrack {
  readonly hex: string
  /** Half cells from one hole to the next. */
  readonly stretch: number
  readonly data: readonly string[]
}

describe('hard sectors that another hand wrote', () => {
  const both: Record<'FM' | 'MFM', HardTrack> = JSON.parse(
    readFileSync(join(outsideFolder, 'hard-sectors.json'), 'utf8'),
  )
  it.each([
    ['FM', 125_000],
    ['MFM', 250_000],
  ] as const)('%s: the bytes after each hole, and where they begin', (code, rate) => {
    const { hex: text, stretch, data } = both[code]
    const cells = Uint8Array.from(
      { length: text.length * 4 },
      (_, i) => (Number.parseInt(text[i >> 2]!, 16) >> (3 - (i & 3))) & 1,
    )
    const half = halfCellOf({ code, rate })
    const holes = Array.from({ length: data.length + 1 }, (_, i) => i * stretch * half)
    const found = readHardSectors(fluxOf(cells, half), holes, { code, rate }, { firstOfTurn: 0, count: data.length })
    expect(found.map(f => f.sector)).toEqual(data.map((_, i) => i))
    for (const [i, wanted] of data.entries()) {
      expect(found[i]!.bytes[0], `sector ${i}`).toBe(0xfb)
      expect(hex(found[i]!.bytes.slice(1, 257)), `sector ${i}`).toBe(wanted)
      // Sixteen bytes of zeros stand before the sync byte.
      expect(Math.abs(found[i]!.startUs! - 16 * 16 * half * 1e6)).toBeLessThan(4 * half * 1e6)
    }
  })
})

describe('tracks that another hand wrote', () => {
  it('are there for every code', () => {
    expect(new Set(tracks.map(t => t.code))).toEqual(
      new Set([
        'FM',
        'MFM',
        'split MFM',
        '4-to-5',
        '6-and-2',
        '5-and-3',
        'zoned 6-and-2',
        'quick bytes',
        'quick files',
      ]),
    )
  })
  it.each(tracks)('$name: every byte comes back', track => {
    const format = { code: track.code, rate: track.rate }
    const read = readTrack(fluxOf(cellsOf(track), halfCellOf(format)), format)
    expect(read.sectors.map(s => [s.cylinder, s.head, s.sector, s.status])).toEqual(
      track.sectors.map(s => [s.cylinder, s.head, s.sector, 'good']),
    )
    for (const [i, wanted] of track.sectors.entries()) {
      const found = read.sectors[i]!
      expect(hex(found.data), `sector ${wanted.sector}`).toBe(wanted.data)
      expect(found.deleted).toBe(wanted.deleted)
      expect(hex(found.tags ?? new Uint8Array())).toBe(wanted.tags)
    }
  })
  it.each(tracks.filter(t => t.sectors.length > 1))('$name: is recognised among all codes, 2 % fast', track => {
    const format = { code: track.code, rate: track.rate }
    const read = recogniseTrack(fluxOf(cellsOf(track), halfCellOf(format) / 1.02))!
    expect(read.format.code).toBe(track.code)
    expect(read.sectors.filter(s => s.status === 'good')).toHaveLength(track.sectors.length)
  })
  it.each(tracks)('$name: one cell that is changed in the data is noticed', track => {
    const format = { code: track.code, rate: track.rate }
    const before = readTrack(fluxOf(cellsOf(track), halfCellOf(format)), format).sectors.find(s => s.size > 50)!
    const cells = cellsOf(track)
    const at = before.toCell - 200
    for (let i = at; i < at + 16; i++) cells[i] = i % 4 ? 0 : 1
    const after = readTrack(fluxOf(cells, halfCellOf(format)), format).sectors.find(s => s.sector === before.sector)
    expect(after?.status ?? 'not found').not.toBe('good')
  })
})
