import { createReadStream } from 'node:fs'
import { readFile, stat } from 'node:fs/promises'
import { readCapture, type ReadOptions } from '@wobrin/core/signals/captures'
import {
  MOST_EDGES,
  railBars,
  reportBus,
  surfaceOfRaw,
  totalsOf,
  type BusOptions,
  type LineMapping,
  type RawTrack,
} from '@wobrin/core/instruments/interface'
import type { ShownReading, SurfaceBar, SurfaceFacts } from '@wobrin/core/log'
import type { Call, Observation } from '@wobrin/core/base/observations'
import { ParameterError } from '@wobrin/core/base/errors'
import { isMechanismId } from '@wobrin/core/drives'
import { sense, type Sensed, type SensedAsk } from '@wobrin/core/instruments/sensed'
import { DRIVE_STORIES, readSurface, SimulatedDrive, STORY_SEED, wholeSurface } from '@wobrin/core/simulator'
import {
  speedFromCapture,
  type CaptureSpeedOptions,
  type JudgedSpeed,
  type SpeedContext,
} from '@wobrin/core/instruments/spindle'

/** Everything a judgement needs; plain data, so that it can be sent to a thread. */
export interface JudgeRequest {
  readonly path: string
  readonly name: string
  readonly read: Pick<ReadOptions, 'sampleRateHz' | 'timeUnit' | 'polarity'>
  readonly options: CaptureSpeedOptions
  readonly context: SpeedContext
}

export interface JudgeAnswer extends JudgedSpeed {
  readonly notices: readonly string[]
}

/** A surface to be read from a kept recording. */
export interface SurfaceRequest {
  readonly path: string
  readonly name: string
  readonly bus: BusOptions
}

/** A surface to be read from a simulated drive: the same story gives the same surface. */
export interface SimulatedRequest {
  readonly simulated: { readonly mechanism: string; readonly story: string }
}

/** A speed or steps to be taken from a kept recording of sound, or from the frames of a film. */
export interface SensedRequest {
  readonly path: string
  readonly name: string
  readonly sensed: SensedAsk
}

export type AnyJudgeRequest = JudgeRequest | SurfaceRequest | SimulatedRequest | SensedRequest
export type AnyJudgeAnswer = JudgeAnswer | SurfaceAnswer | Sensed

/** Is told how far the work has come, as a share of it. */
export type Tell = (share: number) => void

/** A surface as the log keeps it. */
export interface SurfaceAnswer {
  readonly call: Call
  readonly observations: readonly Observation[]
  readonly bars: readonly SurfaceBar[]
  readonly facts: SurfaceFacts
  readonly shows?: readonly ShownReading[]
  readonly good: number
  readonly sectors: number
  readonly mapping: LineMapping
}

const opened = async (path: string, name: string, read: ReadOptions, tell?: Tell) =>
  readCapture(
    { name, size: (await stat(path)).size, chunks: () => createReadStream(path, { highWaterMark: 256 * 1024 }) },
    { ...read, onProgress: (done, total) => tell?.(total ? done / total : 0) },
  )

/** Reads a kept recording of the interface and judges the surface in it. */
export async function judgeSurfaceFile(request: SurfaceRequest, tell?: Tell): Promise<SurfaceAnswer> {
  const capture = await opened(request.path, request.name, { maxEdgesPerChannel: MOST_EDGES }, tell)
  const report = reportBus(capture, request.bus)
  const { good, bad, missing } = report.totals
  return {
    call: report.call,
    observations: report.observations,
    bars: railBars(report.tracks),
    facts: report.facts,
    shows: report.shows,
    good,
    sectors: good + bad + missing,
    mapping: report.mapping,
  }
}

/** Reads the surface of a simulated drive and judges it. @throws ParameterError where there is no such story */
export function judgeSimulated({ simulated }: SimulatedRequest, tell?: Tell): SurfaceAnswer {
  const story = DRIVE_STORIES.find(s => s.id === simulated.story)
  if (!story || !isMechanismId(simulated.mechanism))
    throw new ParameterError('there is no such simulated drive', 'a drive type and one of its stories', {
      field: 'simulated',
    })
  const drive = new SimulatedDrive(story.of(simulated.mechanism, STORY_SEED))
  const surface = wholeSurface(drive)
  const raw: RawTrack[] = []
  const run = readSurface(drive, surface)
  for (let step = run.next(); !step.done; step = run.next()) {
    raw.push(step.value.track)
    tell?.(step.value.done / step.value.all)
  }
  const { tracks, facts, call, observations } = surfaceOfRaw(raw, { trustedDisk: true })
  const { good, bad, missing } = totalsOf(tracks)
  return { call, observations, bars: railBars(tracks), facts, good, sectors: good + bad + missing, mapping: {} }
}

/** Reads a kept recording and judges the speed in it. */
export async function judgeFile(request: JudgeRequest, tell?: Tell): Promise<JudgeAnswer> {
  const capture = await opened(request.path, request.name, request.read, tell)
  return { ...speedFromCapture(capture, request.options, request.context), notices: capture.notices }
}

/** Judges whatever is asked. */
export async function judge(request: AnyJudgeRequest, tell?: Tell): Promise<AnyJudgeAnswer> {
  if ('sensed' in request) return sense(await readFile(request.path), request.name, request.sensed)
  if ('simulated' in request) return judgeSimulated(request, tell)
  return 'bus' in request ? judgeSurfaceFile(request, tell) : judgeFile(request, tell)
}
