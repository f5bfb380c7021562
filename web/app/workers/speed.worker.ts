import { expose } from 'comlink'
import { guessSpindleChannel, type Capture, type ReadOptions } from '@wobrin/core/signals/captures'
import {
  speedFromCapture,
  type CaptureSpeedOptions,
  type JudgedSpeed,
  type SpeedContext,
} from '@wobrin/core/instruments/spindle'
import { attempt, readFileIn, type Answer } from './in-worker'

export interface OpenedCapture {
  readonly fileName: string
  readonly format: string
  readonly durationS: number
  readonly notices: readonly string[]
  readonly channels: readonly { readonly name: string; readonly edgeCount: number; readonly usable: boolean }[]
  readonly guess: string | null
}

let capture: Capture | null = null
let signal = { aborted: false }

const worker = {
  /** Reads a file; the capture stays here, only what a person chooses from goes back. */
  open(
    file: File,
    options: Pick<ReadOptions, 'sampleRateHz' | 'timeUnit' | 'polarity'>,
    onProgress: (share: number) => void,
  ): Promise<Answer<OpenedCapture>> {
    // Another file takes the place of one that is still being read.
    signal.aborted = true
    signal = { aborted: false }
    const own = signal
    return attempt(async () => {
      const read = await readFileIn(file, options, own, onProgress)
      capture = read
      return {
        fileName: read.fileName,
        format: read.format,
        durationS: read.durationS,
        notices: read.notices,
        channels: read.channels.map(c => ({
          name: c.name,
          edgeCount: c.edgeCount,
          usable: c.edges !== null && c.edgeCount > 1,
        })),
        guess: guessSpindleChannel(read)?.name ?? null,
      }
    })
  },

  stop(): void {
    signal.aborted = true
  },

  judge(options: CaptureSpeedOptions, context: SpeedContext): Promise<Answer<JudgedSpeed>> {
    return attempt(() => speedFromCapture(capture!, options, context))
  },
}

export type SpeedWorker = typeof worker

expose(worker)
