import {
  surfaceOfRaw,
  toReadings,
  totalsOf,
  LINE_NAMES,
  type HeadSummary,
  type LineName,
  type RawTrack,
  type Totals,
  type TrackReading,
} from '@wobrin/core/instruments/interface'
import { vcdChunks, type EdgeList } from '@wobrin/core/signals/captures'
import type { MechanismId } from '@wobrin/core/drives'
import type { Call, Observation } from '@wobrin/core/base/observations'
import { recogniseTrack } from '@wobrin/core/signals/codes'
import {
  DRIVE_STORIES,
  judgeSeeks,
  Random,
  readSurface,
  seekTest,
  SimulatedDrive,
  STORY_SEED,
  wholeSurface,
  type Adjuster,
  type HostLine,
  type LineState,
  type SeekTried,
} from '@wobrin/core/simulator'
import { attempt, breath, type Answer } from './in-worker'
import { stopping } from './stopping'

/** What the simulated drive is at, some twenty times a second. */
export interface LiveState {
  readonly timeS: number
  readonly cylinder: number
  readonly heads: readonly [number, number]
  readonly spin: number
  readonly diskIn: boolean
  readonly tabProtected: boolean
  readonly lines: Readonly<Record<LineName, LineState>>
  /** Last seconds of the lines, with the time at which they begin. */
  readonly recent: { readonly fromS: number; readonly edges: Readonly<Record<string, EdgeList>> }
  readonly reading: {
    readonly good: number
    readonly found: number
    readonly margin: number
    readonly names: number | null
  } | null
  readonly errors: readonly number[]
}

/** A surface as read. */
export interface SurfaceRun {
  readonly tracks: readonly TrackReading[]
  readonly call: Call
  readonly observations: readonly Observation[]
  readonly heads: readonly HeadSummary[]
  readonly totals: Totals
}

const TICK_MS = 50
const RECENT_S = 3
/** A recording longer than this begins anew. */
const LONGEST_S = 60

let drive: SimulatedDrive | null = null
let timer: ReturnType<typeof setInterval> | null = null
let surface: SurfaceRun | null = null
let reading: LiveState['reading'] = null
let errors: number[] = []
/** Times of looks at which pulses came on the read line. */
let busy: number[] = []
let begunS = 0

function stateOf(d: SimulatedDrive): LiveState {
  const fromS = Math.max(0, d.timeS - RECENT_S)
  return {
    timeS: d.timeS,
    cylinder: d.carriage.position(d.timeS),
    heads: [d.headPlace(0).cylinders, d.headPlace(1).cylinders],
    spin: d.spin,
    diskIn: d.media !== null,
    tabProtected: d.tabProtected,
    lines: Object.fromEntries(LINE_NAMES.map(l => [l, d.explain(l)])) as Record<LineName, LineState>,
    recent: { fromS, edges: { ...d.recent(fromS), 'read-data': pulsesDrawn(fromS) } },
    reading,
    errors: [...errors],
  }
}

/** Far too many pulses to draw: some strokes stand for them wherever they came. */
function pulsesDrawn(fromS: number): EdgeList {
  const times = busy
    .filter(t => t > fromS)
    .flatMap(t => [0, 1, 2, 3].flatMap(k => [t - fromS + k * 0.0125, t - fromS + k * 0.0125 + 0.006]))
  return { initial: 1, times: Float64Array.from(times), gaps: [] }
}

/** Reads what came past since the last look: how the track under the head does just now. */
let lookedS = 0
function look(d: SimulatedDrive): void {
  const turn = 60 / (d.media?.layout.rpm ?? 300)
  if (d.timeS - lookedS < turn * 1.15) return
  const flux = d.takeFlux()
  lookedS = d.timeS
  const track = flux.length > 2000 ? recogniseTrack(flux) : null
  const wanted = d.media?.layout.sectorsOf(Math.max(0, Math.round(d.carriage.position(d.timeS)))) ?? 0
  const good = track ? new Set(track.sectors.filter(s => s.status === 'good').map(s => s.sector)).size : 0
  const first = track?.sectors.find(s => s.status === 'good')
  reading = track ? { good, found: Math.max(wanted, good), margin: track.margin, names: first?.cylinder ?? null } : null
  if (d.explain('ready').low && d.hears('select') && good < wanted)
    for (let i = 0; i < wanted - good; i++) errors.push(d.timeS - turn / 2)
  errors = errors.filter(t => t > d.timeS - LONGEST_S)
}

const judged = (raw: readonly RawTrack[]): SurfaceRun => {
  const surface = surfaceOfRaw(raw, { trustedDisk: true })
  return { ...surface, totals: totalsOf(surface.tracks) }
}

/** Begins the recording anew from now. */
function begin(): void {
  drive?.forget()
  begunS = drive?.timeS ?? 0
  lookedS = begunS
}

function rest(): void {
  if (timer) clearInterval(timer)
  timer = null
}

/** The surface that was read last; null where none was. */
export const lastSurface = (): SurfaceRun | null => surface

/** What a page does with the simulated drive on its bench. */
export const liveDrive = {
  /** Puts a simulated drive on the bench. */
  power(mechanism: MechanismId, story: string): LiveState {
    rest()
    const chosen = DRIVE_STORIES.find(s => s.id === story) ?? DRIVE_STORIES[0]!
    drive = new SimulatedDrive(chosen.of(mechanism, STORY_SEED), true)
    reading = null
    errors = []
    busy = []
    begunS = 0
    lookedS = 0
    return stateOf(drive)
  },

  /** Lets its time pass as on a bench, and tells how it is. */
  run(onState: (s: LiveState) => void): void {
    rest()
    let last = performance.now()
    timer = setInterval(() => {
      if (!drive) return
      const now = performance.now()
      // A page that was asleep goes on from where it was.
      drive.advanceTo(drive.timeS + Math.min(0.25, (now - last) / 1000))
      last = now
      if (drive.view() && drive.hears('select')) busy = [...busy.filter(t => t > drive!.timeS - RECENT_S), drive.timeS]
      look(drive)
      if (drive.timeS - begunS > LONGEST_S) begin()
      onState(stateOf(drive))
    }, TICK_MS)
  },

  rest,

  set(line: Exclude<HostLine, 'step'>, low: boolean): void {
    drive?.set(line, low)
  },
  step(inward: boolean): void {
    drive?.set('direction', inward)
    drive?.advanceTo(drive.timeS + 2e-5)
    drive?.step()
  },
  disk(there: boolean): void {
    if (there) drive?.insert()
    else drive?.remove()
  },
  tab(isProtected: boolean): void {
    drive?.setTab(isProtected)
  },
  nudge(adjuster: Adjuster, by: number): void {
    drive?.nudge(adjuster, by)
  },
  wiggle(wire: LineName | null): void {
    drive?.wiggle(wire)
  },

  /** Reads the whole surface of the disk in the simulated drive, as fast as this machine can. */
  readSurface(turns: number, onTrack: (share: number, tracks: TrackReading[]) => void): Promise<Answer<SurfaceRun>> {
    const own = stopping.begin()
    return attempt(async () => {
      const d = drive!
      if (!d.media) d.insert()
      const run = readSurface(d, wholeSurface(d, turns))
      const raw: RawTrack[] = []
      let shown = performance.now()
      for (;;) {
        const step = run.next()
        if (step.done) break
        raw.push(step.value.track)
        if (performance.now() - shown > 120) {
          onTrack(step.value.done / step.value.all, toReadings(raw))
          shown = performance.now()
        }
        await breath(own)
      }
      begin()
      surface = judged(raw)
      return surface
    })
  },

  /** Seeks to and fro at random. */
  seekTest(
    seeks: number,
    onSeek: (share: number) => void,
  ): Promise<Answer<{ readonly call: Call; readonly tried: readonly SeekTried[] }>> {
    const own = stopping.begin()
    return attempt(async () => {
      const tried: SeekTried[] = []
      for (const one of seekTest(drive!, seeks, new Random(drive!.spec.seed + 17), { stepMs: 6, settleMs: 18 })) {
        tried.push(one)
        onSeek(tried.length / seeks)
        await breath(own)
      }
      begin()
      return { call: judgeSeeks(tried), tried }
    })
  },

  /** What the lines did since the recording began, as a value change dump. */
  recording(): Blob | null {
    if (!drive) return null
    const d = drive
    return new Blob([
      ...vcdChunks(d.recording(begunS), {
        tickNs: 10,
        comment: 'Recorded from a simulated drive.',
        durationS: d.timeS - begunS,
      }),
    ])
  },
}
