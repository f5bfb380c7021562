import { InputError } from '../../base/errors'
import type { BoardClient, Pause } from './board-client'
import type { DrivenLine } from './messages'
import { home, readingOnlyWith, readTrackByBoard, stepper } from './read-disk'

/** What hands must do in the middle of the test. */
export type HandsAsked = 'take the disk out' | 'put the disk in'

export interface HostTestOptions {
  readonly cylinders: number
  readonly heads: 1 | 2
  /** Asks hands for something. @returns whether it was done; where not, that part of the test is left out */
  readonly ask: (what: HandsAsked) => Promise<boolean>
}

/** What the test does now, of how many parts. */
export interface HostTestStep {
  readonly done: number
  readonly all: number
  readonly says: string
}

/** Without select, to see whether the drive keeps silent, ms. */
const SILENT_MS = 1200
/** The spindle comes up, and is then watched for the speed, ms. */
const SPIN_UP_MS = 3000
const WATCHED_MS = 4000
/** So long the lines stand at each state of the disk, ms. */
const STANDS_MS = 2500
/** The index must be silent for so long after the motor was told to stop, ms: two seconds more than it is judged by. */
const STOPS_MS = 14_000
const READ_TURNS = 2
/** The second homing begins so far in. */
const AWAY_CYLINDERS = 10

/**
 * Does with a drive what a host's test program does, through a board: select, motor, homing from two places, steps in
 * and out, a track of each zone on each head, a change of the disk where hands help, motor off. What came of it is what
 * the lines show: a recording of them is judged like any other. WRITE GATE is never driven.
 * @throws InputError where the board cannot do it, or is gone
 */
export async function* hostTestByBoard(
  board: BoardClient,
  pause: Pause,
  { cylinders, heads, ask }: HostTestOptions,
): AsyncGenerator<HostTestStep> {
  const hello = board.hello ?? (await board.begin())
  readingOnlyWith(hello)
  const step = stepper(board, pause)
  const set = (line: DrivenLine, low: boolean) => board.ask({ set: line, low })
  const watches = hello.lines.includes('disk-change') || hello.lines.includes('write-protect')
  const zones = [0, Math.floor(cylinders / 2), cylinders - 1]
  const parts = [
    'Nothing selected, motor off',
    'Select and motor on',
    'Homing, from where the heads stand and from cylinder 10',
    'Select off while the disk turns',
    ...zones.map(c => `Reading cylinder ${c}`),
    'Homing from the innermost cylinder',
    ...(watches ? ['Disk out and in'] : []),
    'Motor off, until the disk stands',
  ]
  let done = 0
  const next = (): HostTestStep => ({ done, all: parts.length, says: parts[done++]! })
  try {
    yield next()
    for (const line of ['side', 'motor', 'select'] as const) await set(line, false)
    await pause(SILENT_MS)

    yield next()
    await set('select', true)
    await set('motor', true)
    await pause(SPIN_UP_MS + WATCHED_MS)

    yield next()
    // A drive that does not find track zero, or whose disk does not turn, is what this test is for: it goes on.
    let homed = await goesOn(board, () => home(board, step))
    for (let i = 0; i < Math.min(AWAY_CYLINDERS, cylinders - 1); i++) await step('inward')
    await pause(STANDS_MS / 5)
    homed &&= await goesOn(board, () => home(board, step))

    yield next()
    await set('select', false)
    await pause(SILENT_MS)
    await set('select', true)
    await pause(SPIN_UP_MS)

    let at = 0
    for (const cylinder of zones) {
      yield next()
      if (!homed) continue
      for (; at < cylinder; at++) await step('inward')
      for (let head = 0; head < heads; head++)
        await goesOn(board, () => readTrackByBoard(board, pause, { cylinder, head: head as 0 | 1 }, READ_TURNS))
    }
    yield next()
    await set('side', false)
    if (homed) await goesOn(board, () => home(board, step))

    if (watches) {
      yield next()
      if (await ask('take the disk out')) {
        await pause(STANDS_MS)
        await step('inward')
        await pause(STANDS_MS)
        if (await ask('put the disk in')) {
          await pause(SPIN_UP_MS)
          await step('outward')
          await pause(STANDS_MS)
        }
      }
    }
    yield next()
    await set('motor', false)
    await pause(STOPS_MS)
  } finally {
    for (const line of ['side', 'motor', 'select'] as const) await set(line, false).catch(() => {})
    // The last changes are told before the recording ends.
    await board.ask({ read: 'lines' }).catch(error => {
      if (!(error instanceof InputError)) throw error
    })
  }
}

/** Tries a part of the test. @returns whether it went through @throws InputError where the board is gone */
async function goesOn(board: BoardClient, part: () => Promise<unknown>): Promise<boolean> {
  try {
    await part()
    return true
  } catch (error) {
    if (!(error instanceof InputError) || board.ended) throw error
    return false
  }
}
