import { createReadStream } from 'node:fs'
import { stat } from 'node:fs/promises'
import { readCapture, type ReadOptions } from '@wobrin/core/captures'
import { speedFromCapture, type CaptureSpeedOptions, type JudgedSpeed, type SpeedContext } from '@wobrin/core/spindle'

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

/** Reads a kept recording and judges the speed in it. */
export async function judgeFile(request: JudgeRequest): Promise<JudgeAnswer> {
  const { size } = await stat(request.path)
  const capture = await readCapture({ name: request.name, size, chunks: () => createReadStream(request.path, { highWaterMark: 256 * 1024 }) }, request.read)
  return { ...speedFromCapture(capture, request.options, request.context), notices: capture.notices }
}
