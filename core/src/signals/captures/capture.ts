import type { WavFormat } from './wav-header'

/** What a reader reads from: a named stream of bytes that can be started once per read. */
export interface ByteSource {
  /** File name as the user knows it; used in messages and to notice a wrong extension. */
  readonly name: string
  /** Total bytes, where known; progress is a fraction only then. */
  readonly size?: number
  /** Pieces in order; each may be written over once the next one is asked for. */
  chunks(): AsyncIterable<Uint8Array>
  /**
   * Unpacks gzip, where the platform has a quicker way than the readers' own. It throws what `gzipProblem` makes where
   * what comes in is damaged; how large it may grow is not its business.
   */
  unpack?(packed: AsyncIterable<Uint8Array>): AsyncIterable<Uint8Array>
}

/** The part of a web or Node `AbortSignal` that the readers use. */
export interface StopSignal {
  readonly aborted: boolean
}

export type CaptureFormat = 'vcd' | 'csv' | 'wav' | 'transitions'

/** A stretch in which a channel's level was not recorded, in seconds from the start of the capture. */
export interface Gap {
  readonly fromS: number
  readonly toS: number
}

/**
 * One channel as a list of level changes. Levels alternate: the level before `times[0]` is `initial`, after it
 * the other one, and so on.
 */
export interface EdgeList {
  /** Level (0 or 1) before the first change. */
  readonly initial: 0 | 1
  /** Times of the changes, seconds from the start of the capture, strictly increasing. */
  readonly times: Float64Array
  /** Where the level was unknown or the recording paused. */
  readonly gaps: readonly Gap[]
}

export interface CaptureChannel {
  /** Name that is unique within the capture; scopes are joined with dots. */
  readonly name: string
  /** Number of changes seen, also when they were too many to keep. */
  readonly edgeCount: number
  /** Null where there were more changes than the reader agreed to keep: nothing that turns with a spindle. */
  readonly edges: EdgeList | null
}

export interface Capture {
  readonly fileName: string
  readonly format: CaptureFormat
  /** Seconds from the first to the last instant of the recording. */
  readonly durationS: number
  readonly channels: readonly CaptureChannel[]
  /** What a reader passed over or assumed, one sentence each. */
  readonly notices: readonly string[]
}

export type TimeUnit = 's' | 'ms' | 'us' | 'ns'

/** How to read; everything has a sensible default. */
export interface ReadOptions {
  readonly signal?: StopSignal
  /** Called about once a chunk with the bytes taken from the source so far and their total, where known. */
  readonly onProgress?: (bytesRead: number, totalBytes: number | undefined) => void
  /** More changes than this on one channel are counted but not kept (default 2 000 000). */
  readonly maxEdgesPerChannel?: number
  /** Changes beyond that push out the oldest ones, in place of leaving the channel out: for a stream that goes on. */
  readonly rolling?: boolean
  /** Decompressed bytes to read before giving up (default 4 GiB). */
  readonly maxBytes?: number
  /** CSV only: unit of the time column where its heading does not say. */
  readonly timeUnit?: TimeUnit
  /** CSV only: samples per second where the file has no time column. */
  readonly sampleRateHz?: number
  /** The bytes are samples and nothing else, of this form. */
  readonly raw?: WavFormat
  /** WAV and analogue CSV only: which way a pulse points; found from the signal by default. */
  readonly polarity?: 'auto' | 'positive' | 'negative'
}

export const DEFAULT_MAX_EDGES = 2_000_000
export const DEFAULT_MAX_BYTES = 4 * 1024 ** 3

/** Reads all of one stream of decompressed bytes; the per-format readers implement it. */
export interface FormatReader {
  feed(bytes: Uint8Array): void
  finish(): Omit<Capture, 'fileName'>
  /**
   * What was read so far, without ending it, so many seconds back; left out where a format cannot be followed.
   * @returns null while nothing can be told of it
   */
  snapshot?(windowS: number): Omit<Capture, 'fileName'> | null
}
