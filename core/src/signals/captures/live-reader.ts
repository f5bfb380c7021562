import type { Capture, CaptureFormat, FormatReader, ReadOptions } from './capture'
import { CsvReader } from './csv-reader'
import { sniffFormat } from './sniff'
import { TransitionsReader } from './transitions-reader'
import { VcdReader } from './vcd-reader'
import { WavReader } from './wav-reader'

/** So many changes of one channel are kept; older ones go: memory stays flat however long it runs. */
const KEPT = 200_000
/** A format is told from so many bytes, or from what there is when the first pause comes. */
const HEAD_BYTES = 64

const READERS: Readonly<Record<CaptureFormat, new (name: string, options: ReadOptions) => FormatReader>> = {
  vcd: VcdReader,
  csv: CsvReader,
  wav: WavReader,
  transitions: TransitionsReader,
}

/** Reads a stream while it comes: what was recorded so far can be asked for at any time. */
export class LiveReader {
  private reader: FormatReader | null = null
  private head: Uint8Array[] = []
  private headBytes = 0

  /** @param name what the stream is called in messages */
  constructor(
    private readonly name: string,
    private readonly options: Pick<ReadOptions, 'sampleRateHz' | 'timeUnit' | 'raw'> = {},
  ) {}

  /**
   * Takes the next bytes.
   * @throws InputError where the stream is of a format that cannot be followed, or breaks its own
   */
  push(bytes: Uint8Array): void {
    if (this.reader) {
      this.reader.feed(bytes)
      return
    }
    this.head.push(bytes)
    this.headBytes += bytes.length
    if (this.headBytes >= HEAD_BYTES) this.begin()
  }

  /** The newest part of the recording; null while nothing can be told of it. */
  snapshot(sinceS: number): Capture | null {
    const now = this.reader?.snapshot?.(sinceS)
    return now ? { fileName: this.name, ...now } : null
  }

  /** The stream has ended. @throws InputError where nothing of it could be read */
  finish(): Capture {
    if (!this.reader) this.begin()
    return { fileName: this.name, ...this.reader!.finish() }
  }

  private begin(): void {
    const first = new Uint8Array(this.headBytes)
    let at = 0
    for (const part of this.head) {
      first.set(part, at)
      at += part.length
    }
    this.head = []
    const format = this.options.raw ? 'wav' : sniffFormat(first, this.name)
    this.reader = new READERS[format](this.name, { ...this.options, maxEdgesPerChannel: KEPT, rolling: true })
    this.reader.feed(first)
  }
}
