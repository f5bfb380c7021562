import { describe, expect, it } from 'vitest'
import { combineReads, halfCellOf, readTrack, softReads, type SoftRead } from '../../../src/signals/codes'
import { fluxOf } from '../../../src/signals/separator'
import { Random } from '../../../src/simulator'
import { cellsOf, outsideTracks, type OutsideTrack } from './outside-tracks'

/** Turns of a track by another writer, each transition moved by noise of its own, one in two thousand lost. */
function noisyTurns(t: OutsideTrack, turns: number, jitter: number, seed: number): Float64Array {
  const random = new Random(seed)
  const half = halfCellOf(t)
  return fluxOf(cellsOf(t), half, turns)
    .filter(() => random.next() > 0.0005)
    .map(x => x + random.gaussian() * jitter * half)
    .sort()
}

/** Readings that failed, by sector, of those that no turn read; and what the turns read. */
function failing(t: OutsideTrack, times: Float64Array) {
  const sectors = readTrack(times, t).sectors
  const whole = new Set(sectors.filter(s => s.status === 'good').map(s => s.sector))
  const reads = softReads(times, t, f => f.status === 'data check failed' && !whole.has(f.sector))
  const bySector = new Map<number, SoftRead[]>()
  for (const r of reads) bySector.set(r.found.sector, [...(bySector.get(r.found.sector) ?? []), r])
  return { whole, bySector }
}

const hex = (bytes: Uint8Array) => Buffer.from(bytes).toString('hex')

describe('sectors put together from readings that all failed, on tracks by another writer', () => {
  /** Sectors that ten turns did not read, and how many of them came out. What comes out must be right. */
  function winsAt(name: string, jitter: number): { readonly tried: number; readonly won: number } {
    const track = outsideTracks.find(t => t.name === name)!
    let [tried, won] = [0, 0]
    for (const seed of [1, 2, 3, 4]) {
      const { bySector } = failing(track, noisyTurns(track, 10, jitter, seed))
      for (const [sector, reads] of bySector) {
        const combined = combineReads(reads)
        tried++
        if (!combined) continue
        won++
        expect(hex(combined.data!), `sector ${sector}`).toBe(track.sectors.find(s => s.sector === sector)?.data)
      }
    }
    return { tried, won }
  }

  it.each([
    ['MFM, size code 2', 0.16],
    ['MFM, size code 4', 0.15],
    ['FM, marks F8 to FB', 0.16],
    ['split words', 0.16],
    ['4-to-5', 0.16],
    ['zoned 3.5-inch, cylinder 3, side 0, format 12', 0.15],
  ])('%s: most of them come out', (name, jitter) => {
    const { tried, won } = winsAt(name, jitter)
    expect(tried).toBeGreaterThan(3)
    expect(won / tried).toBeGreaterThan(0.6)
  })

  it.each(['6-and-2', '5-and-3'])('%s, whose check is weak: what comes out is right all the same', name => {
    for (const jitter of [0.15, 0.16, 0.17, 0.18]) expect(winsAt(name, jitter).tried).toBeGreaterThan(0)
  })

  it('wins nothing where one reading is all there is, or where the data are not there', () => {
    const track = outsideTracks.find(t => t.name === 'MFM, size code 2')!
    const { bySector } = failing(track, noisyTurns(track, 1, 0.17, 9))
    for (const reads of bySector.values()) expect(combineReads(reads)).toBeNull()
    expect(combineReads([])).toBeNull()
  })

  it('leaves a sector wrong that is wrong on the disk: all readings agree, and its check does not pass', () => {
    const track = outsideTracks.find(t => t.name === 'MFM, size code 2')!
    const cells = cellsOf(track)
    // Cells of the first sector's data, changed to others that the code allows.
    for (let i = 0; i < 64; i++) cells[4000 + i] = i % 3 === 0 ? 1 : 0
    const half = halfCellOf(track)
    const reads = softReads(fluxOf(cells, half, 6), track, f => f.status === 'data check failed')
    expect(reads.length).toBeGreaterThan(2)
    expect(combineReads(reads)).toBeNull()
  })
})
