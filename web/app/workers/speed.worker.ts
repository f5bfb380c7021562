import { expose } from 'comlink'
import { guessSpindleChannel, readCapture, type Capture, type ReadOptions } from '@wobrin/core/captures'
import { AbortedError } from '@wobrin/core/errors'
import { speedFromCapture, type CaptureSpeedOptions, type JudgedSpeed, type SpeedContext } from '@wobrin/core/spindle'

export interface OpenedCapture {
  readonly fileName: string
  readonly format: string
  readonly durationS: number
  readonly notices: readonly string[]
  readonly channels: readonly { readonly name: string, readonly edgeCount: number, readonly usable: boolean }[]
  readonly guess: string | null
}

/** An answer of the worker; errors come as sentences, since classes do not survive the way out of a worker. */
export type Answer<T> = { readonly ok: T } | { readonly problem: string, readonly field?: string } | { readonly stopped: true }

let capture: Capture | null = null
let signal = { aborted: false }

/** Largest piece read at once: how long a stop may have to wait. */
const PIECE_BYTES = 128 * 1024
/** After so much work the worker looks whether it was told to stop: messages come in only between tasks. */
const SLICE_MS = 40

async function* chunksOf(file: File): AsyncGenerator<Uint8Array> {
  const reader = file.stream().getReader()
  let slice = performance.now()
  try {
    for (;;) {
      const { done, value } = await reader.read()
      if (done) return
      for (let at = 0; at < value.length; at += PIECE_BYTES) {
        if (performance.now() - slice > SLICE_MS) {
          await new Promise(resolve => setTimeout(resolve))
          slice = performance.now()
        }
        yield value.subarray(at, at + PIECE_BYTES)
      }
    }
  }
  finally {
    reader.cancel().catch(() => {})
  }
}

async function attempt<T>(run: () => T | Promise<T>): Promise<Answer<T>> {
  try {
    return { ok: await run() }
  }
  catch (error) {
    if (error instanceof AbortedError) return { stopped: true }
    const where = (error as { where?: { field?: string } }).where
    return { problem: (error as Error).message, field: where?.field }
  }
}

const worker = {
  /** Reads a file; the capture stays here, only what a person chooses from goes back. */
  open(file: File, options: Pick<ReadOptions, 'sampleRateHz' | 'timeUnit' | 'polarity'>, onProgress: (share: number) => void): Promise<Answer<OpenedCapture>> {
    signal = { aborted: false }
    const own = signal
    let shown = 0
    return attempt(async () => {
      const read = await readCapture({ name: file.name, size: file.size, chunks: () => chunksOf(file) }, {
        ...options, signal: own,
        onProgress: (bytes, total) => {
          const share = total ? bytes / total : 0
          if (share - shown > 0.02) {
            shown = share
            onProgress(share)
          }
        },
      })
      capture = read
      return {
        fileName: read.fileName, format: read.format, durationS: read.durationS, notices: read.notices,
        channels: read.channels.map(c => ({ name: c.name, edgeCount: c.edgeCount, usable: c.edges !== null && c.edgeCount > 1 })),
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
