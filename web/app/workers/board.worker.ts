import { expose } from 'comlink'
import { InputError } from '@wobrin/core/base/errors'
import type { MechanismId } from '@wobrin/core/drives'
import {
  BoardClient,
  readDiskByBoard,
  wholeDisk,
  type BoardWire,
  type DrivenLine,
  type Hello,
} from '@wobrin/core/instruments/bench-link'
import {
  surfaceOfRaw,
  toReadings,
  type JudgedSurface,
  type LineName,
  type RawTrack,
} from '@wobrin/core/instruments/interface'
import { livePulseSpeed, type LivePulseSpeed } from '@wobrin/core/instruments/spindle'
import { SimulatedBoard, soundDrive } from '@wobrin/core/simulator'
import { attempt, type Answer } from './in-worker'

/** What a board shows a few times a second. */
export interface BoardNews {
  /** Levels, true where low, and how often each line changed. */
  readonly lines: Readonly<Partial<Record<LineName, boolean>>>
  readonly changes: Readonly<Partial<Record<LineName, number>>>
  readonly speed: LivePulseSpeed | null
  /** Times that its button was pressed. */
  readonly pressed: number
  /** What came that is not of the protocol, last of all. */
  readonly nonsense: string | null
  /** Why it is gone; null while it is there. */
  readonly ended: string | null
}

/** A disk that is read, as far as it came; judged in the end. */
export interface BoardSurface extends Pick<JudgedSurface, 'tracks'> {
  readonly done: number
  readonly all: number
  readonly call: JudgedSurface['call'] | null
}

const TICK_MS = 10
const NEWS_MS = 200
/** So much of the past is judged, s. */
const SPEED_S = 60

const pause = (ms: number) => new Promise<void>(resolve => setTimeout(resolve, ms))

let board: BoardClient | null = null
let timers: ReturnType<typeof setInterval>[] = []
let deliver: (text: string) => void = () => {}
let lose: (why: string) => void = () => {}
let stopped = false
let mechanism: MechanismId = '3.5in'
const lines = new Map<LineName, boolean>()
const changes = new Map<LineName, number>()
let starts: number[] = []
let timeS = 0
let pressed = 0
let nonsense: string | null = null

function connect(write: (text: string) => void): void {
  const wire: BoardWire = {
    write,
    listen: (onText, onEnd) => {
      deliver = onText
      lose = onEnd
    },
  }
  board = new BoardClient(
    wire,
    pause,
    change => {
      timeS = change.t / 1e6
      if ('button' in change) {
        if (change.button) pressed++
        return
      }
      lines.set(change.line, change.low)
      changes.set(change.line, (changes.get(change.line) ?? 0) + 1)
      if (change.line === 'index' && change.low) starts.push(timeS)
    },
    problem => {
      nonsense = problem.message
    },
  )
}

function news(): BoardNews {
  starts = starts.filter(t => t >= timeS - SPEED_S)
  const speed =
    starts.length < 2
      ? null
      : livePulseSpeed({ starts: Float64Array.from(starts), gaps: [] }, timeS, {}, { mechanism, school: 'leave-alone' })
  return {
    lines: Object.fromEntries(lines),
    changes: Object.fromEntries(changes),
    speed,
    pressed,
    nonsense,
    ended: board?.ended ?? null,
  }
}

const worker = {
  /**
   * Begins with a board: a simulated one, or one whose text is passed in and out.
   * @returns what the board says of itself
   */
  begin(
    of: MechanismId,
    write: ((text: string) => void) | null,
    onNews: (news: BoardNews) => void,
  ): Promise<Answer<Hello>> {
    worker.end()
    mechanism = of
    return attempt(async () => {
      if (write) connect(write)
      else {
        const simulated = new SimulatedBoard(soundDrive(of), text => deliver(text))
        connect(text => simulated.take(text))
        const begun = performance.now()
        simulated.greet()
        timers.push(setInterval(() => simulated.advanceTo((performance.now() - begun) / 1000), TICK_MS))
      }
      const hello = await board!.begin()
      const { lines: now = {} } = await board!.ask({ read: 'lines' })
      for (const [line, low] of Object.entries(now)) lines.set(line as LineName, low)
      timers.push(setInterval(() => onNews(news()), NEWS_MS))
      return hello
    })
  },

  /** What came from a board that is connected outside. */
  take: (text: string): void => deliver(text),
  lost: (why: string): void => lose(why),

  set: (line: DrivenLine, low: boolean): Promise<Answer<unknown>> => attempt(() => ask().ask({ set: line, low })),
  step: (way: 'inward' | 'outward'): Promise<Answer<unknown>> => attempt(() => ask().ask({ step: way })),
  volts: (): Promise<Answer<Readonly<Record<string, number>>>> =>
    attempt(async () => (await ask().ask({ read: 'volts' })).volts ?? {}),

  /** Reads the disk in the drive, track by track. @param onSurface told after each */
  readDisk(
    cylinders: number,
    heads: 1 | 2,
    turns: number,
    onSurface: (surface: BoardSurface) => void,
  ): Promise<Answer<BoardSurface>> {
    stopped = false
    return attempt(async () => {
      const raw: RawTrack[] = []
      const all = cylinders * heads
      const reading = readDiskByBoard(ask(), pause, { tracks: wholeDisk(cylinders, heads), turns })
      for await (const { done, track } of reading) {
        raw.push(track)
        onSurface({ done, all, tracks: toReadings(raw), call: null })
        if (stopped) break
      }
      const { tracks, call } = surfaceOfRaw(raw)
      return { done: raw.length, all, tracks, call }
    })
  },
  stop(): void {
    stopped = true
  },

  end(): void {
    for (const t of timers) clearInterval(t)
    timers = []
    board = null
    for (const m of [lines, changes]) m.clear()
    starts = []
    pressed = 0
    nonsense = null
  },
}

function ask(): BoardClient {
  if (board) return board
  throw new InputError('no board is connected', 'a board')
}

export type BoardWorker = typeof worker

expose(worker)
