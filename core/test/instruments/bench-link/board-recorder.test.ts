import { describe, expect, it } from 'vitest'
import { readDiskByBoard, wholeDisk, type BoardTrack } from '../../../src/instruments/bench-link'
import { reportBus, surfaceOfRaw } from '../../../src/instruments/interface'
import type { Fault } from './on-wire'
import { recordBoard } from './record'

/** Reads two cylinders through a board, and what it told as a recording. */
async function recorded(fault?: Fault) {
  const { result, capture } = await recordBoard(
    async (board, pause) => {
      const all: BoardTrack[] = []
      for await (const t of readDiskByBoard(board, pause, { tracks: wholeDisk(2, 2), turns: 2 })) all.push(t)
      return all
    },
    { fault },
  )
  return { all: result, capture }
}

describe('what a board told, as a recording', () => {
  it('is read like one of a logic analyser: the same tracks, sectors and margins as read directly', async () => {
    const { all, capture } = await recorded()
    const direct = surfaceOfRaw(all.map(t => t.track))
    const report = reportBus(capture)
    expect(report.tracks.map(t => [t.cylinder, t.head])).toEqual(direct.tracks.map(t => [t.cylinder, t.head]))
    for (const [i, t] of report.tracks.entries()) {
      const other = direct.tracks[i]!
      expect(t.sectors.map(s => [s.id, s.state, s.data])).toEqual(other.sectors.map(s => [s.id, s.state, s.data]))
      expect(t.margin).toBeCloseTo(other.margin!, 2)
    }
    expect(report.path.homed).toBe(true)
    expect(report.totals).toMatchObject({ good: 36, bad: 0, missing: 0 })
    expect(report.speed!.rpm).toBeCloseTo(300, 0)
    expect(report.doubts).toEqual([])
  }, 60_000)

  it('has the lines that the board drives and does not see, by when it was told to', async () => {
    // A cheap board: it sees two lines, and drives the others blind.
    const blind: Fault = line => {
      const m = JSON.parse(line) as { hello?: string; line?: string; lines?: unknown }
      if (m.hello) return JSON.stringify({ ...m, lines: ['index', 'track-0'] }) + '\n'
      return m.line && !['index', 'track-0'].includes(m.line) ? null : line
    }
    const { capture } = await recorded(blind)
    expect(capture.channels.map(c => c.name)).toEqual([
      'INDEX',
      'TRACK0',
      'STEP',
      'DIRECTION',
      'SIDE',
      'MOTOR',
      'SELECT',
      'WRITE_GATE',
      'READ_DATA',
    ])
    const report = reportBus(capture)
    expect(report.path.homed).toBe(true)
    expect(report.totals).toMatchObject({ good: 36, bad: 0, missing: 0 })
    expect(report.tracks.map(t => [t.cylinder, t.head])).toEqual([
      [0, 0],
      [0, 1],
      [1, 0],
      [1, 1],
    ])
  }, 60_000)

  it('is refused where flux comes without a time', async () => {
    const timeless: Fault = line => {
      const m = JSON.parse(line) as { index?: unknown; t?: number }
      if (m.index) delete m.t
      return JSON.stringify(m) + '\n'
    }
    await expect(recorded(timeless)).rejects.toThrow('does not tell when its reading of flux began')
  }, 60_000)
})
