import { expose } from 'comlink'
import { InputError } from '@wobrin/core/base/errors'
import { pitchUm, type MechanismId } from '@wobrin/core/drives'
import { countTrack } from '@wobrin/core/instruments/alignment'
import type { SweepCount } from '@wobrin/core/log'
import {
  hostTestByBoard,
  readDiskByBoard,
  RecordedBoard,
  type BoardClient,
  type BoardWire,
  type DrivenLine,
  type HandsAsked,
  type Hello,
  type HostTestStep,
  type TrackPlace,
} from '@wobrin/core/instruments/bench-link'
import {
  surfaceOfRaw,
  toReadings,
  type JudgedSurface,
  type LineName,
  type RawTrack,
} from '@wobrin/core/instruments/interface'
import { livePulseSpeed, type LivePulseSpeed } from '@wobrin/core/instruments/spindle'
import { DRIVE_STORIES, SimulatedBoard, STORY_SEED, umPerMark, type Adjuster } from '@wobrin/core/simulator'
import { attempt, type Answer } from './in-worker'
import { packed } from './packed'

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

let board: RecordedBoard | null = null
let simulated: SimulatedBoard | null = null
/** What was done last; it outlives the board. */
let last: RecordedBoard['last'] = null
let timers: ReturnType<typeof setInterval>[] = []
let deliver: (text: string) => void = () => {}
let lose: (why: string) => void = () => {}
let stopped = false
/** Where the adjuster of a simulated drive stands. */
let marks = 0
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
  board = new RecordedBoard(wire, pause, {
    change: change => {
      timeS = change.t / 1e6
      if ('button' in change) {
        if (change.button) pressed++
        return
      }
      lines.set(change.line, change.low)
      changes.set(change.line, (changes.get(change.line) ?? 0) + 1)
      if (change.line === 'index' && change.low) starts.push(timeS)
    },
    nonsense: problem => {
      nonsense = problem.message
    },
  })
}

/** Does something with the board, and keeps what the board tells meanwhile. */
async function recorded<T>(run: (board: BoardClient) => Promise<T>): Promise<T> {
  const own = connected()
  stopped = false
  try {
    return await own.during(run)
  } finally {
    last = own.last
  }
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
    ended: board?.board.ended ?? null,
  }
}

/** A simulated board, whose time is that of the clock. */
function simulate(of: MechanismId, story: string): void {
  const chosen = DRIVE_STORIES.find(s => s.id === story) ?? DRIVE_STORIES[0]!
  const own = new SimulatedBoard(chosen.of(of, STORY_SEED), text => deliver(text))
  simulated = own
  connect(text => own.take(text))
  const begun = performance.now()
  own.greet()
  timers.push(setInterval(() => own.advanceTo((performance.now() - begun) / 1000), TICK_MS))
}

const worker = {
  /**
   * Begins with a board: one whose text is passed in and out, else a simulated one.
   * @param story state of the simulated drive @returns what the board says of itself
   */
  begin(
    of: MechanismId,
    story: string,
    write: ((text: string) => void) | null,
    onNews: (news: BoardNews) => void,
  ): Promise<Answer<Hello>> {
    worker.end()
    mechanism = of
    return attempt(async () => {
      if (write) connect(write)
      else simulate(of, story)
      const hello = await ask().begin()
      const { lines: now = {} } = await ask().ask({ read: 'lines' })
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

  /** Reads tracks of the disk in the drive, one after the other. @param onSurface told after each */
  readDisk(
    tracks: readonly TrackPlace[],
    turns: number,
    onSurface: (surface: BoardSurface) => void,
  ): Promise<Answer<BoardSurface>> {
    return attempt(() =>
      recorded(async client => {
        const raw: RawTrack[] = []
        for await (const { done, all, track } of readDiskByBoard(client, pause, { tracks, turns })) {
          raw.push(track)
          onSurface({ done, all, tracks: toReadings(raw), call: null })
          if (stopped) break
        }
        const judged = surfaceOfRaw(raw)
        return { done: raw.length, all: tracks.length, tracks: judged.tracks, call: judged.call }
      }),
    )
  },

  /**
   * Reads the track where the heads should be, at one position of an adjuster.
   * @param expected sectors of the track, where no read shows more
   */
  readPosition(cylinder: number, heads: readonly (0 | 1)[], expected: number): Promise<Answer<readonly SweepCount[]>> {
    return attempt(() =>
      recorded(async client => {
        const raw: RawTrack[] = []
        const tracks = heads.map(head => ({ cylinder, head }))
        for await (const { track } of readDiskByBoard(client, pause, { tracks, turns: 1 })) raw.push(track)
        const read = toReadings(raw, { stepsPerCylinder: 1, offset: 0 })
        const sectors = Math.max(expected, ...read.map(t => t.sectors.length))
        return heads.map(h =>
          countTrack(
            read.find(t => t.head === h),
            cylinder,
            sectors,
          ),
        )
      }),
    )
  },

  /** Tries the drive as a host's test program does. @returns how many parts of it were done */
  hostTest(
    cylinders: number,
    heads: 1 | 2,
    onStep: (step: HostTestStep) => void,
    onHands: (what: HandsAsked) => Promise<boolean>,
  ): Promise<Answer<number>> {
    return attempt(() =>
      recorded(async client => {
        let done = 0
        for await (const step of hostTestByBoard(client, pause, { cylinders, heads, ask: onHands })) {
          done = step.done
          onStep(step)
          if (stopped) break
        }
        return done
      }),
    )
  },
  stop(): void {
    stopped = true
  },

  /** What was done last as a file of the interface lines, packed; it outlives the board. */
  recording(name: string): Promise<Answer<File>> {
    return attempt(async () => {
      if (!last) throw new InputError('nothing was recorded yet', 'a read or a test of the drive')
      return new File([await packed(last.vcd(name))], `${name}.vcd.gz`, { type: 'application/gzip' })
    })
  },

  /** Hands at a simulated drive: its disk. */
  disk: (where: 'out' | 'in'): void => simulated?.disk(where),

  /** And an adjuster, which they set to a mark. */
  adjust(adjuster: Adjuster, position: number): void {
    const by = (position - marks) * umPerMark(mechanism)
    marks = position
    simulated?.adjust(adjuster, adjuster === 'sensor' ? by / pitchUm(mechanism) : by)
  },

  end(): void {
    for (const t of timers) clearInterval(t)
    timers = []
    board = null
    simulated = null
    for (const m of [lines, changes]) m.clear()
    starts = []
    pressed = marks = 0
    nonsense = null
  },
}

const ask = (): BoardClient => connected().board

function connected(): RecordedBoard {
  if (board) return board
  throw new InputError('no board is connected', 'a board')
}

export type BoardWorker = typeof worker

expose(worker)
