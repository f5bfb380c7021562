import { InputError } from '../../base/errors'
import { recogniseTrack, type Format } from '../../signals/codes'
import { sampleOf, type RawTrack } from '../interface'
import type { BoardClient, Pause } from './board-client'
import type { Hello } from './messages'

/** A track by where it is. */
export interface TrackPlace {
  readonly cylinder: number
  readonly head: 0 | 1
}

/** Which tracks a board is to read, in their order, and for how many revolutions each. */
export interface BoardReadOptions {
  readonly tracks: readonly TrackPlace[]
  readonly turns: number
}

/** All tracks of a disk, cylinder by cylinder. */
export const wholeDisk = (cylinders: number, heads: 1 | 2): TrackPlace[] =>
  Array.from({ length: cylinders * heads }, (_, i) => ({
    cylinder: Math.floor(i / heads),
    head: (i % heads) as 0 | 1,
  }))

/** A track that a board read, with its transitions, s from the start of reading. */
export interface BoardTrack {
  readonly done: number
  readonly all: number
  readonly track: RawTrack
  readonly times: Float64Array
}

/** Time of a step and of the heads' settling, ms: slow enough for any drive (from memory). */
const STEP_MS = 12
const SETTLE_MS = 30
/** Steps outward before it is said that track zero does not come. */
const MOST_STEPS = 100
/** The spindle gets so long to come up, ms. */
const SPIN_UP_MS = 1500
/** A revolution takes less than this, ms; a board may take as long again to send it. */
const TURN_MS = 400
const FEWEST_TRANSITIONS = 200
const FILE = 'the board'

/** @throws InputError where a board cannot select, step and read */
export function readingOnlyWith(hello: Hello): void {
  const needs = (['select', 'motor', 'side', 'step'] as const).filter(l => !hello.drives.includes(l))
  if (needs.length === 0 && hello.flux) return
  throw new InputError(
    needs.length ? `the board cannot drive ${needs.join(', ')}` : 'the board does not tell flux transitions',
    'a board that selects, steps and reads',
    { file: FILE },
  )
}

/** One step, slow enough for any drive. */
export type Step = (way: 'inward' | 'outward') => Promise<void>

export const stepper =
  (board: BoardClient, pause: Pause): Step =>
  async way => {
    await board.ask({ step: way })
    await pause(STEP_MS)
  }

/**
 * Reads tracks of the disk in a drive at a board, one after the other: select, motor, home, seek, read. It never drives
 * WRITE GATE. Whatever happens, the motor stops and the drive is let go of.
 * @throws InputError where the board cannot do it, track zero does not come, or the board is gone
 */
export async function* readDiskByBoard(
  board: BoardClient,
  pause: Pause,
  { tracks, turns }: BoardReadOptions,
): AsyncGenerator<BoardTrack> {
  readingOnlyWith(board.hello ?? (await board.begin()))
  const step = stepper(board, pause)
  try {
    await board.ask({ set: 'select', low: true })
    await board.ask({ set: 'motor', low: true })
    await pause(SPIN_UP_MS)
    let at = await home(board, step)
    let likely: Format | undefined
    for (const [done, { cylinder, head }] of tracks.entries()) {
      for (; at !== cylinder; at += Math.sign(cylinder - at)) await step(cylinder > at ? 'inward' : 'outward')
      const read = await readTrackByBoard(board, pause, { cylinder, head }, turns, likely)
      likely = read.track.read?.format ?? likely
      yield { done: done + 1, all: tracks.length, ...read }
    }
  } finally {
    for (const line of ['side', 'motor', 'select'] as const) await board.ask({ set: line, low: false }).catch(() => {})
  }
}

/** Reads the track that the heads stand on. @param likely the format that the track before it had */
export async function readTrackByBoard(
  board: BoardClient,
  pause: Pause,
  { cylinder, head }: TrackPlace,
  turns: number,
  likely?: Format,
): Promise<Pick<BoardTrack, 'track' | 'times'>> {
  await board.ask({ set: 'side', low: head === 1 })
  await pause(SETTLE_MS)
  const { flux = [], index = [] } = await board.ask({ read: 'flux', turns }, 2 * TURN_MS * (turns + 3))
  const times = new Float64Array(flux.length)
  let ns = 0
  for (const [i, d] of flux.entries()) times[i] = (ns += d) / 1e9
  const read = times.length > FEWEST_TRANSITIONS ? recogniseTrack(times, undefined, {}, likely) : null
  const track: RawTrack = {
    cylinder,
    head,
    fromS: 0,
    toS: times.at(-1) ?? 0,
    turns: Math.max(0, index.length - 1),
    transitions: times.length,
    sample: sampleOf(times),
    read,
    index: Float64Array.from(index, t => t / 1e9),
  }
  return { track, times }
}

/**
 * Steps outward until TRACK 0 is low.
 * @returns the cylinder that the heads stand at: 0 @throws InputError where it does not come
 */
export async function home(board: BoardClient, step: Step): Promise<number> {
  for (let i = 0; i <= MOST_STEPS; i++) {
    const { lines = {} } = await board.ask({ read: 'lines' })
    if (lines['track-0']) return 0
    await step('outward')
  }
  throw new InputError(`track zero did not come within ${MOST_STEPS} steps`, 'a drive that finds its track zero', {
    file: FILE,
  })
}
