import { describe, expect, it } from 'vitest'
import { BoardClient, readDiskByBoard, type BoardTrack } from '../../../src/instruments/bench-link'
import { surfaceOfRaw } from '../../../src/instruments/interface'
import { attemptOf, rescue } from '../../../src/instruments/rescue'
import { SimulatedDisk, soundDrive } from '../../../src/simulator'
import { onWire, type Fault } from './on-wire'

const TRACKS = [0, 1, 39].flatMap(cylinder => ([0, 1] as const).map(head => ({ cylinder, head })))

async function readAll(fault?: Fault, tracks = TRACKS, spec = soundDrive('3.5in', 7, 'mfm-80x2x9')) {
  const { wire, pause } = onWire(fault, spec)
  const board = new BoardClient(wire, pause)
  const all: BoardTrack[] = []
  for await (const track of readDiskByBoard(board, pause, { tracks, turns: 2 })) all.push(track)
  return { all, board }
}

describe('a disk read through a board', () => {
  it('is judged as any other, and holds what was written', async () => {
    const spec = soundDrive('3.5in', 7, 'mfm-80x2x9')
    const { all } = await readAll(undefined, TRACKS, spec)
    expect(all.map(t => [t.track.cylinder, t.track.head])).toEqual(TRACKS.map(t => [t.cylinder, t.head]))
    const { tracks, call } = surfaceOfRaw(
      all.map(t => t.track),
      { trustedDisk: true },
    )
    expect(call.kind).toBe('leave')
    for (const t of tracks) expect(t.sectors.map(s => s.state)).toEqual(Array.from({ length: 9 }, () => 'good'))
    const times = new Map(all.map(t => [t.track, t.times]))
    const { totals, sectors } = rescue([
      attemptOf(
        all.map(t => t.track),
        t => times.get(t)!,
        { file: 'the board' },
        true,
      ),
    ])
    expect(totals).toMatchObject({ good: 54, missing: 0 })
    // The bytes are those on the simulated disk, which knows them without being read.
    const disk = new SimulatedDisk(spec.disk, spec.mechanism, spec.pulseUm)
    for (const s of sectors)
      expect([...s.data!]).toEqual([...disk.sectorsOf(s.cylinder, s.head as 0 | 1).find(w => w.sector === s.id)!.data])
  }, 60_000)

  it('stops the motor and lets the drive go, whatever happens', async () => {
    const sent: string[] = []
    const { wire, pause } = onWire()
    const board = new BoardClient({ ...wire, write: t => (sent.push(t), wire.write(t)) }, pause)
    for await (const _ of readDiskByBoard(board, pause, { tracks: TRACKS, turns: 1 })) break
    const said = sent.map(s => JSON.parse(s) as { set?: string; low?: boolean })
    expect(said.slice(-3)).toMatchObject([
      { set: 'side', low: false },
      { set: 'motor', low: false },
      { set: 'select', low: false },
    ])
    expect(said.some(s => s.set === 'write-gate')).toBe(false)
  })

  it('says where track zero does not come, or the board cannot do it', async () => {
    const never: Fault = line => line.replace('"track-0":true', '"track-0":false')
    await expect(readAll(never)).rejects.toThrow('track zero did not come within 100 steps')
    const blind: Fault = line => line.replace('"flux":true', '"flux":false')
    await expect(readAll(blind)).rejects.toThrow('does not tell flux')
    const lame: Fault = line => (line.includes('"hello"') ? line.replace(',"step"]', ']') : line)
    await expect(readAll(lame)).rejects.toThrow('cannot drive step')
  })
})
