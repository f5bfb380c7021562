import { AbortedError, LimitError } from '../../base/errors'
import {
  DEFAULT_MAX_BYTES,
  type ByteSource,
  type Capture,
  type CaptureFormat,
  type FormatReader,
  type ReadOptions,
} from './capture'
import { CsvReader } from './csv-reader'
import { GunzipStream, isGzip, UnpackLimit } from './gunzip'
import { extensionNotice, sniffFormat } from './sniff'
import { TransitionsReader } from './transitions-reader'
import { VcdReader } from './vcd-reader'
import { WavReader } from './wav-reader'

const HEAD_BYTES = 4096

function readerFor(format: CaptureFormat, file: string, options: ReadOptions): FormatReader {
  switch (format) {
    case 'vcd':
      return new VcdReader(file, options)
    case 'csv':
      return new CsvReader(file, options)
    case 'wav':
      return new WavReader(file, options)
    case 'transitions':
      return new TransitionsReader(file, options)
  }
}

/** The same bytes, the first chunk holding at least so many (if there are): a format's mark must not be cut in two. */
async function* atLeast(bytes: number, chunks: AsyncIterable<Uint8Array>): AsyncGenerator<Uint8Array> {
  let held: Uint8Array[] | null = []
  for await (const chunk of chunks) {
    if (!held) {
      yield chunk
      continue
    }
    held.push(chunk.slice())
    if (held.reduce((n, c) => n + c.length, 0) >= bytes) {
      yield join(held)
      held = null
    }
  }
  if (held?.length) yield join(held)
}

/** Bytes as they come in, with progress reported and a stop obeyed between chunks. */
class Incoming {
  taken = 0

  constructor(
    private readonly source: ByteSource,
    private readonly options: ReadOptions,
  ) {}

  /** @throws AbortedError when stopped */
  obey(): void {
    if (this.options.signal?.aborted) throw new AbortedError()
  }

  async *counted(chunks: AsyncIterable<Uint8Array>): AsyncGenerator<Uint8Array> {
    for await (const chunk of chunks) {
      this.obey()
      this.taken += chunk.length
      yield chunk
      this.options.onProgress?.(this.taken, this.source.size)
    }
  }
}

/** Decompressed bytes of the source, limits kept. */
async function* plainBytes(source: ByteSource, options: ReadOptions): AsyncGenerator<Uint8Array> {
  const max = options.maxBytes ?? DEFAULT_MAX_BYTES
  const incoming = new Incoming(source, options)
  const chunks = incoming.counted(atLeast(2, source.chunks()))
  const first = await chunks.next()
  if (first.done) return
  const all = before(first.value, chunks)
  if (!isGzip(first.value)) yield* within(max, all, source.name, incoming)
  else if (source.unpack) yield* unpacked(source.unpack(all), new UnpackLimit(source.name, max), incoming)
  else yield* unpackedHere(all, new GunzipStream(source.name, max), incoming)
}

async function* before(first: Uint8Array, rest: AsyncGenerator<Uint8Array>): AsyncGenerator<Uint8Array> {
  try {
    yield first
    yield* rest
  } finally {
    await rest.return(undefined)
  }
}

async function* within(
  max: number,
  chunks: AsyncIterable<Uint8Array>,
  file: string,
  incoming: Incoming,
): AsyncGenerator<Uint8Array> {
  for await (const chunk of chunks) {
    if (incoming.taken > max)
      throw new LimitError('the file is larger than can be read', `at most ${Math.round(max / 1024 ** 2)} MB`, { file })
    yield chunk
  }
}

async function* unpacked(
  pieces: AsyncIterable<Uint8Array>,
  limit: UnpackLimit,
  incoming: Incoming,
): AsyncGenerator<Uint8Array> {
  for await (const piece of pieces) {
    limit.count(piece.length, incoming.taken)
    yield piece
    incoming.obey()
  }
}

async function* unpackedHere(
  chunks: AsyncIterable<Uint8Array>,
  gunzip: GunzipStream,
  incoming: Incoming,
): AsyncGenerator<Uint8Array> {
  for await (const chunk of chunks)
    for (const piece of gunzip.push(chunk)) {
      yield piece
      incoming.obey()
    }
  yield* gunzip.end()
}

function join(parts: readonly Uint8Array[]): Uint8Array {
  const out = new Uint8Array(parts.reduce((n, p) => n + p.length, 0))
  let at = 0
  for (const p of parts) {
    out.set(p, at)
    at += p.length
  }
  return out
}

/**
 * Reads a recording of any known format, gzip-packed or not, in one pass and in bounded memory. The content
 * decides the format, not the name.
 * @throws InputError (one sentence with place and expectation) on unusable input; AbortedError when stopped
 */
export async function readCapture(source: ByteSource, options: ReadOptions = {}): Promise<Capture> {
  let reader: FormatReader | null = null
  let format: CaptureFormat | null = null
  let head: Uint8Array[] = []
  let headBytes = 0
  const start = () => {
    const first = join(head)
    head = []
    format = options.raw ? 'wav' : sniffFormat(first, source.name)
    reader = readerFor(format, source.name, options)
    reader.feed(first)
  }
  for await (const bytes of plainBytes(source, options)) {
    if (reader) (reader as FormatReader).feed(bytes)
    else {
      head.push(bytes.slice())
      headBytes += bytes.length
      if (headBytes >= HEAD_BYTES) start()
    }
  }
  if (!reader) start()
  const read = reader!.finish()
  const notice = options.raw ? null : extensionNotice(source.name, format!)
  return { fileName: source.name, ...read, notices: notice ? [notice, ...read.notices] : read.notices }
}
