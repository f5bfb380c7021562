import { createReadStream } from 'node:fs'
import { stat } from 'node:fs/promises'
import { readCapture, type ReadOptions } from '@wobrin/core/signals/captures'
import { MOST_EDGES, railBars, reportBus, type BusOptions, type LineMapping } from '@wobrin/core/instruments/interface'
import type { ShownReading, SurfaceBar, SurfaceFacts } from '@wobrin/core/log'
import type { Call, Observation } from '@wobrin/core/base/observations'
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

const opened = async (path: string, name: string, read: ReadOptions) =>
  readCapture(
    { name, size: (await stat(path)).size, chunks: () => createReadStream(path, { highWaterMark: 256 * 1024 }) },
    read,
  )

/** Reads a kept recording of the interface and judges the surface in it. */
export async function judgeSurfaceFile(request: SurfaceRequest): Promise<SurfaceAnswer> {
  const report = reportBus(await opened(request.path, request.name, { maxEdgesPerChannel: MOST_EDGES }), request.bus)
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

/** Reads a kept recording and judges the speed in it. */
export async function judgeFile(request: JudgeRequest): Promise<JudgeAnswer> {
  const capture = await opened(request.path, request.name, request.read)
  return { ...speedFromCapture(capture, request.options, request.context), notices: capture.notices }
}
