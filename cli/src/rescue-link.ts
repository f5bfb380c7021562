import { setTimeout as pause } from 'node:timers/promises'
import { BoardClient, readDiskByBoard, wholeDisk } from '@wobrin/core/instruments/bench-link'
import { attemptOf, mergeAttempts, missingByTrack, type Attempt } from '@wobrin/core/instruments/rescue'
import type { RawTrack } from '@wobrin/core/instruments/interface'
import { boardWire } from './board-wire'

/** What is read through a board, where nothing is known of the disk yet: all of so many cylinders and heads. */
export interface LinkRead {
  readonly address: string
  readonly cylinders: number
  readonly heads: 1 | 2
  readonly turns: number
}

/**
 * Reads a failing disk in the drive at a board: the tracks on which sectors are missing, or all where nothing was read
 * before. Good sectors are not worn by more reading.
 * @param known sectors that an earlier attempt read without error
 */
export async function attemptByLink(
  { address, cylinders, heads, turns }: LinkRead,
  before: readonly Attempt[],
  known: (key: string) => boolean,
): Promise<Attempt> {
  const tracks = before.length
    ? missingByTrack(mergeAttempts(before).sectors).map(t => ({ cylinder: t.cylinder, head: t.head as 0 | 1 }))
    : wholeDisk(cylinders, heads)
  const wire = await boardWire(address)
  try {
    const board = new BoardClient(wire, ms => pause(ms))
    const hello = await board.begin()
    const raw: RawTrack[] = []
    const times = new Map<RawTrack, Float64Array>()
    for await (const read of readDiskByBoard(board, ms => pause(ms), { tracks, turns })) {
      raw.push(read.track)
      times.set(read.track, read.times)
      console.error(`  ${read.done} of ${read.all} tracks`)
    }
    const file = `the board at ${address}`
    return attemptOf(raw, t => times.get(t)!, { file, ...(hello.simulated ? { drive: 'simulated' } : {}) }, true, known)
  } finally {
    wire.close()
  }
}
