import { readCapture, type Capture, type ReadOptions } from '@wobrin/core/signals/captures'
import { AbortedError } from '@wobrin/core/base/errors'

/** An answer of a worker; errors come as sentences, since classes do not survive the way out of a worker. */
export type Answer<T> =
  { readonly ok: T } | { readonly problem: string; readonly field?: string } | { readonly stopped: true }

export interface Stop {
  aborted: boolean
}

/** Largest piece read at once: how long a stop may have to wait. */
const PIECE_BYTES = 128 * 1024
/** After so much work a worker looks whether it was told to stop: messages come in only between tasks. */
const SLICE_MS = 40

let slice = 0

/** Lets messages in, where it is time to. @throws AbortedError where one of them was to stop */
export async function breath(stop: Stop): Promise<void> {
  if (performance.now() - slice > SLICE_MS) {
    await new Promise(resolve => setTimeout(resolve))
    slice = performance.now()
  }
  if (stop.aborted) throw new AbortedError()
}

async function* chunksOf(file: File): AsyncGenerator<Uint8Array> {
  const reader = file.stream().getReader()
  slice = performance.now()
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
  } finally {
    reader.cancel().catch(() => {})
  }
}

export async function attempt<T>(run: () => T | Promise<T>): Promise<Answer<T>> {
  try {
    return { ok: await run() }
  } catch (error) {
    if (error instanceof AbortedError) return { stopped: true }
    const where = (error as { where?: { field?: string } }).where
    return { problem: (error as Error).message, field: where?.field }
  }
}

/** Reads a file with progress, by hundredths. */
export async function readFileIn(
  file: File,
  options: Omit<ReadOptions, 'signal' | 'onProgress'>,
  signal: Stop,
  onProgress: (share: number) => void,
): Promise<Capture> {
  let shown = 0
  return await readCapture(
    { name: file.name, size: file.size, chunks: () => chunksOf(file) },
    {
      ...options,
      signal,
      onProgress: (bytes, total) => {
        const share = total ? bytes / total : 0
        if (share - shown > 0.02) {
          shown = share
          onProgress(share)
        }
      },
    },
  )
}
