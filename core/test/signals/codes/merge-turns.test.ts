import { describe, expect, it } from 'vitest'
import { edgesFromFlux, fluxFromEdges, fluxOf } from '../../../src/signals/separator'
import {
  halfCellOf,
  judgeTrack,
  mergeTurns,
  readTrack,
  sectorTrack,
  type Format,
  type MeasuredSector,
} from '../../../src/signals/codes'

const format: Format = { code: 'MFM', rate: 250_000 }
const sector = (part: Partial<MeasuredSector>): MeasuredSector => ({
  cylinder: 3,
  head: 0,
  sector: 1,
  size: 4,
  status: 'good',
  deleted: false,
  data: Uint8Array.of(1, 2, 3, 4),
  fromCell: 0,
  toCell: 1,
  margin: 0.8,
  atS: 0,
  ...part,
})

describe('turns of a track together', () => {
  it('good every time is good; once not, or with other data, is weak; each kind of failure keeps its name', () => {
    const merged = mergeTurns([
      sector({ sector: 1 }),
      sector({ sector: 1, margin: 0.5 }),
      sector({ sector: 2 }),
      sector({ sector: 2, status: 'data check failed', data: Uint8Array.of(1, 9, 9, 4) }),
      sector({ sector: 3 }),
      sector({ sector: 3, data: Uint8Array.of(1, 2, 3, 5) }),
      sector({ sector: 4, status: 'data check failed' }),
      sector({ sector: 5, status: 'header without data', data: null }),
      sector({ sector: 1, cylinder: 4 }),
    ])
    expect(merged.map(s => [s.cylinder, s.sector, s.state, s.whole, s.seen, s.weakBytes])).toEqual([
      [3, 1, 'good', 2, 2, 0],
      [3, 2, 'weak', 1, 2, 2],
      [3, 3, 'weak', 2, 2, 1],
      [3, 4, 'bad-data', 0, 1, 0],
      [3, 5, 'no-data', 0, 1, 0],
      [4, 1, 'foreign', 1, 1, 0],
    ])
    expect(merged[0]!.margin).toBe(0.5)
  })
  it('what is foreign follows from where the heads stand, where that is known', () => {
    expect(mergeTurns([sector({}), sector({ sector: 2 })], 4).map(s => s.state)).toEqual(['foreign', 'foreign'])
  })
  it('a header that never passes takes the number that is missing from the row; one that passed in another turn is that sector', () => {
    const turn = (k: number) => [
      sector({ sector: 1, atS: k * 0.2 + 0.01 }),
      sector({ sector: 2, atS: k * 0.2 + 0.05 }),
      sector({ sector: 4, atS: k * 0.2 + 0.13 }),
    ]
    const failed = (atS: number) => sector({ sector: 99, atS, status: 'header check failed', data: null })
    const merged = mergeTurns([...turn(0), ...turn(1), failed(0.09), failed(0.29), failed(0.45)])
    expect(merged.map(s => [s.sector, s.state, s.seen])).toEqual([
      [1, 'good', 2],
      [2, 'good', 2],
      [3, 'bad-header', 2],
      [4, 'good', 2],
    ])
  })
  it('the read-data line and back is the same flux, whichever way it points', () => {
    const times = fluxOf(
      sectorTrack('MFM', [{ cylinder: 0, head: 0, sector: 1, data: new Uint8Array(512) }], 100_000),
      halfCellOf(format),
    )
    const line = edgesFromFlux(times)
    expect(fluxFromEdges(line)).toEqual(times)
    expect(fluxFromEdges({ ...line, initial: 0 }, false)).toEqual(times)
  })
  it('the call follows from sectors, margin and foreign headers', () => {
    const times = fluxOf(
      sectorTrack(
        'MFM',
        [1, 2, 3].map(n => ({ cylinder: 7, head: 0, sector: n, data: new Uint8Array(512).fill(n) })),
        100_000,
      ),
      halfCellOf(format),
      2,
    )
    const track = readTrack(times, format)
    const call = (margin: number, sectors = mergeTurns(track.sectors)) => judgeTrack({ ...track, margin }, sectors).call
    expect(call(0.9)).toMatchObject({ kind: 'leave', reasons: ['All 3 sectors read, with a timing margin of 90 %.'] })
    expect(call(0.35).kind).toBe('unknown')
    expect(call(0.1).kind).toBe('mend')
    expect(
      call(0.9, mergeTurns([sector({}), sector({ sector: 2 }), sector({ sector: 2, cylinder: 4 })])).reasons[0],
    ).toBe('1 header names another cylinder: a neighbour track is picked up.')
    expect(call(0.9, mergeTurns([sector({}), sector({ sector: 2, status: 'data check failed' })])).reasons[0]).toBe(
      '1 of 2 sectors did not read without error every time: 2 (data check failed).',
    )
  })
})
