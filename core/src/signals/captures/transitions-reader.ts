import { InputError, type InputPlace } from '../../base/errors'
import { DEFAULT_MAX_EDGES, type Capture, type FormatReader, type ReadOptions } from './capture'
import { GrowableDoubles } from './growable'
import { latin1 } from './latin1'
import { BINARY_HEAD, INDEX_BIT, LONGEST_NS, TEXT_HEAD } from './transitions'

/** A pulse of the line that a transition is drawn as, s: as on an interface (200 ns are usual; from memory). */
const PULSE_S = 200e-9
/** The same of an index mark. */
const INDEX_S = 2e-3
const NEWLINE = 0x0a

/** Reads raw transitions of a track, in either form, as two lines of an interface: READ DATA and INDEX, active low. */
export class TransitionsReader implements FormatReader {
  private held = new Uint8Array(0)
  private binary: boolean | null = null
  private line = 0
  private offset = 0
  private atNs = 0
  private lastIndexNs = -1
  private readonly data: GrowableDoubles = new GrowableDoubles()
  private readonly index: GrowableDoubles = new GrowableDoubles()

  constructor(
    private readonly file: string,
    private readonly options: ReadOptions = {},
  ) {}

  feed(chunk: Uint8Array): void {
    let bytes = new Uint8Array(this.held.length + chunk.length)
    bytes.set(this.held)
    bytes.set(chunk, this.held.length)
    if (this.binary === null) {
      if (bytes.length < BINARY_HEAD.length) {
        this.held = bytes
        return
      }
      this.binary = BINARY_HEAD.every((b, i) => bytes[i] === b)
      if (this.binary) {
        bytes = bytes.subarray(BINARY_HEAD.length)
        this.offset = BINARY_HEAD.length
      }
    }
    this.held = this.binary ? this.numbers(bytes) : this.lines(bytes)
  }

  private numbers(bytes: Uint8Array): Uint8Array<ArrayBuffer> {
    const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength)
    const whole = bytes.length - (bytes.length % 4)
    for (let at = 0; at < whole; at += 4) {
      const value = view.getUint32(at, true)
      this.take(value % INDEX_BIT, value >= INDEX_BIT, { file: this.file, byteOffset: this.offset + at })
    }
    this.offset += whole
    return bytes.slice(whole)
  }

  private lines(bytes: Uint8Array): Uint8Array<ArrayBuffer> {
    let from = 0
    for (let end = bytes.indexOf(NEWLINE); end >= 0; end = bytes.indexOf(NEWLINE, from)) {
      this.text(latin1(bytes.subarray(from, end)))
      from = end + 1
    }
    return bytes.slice(from)
  }

  private text(raw: string): void {
    const line = raw.trim()
    const where = { file: this.file, line: ++this.line }
    if (this.line === 1) {
      if (line === TEXT_HEAD) return
      throw new InputError(`“${line.slice(0, 40)}” is not a version that is known`, `“${TEXT_HEAD}”`, where)
    }
    if (line === '' || line.startsWith('#')) return
    const [, index, digits] = /^(index\s+)?(\d{1,12})$/.exec(line) ?? []
    if (digits === undefined)
      throw new InputError(
        `“${line.slice(0, 40)}” is not a distance`,
        'a whole number of ns, or “index” and one',
        where,
      )
    this.take(Number(digits), index !== undefined, where)
  }

  private take(ns: number, index: boolean, where: InputPlace): void {
    if (ns > LONGEST_NS) throw new InputError(`a distance of ${ns} ns`, `at most ${LONGEST_NS} ns`, where)
    if (index) {
      const at = this.atNs + ns
      if (at <= this.lastIndexNs)
        throw new InputError('an index mark does not come after the one before', 'later', where)
      this.lastIndexNs = at
      this.index.push(at / 1e9)
      return
    }
    if (ns === 0 && this.atNs > 0) throw new InputError('a distance of 0 ns', 'at least 1 ns', where)
    this.atNs += ns
    if (this.data.length < (this.options.maxEdgesPerChannel ?? DEFAULT_MAX_EDGES)) this.data.push(this.atNs / 1e9)
  }

  finish(): Omit<Capture, 'fileName'> {
    if (this.binary === false && this.held.length) this.text(latin1(this.held))
    if (this.binary && this.held.length)
      throw new InputError('it ends in the middle of a number', 'four bytes each', {
        file: this.file,
        byteOffset: this.offset,
      })
    if (this.data.length < 2)
      throw new InputError(`it holds ${this.data.length} transitions`, 'at least two', { file: this.file })
    const durationS = Math.max(this.atNs, this.lastIndexNs) / 1e9
    const [data, index] = [this.data.take(), this.index.take()]
    const channels = [line('READ_DATA', data, PULSE_S), ...(index.length ? [line('INDEX', index, INDEX_S)] : [])]
    return { format: 'transitions', durationS, channels, notices: [] }
  }
}

/** Pulses of a line that is active low: as long as usual, or half the way to the next one. */
function line(name: string, starts: Float64Array, pulseS: number): Capture['channels'][number] {
  const times = new Float64Array(2 * starts.length)
  for (let i = 0; i < starts.length; i++) {
    const next = starts[i + 1] ?? Infinity
    times[2 * i] = starts[i]!
    times[2 * i + 1] = starts[i]! + Math.min(pulseS, (next - starts[i]!) / 2)
  }
  return { name, edgeCount: times.length, edges: { initial: 1, times, gaps: [] } }
}
