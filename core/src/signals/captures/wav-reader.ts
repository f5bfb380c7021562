import { InputError } from '../../base/errors'
import { DEFAULT_MAX_EDGES, type Capture, type FormatReader, type ReadOptions } from './capture'
import { latin1 } from './latin1'
import { PulseFinder, type FoundPulses } from './pulse-finder'
import { parseWavFormat, sampleReader, type WavFormat } from './wav-header'
import type { Samples } from './sample-scan'
import { skipped } from './skipped'
import { ZeroRuns } from './zero-runs'

const NAMES = ['left', 'right']
/** Samples of one channel that are looked at together. */
const BLOCK_FRAMES = 4096
const LITTLE_ENDIAN = new Uint8Array(Uint16Array.of(1).buffer)[0] === 1

/** A streaming reader for WAV recordings of a pickup: microphone, coil, photodiode or the index line itself. */
export class WavReader implements FormatReader {
  private held = new Uint8Array(0)
  private offset = 0
  private format: WavFormat | null = null
  private read: ((view: DataView, at: number) => number) | null = null
  private finders: PulseFinder[] = []
  private zeros: ZeroRuns[] = []
  /** Bytes of the data chunk still to come; null before it began. */
  private dataLeft: number | null = null
  private done = false
  private frames = 0
  /** Bytes that begin at an odd place are moved here. */
  private even = new Uint8Array(0)
  private started = false

  constructor(
    private readonly file: string,
    private readonly options: ReadOptions = {},
  ) {
    const { raw } = options
    if (!raw) return
    // Samples and nothing else: there is no header to wait for.
    this.started = true
    this.dataLeft = Infinity
    this.begin(raw)
  }

  feed(chunk: Uint8Array): void {
    if (this.done) return
    if (this.dataLeft !== null) {
      this.sound(chunk)
      return
    }
    const bytes = new Uint8Array(this.held.length + chunk.length)
    bytes.set(this.held)
    bytes.set(chunk, this.held.length)
    let at = 0
    if (!this.started) {
      if (bytes.length < 12) {
        this.held = bytes
        return
      }
      at = 12
      this.started = true
    }
    while (bytes.length - at >= 8) {
      const view = new DataView(bytes.buffer, at, 8)
      const id = latin1(bytes.subarray(at, at + 4))
      const size = view.getUint32(4, true)
      if (id === 'data') {
        if (!this.format)
          throw new InputError('sound comes before its format', 'a "fmt " chunk first', {
            file: this.file,
            byteOffset: this.offset + at,
          })
        // A recorder that was cut off leaves 0 or the largest number here: then read to the end.
        this.dataLeft = size === 0 || size === 0xffffffff ? Infinity : size
        this.offset += at + 8
        this.held = new Uint8Array(0)
        this.sound(bytes.subarray(at + 8))
        return
      }
      if (size > 16 * 1024 * 1024)
        throw new InputError(
          `its "${id.replace(/\W/g, '?')}" chunk states ${size} bytes`,
          'a "data" chunk with the sound',
          { file: this.file, byteOffset: this.offset + at },
        )
      const padded = size + (size % 2)
      if (bytes.length - at < 8 + padded) break
      if (id === 'fmt ')
        this.begin(parseWavFormat(bytes.subarray(at + 8, at + 8 + size), this.file, this.offset + at + 8))
      at += 8 + padded
    }
    this.offset += at
    this.held = bytes.slice(at)
  }

  private begin(format: WavFormat): void {
    this.format = format
    this.read = sampleReader(format)
    const max = this.options.maxEdgesPerChannel ?? DEFAULT_MAX_EDGES
    const { channels, sampleRateHz } = format
    const one = { length: channels }
    this.finders = Array.from(one, () => new PulseFinder(sampleRateHz, max, this.options.rolling))
    this.zeros = Array.from(one, () => new ZeroRuns(sampleRateHz))
  }

  /** Bytes of the data chunk: only a frame that is cut in two is copied. */
  private sound(bytes: Uint8Array): void {
    const { frameBytes } = this.format!
    let at = 0
    if (this.held.length) {
      at = Math.min(bytes.length, frameBytes - this.held.length)
      const frame = new Uint8Array(this.held.length + at)
      frame.set(this.held)
      frame.set(bytes.subarray(0, at), this.held.length)
      this.held = frame
      if (frame.length < frameBytes) return
      this.offset += this.samples(frame)
    }
    at += this.samples(bytes.subarray(at))
    this.held = bytes.slice(at)
    this.offset += at
  }

  /** @returns bytes used */
  private samples(bytes: Uint8Array): number {
    const { channels, frameBytes, bits } = this.format!
    const read = this.read!
    const frames = Math.floor(Math.min(bytes.length, this.dataLeft!) / frameBytes)
    const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength)
    const step = bits / 8
    // Sixteen bits are what nearly all recordings have: they are read as they lie there.
    const plain = bits === 16 && LITTLE_ENDIAN ? this.ints(bytes, frames * channels) : null
    const block = new Float64Array(plain ? 0 : BLOCK_FRAMES)
    for (let c = 0; c < channels; c++) {
      if (plain) this.take(c, plain, this.frames, c, channels)
      else {
        for (let from = 0; from < frames; from += BLOCK_FRAMES) {
          const x = block.subarray(0, Math.min(BLOCK_FRAMES, frames - from))
          if (fromView(x, view, from * frameBytes + c * step, frameBytes, read)) this.take(c, x, this.frames + from)
          else this.oneByOne(c, x, this.frames + from)
        }
      }
    }
    this.frames += frames
    this.dataLeft! -= frames * frameBytes
    if (this.dataLeft! < frameBytes) this.done = true
    return frames * frameBytes
  }

  /** The same bytes as whole numbers; copied only where they begin at an odd place. */
  private ints(bytes: Uint8Array, count: number): Int16Array {
    if (bytes.byteOffset % 2 === 0) return new Int16Array(bytes.buffer, bytes.byteOffset, count)
    if (this.even.length < 2 * count) this.even = new Uint8Array(2 * count)
    this.even.set(bytes.subarray(0, 2 * count))
    return new Int16Array(this.even.buffer, 0, count)
  }

  private take(channel: number, x: Samples, first: number, offset = 0, every = 1): void {
    this.finders[channel]!.pushAll(x, first, this.format!.sampleRateHz, offset, every)
    this.zeros[channel]!.pushAll(x, first, offset, every)
  }

  /** Samples among which some are no numbers, as floating-point files may hold: those are left out. */
  private oneByOne(channel: number, x: Float64Array, first: number): void {
    for (const [i, sample] of x.entries()) {
      if (!Number.isFinite(sample)) continue
      const t = (first + i) / this.format!.sampleRateHz
      this.finders[channel]!.push(t, sample)
      this.zeros[channel]!.push(t, sample)
    }
  }

  finish(): Omit<Capture, 'fileName'> {
    if (!this.format || this.dataLeft === null) {
      throw new InputError('it ends before any sound', '"fmt " and "data" chunks', {
        file: this.file,
        byteOffset: this.offset + this.held.length,
      })
    }
    const notices: string[] = []
    if (!this.done && Number.isFinite(this.dataLeft)) {
      notices.push(
        `${this.file} breaks off ${this.dataLeft} bytes before the end it announces; everything before that was read.`,
      )
    }
    const channels = this.channels(notices, (finder, name) => finder.finish(name, this.options.polarity))
    return { format: 'wav', durationS: this.frames / this.format.sampleRateHz, channels, notices }
  }

  snapshot(windowS: number): Omit<Capture, 'fileName'> | null {
    if (!this.format || this.frames === 0) return null
    const durationS = this.frames / this.format.sampleRateHz
    const { polarity } = this.options
    const channels = this.channels([], (finder, name) => finder.snapshot(name, polarity, durationS - windowS))
    return { format: 'wav', durationS, channels, notices: [] }
  }

  private channels(notices: string[], find: (finder: PulseFinder, name: string) => FoundPulses): Capture['channels'] {
    return this.finders.map((finder, i) => {
      const name = this.finders.length === 1 ? 'sound' : (NAMES[i] ?? `channel ${i + 1}`)
      const { channel, polarity } = find(finder, name)
      const gaps = this.zeros[i]!.gaps()
      if (channel.edgeCount > 0) notices.push(`Pulses on "${name}" point ${polarity === 'positive' ? 'up' : 'down'}.`)
      if (gaps.length)
        notices.push(
          `"${name}" has ${gaps.length} ${gaps.length === 1 ? 'gap' : 'gaps'} of exact silence, as where sound was lost; nothing is measured across ${gaps.length === 1 ? 'it' : 'them'}.`,
        )
      const short = channel.edges ? skipped(beginnings(channel.edges.times), gaps) : []
      if (short.length)
        notices.push(
          `Pieces of "${name}" seem to be lost or put in at ${short.length} ${short.length === 1 ? 'place' : 'places'}, where revolutions are suddenly shorter or longer; nothing is measured there.`,
        )
      const all = [...gaps, ...short].sort((a, b) => a.fromS - b.fromS)
      return channel.edges ? { ...channel, edges: { ...channel.edges, gaps: all } } : channel
    })
  }
}

/** Every other change begins a pulse. */
function beginnings(times: Float64Array): Float64Array {
  const begun = new Float64Array((times.length + 1) >> 1)
  for (let i = 0; i < begun.length; i++) begun[i] = times[2 * i]!
  return begun
}

/** Samples of one channel, of any form. @returns whether all are numbers */
function fromView(
  x: Float64Array,
  view: DataView,
  from: number,
  every: number,
  read: (view: DataView, at: number) => number,
): boolean {
  let sum = 0
  for (let i = 0, at = from; i < x.length; i++, at += every) {
    x[i] = read(view, at)
    sum += x[i]!
  }
  return Number.isFinite(sum)
}
