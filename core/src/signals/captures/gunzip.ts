import crc32 from 'crc-32'
import { Gunzip } from 'fflate'
import { InputError, LimitError } from '../../base/errors'
import { DEFAULT_MAX_BYTES } from './capture'

/** Small pieces bound what one push can expand to: deflate grows at most about 1032-fold. */
const PIECE = 16 * 1024
/** Past this size, a file that grows more than {@link MAX_RATIO}-fold is taken for a bomb. */
const SUSPECT_BYTES = 64 * 1024 * 1024
const MAX_RATIO = 200
/** Behind each member stand its CRC-32 and its length, four bytes each, low byte first: RFC 1952, 2.3.1. */
const TRAILER = 8
/** How much of what came in is kept to find the trailer of a member in it: a header may come in two pieces. */
const RECENT = 2 * PIECE

export function isGzip(head: Uint8Array): boolean {
  return head[0] === 0x1f && head[1] === 0x8b
}

const AMISS = {
  check: ['what is packed in it does not agree with its check', 'an undamaged gzip file'],
  cut: ['the gzip data is cut short', 'a whole gzip file'],
  damaged: ['the gzip data is damaged', 'a whole gzip file'],
} as const

/** What is wrong with a gzip file, in a sentence. @param byteOffset where, from its beginning */
export const gzipProblem = (kind: keyof typeof AMISS, file: string, byteOffset: number): InputError =>
  new InputError(AMISS[kind][0], AMISS[kind][1], { file, byteOffset })

/** How much may come out of a gzip file: a small one that fills the memory is taken for a bomb. */
export class UnpackLimit {
  private bytesOut = 0

  constructor(
    private readonly file: string,
    private readonly maxBytes = DEFAULT_MAX_BYTES,
  ) {}

  /** @throws LimitError when it expands beyond reason */
  count(bytes: number, bytesIn: number): void {
    this.bytesOut += bytes
    const where = { file: this.file, byteOffset: bytesIn }
    if (this.bytesOut > this.maxBytes)
      throw new LimitError(
        'it unpacks to more than can be read',
        `at most ${Math.round(this.maxBytes / 1024 ** 2)} MB`,
        where,
      )
    if (this.bytesOut > SUSPECT_BYTES && this.bytesOut > bytesIn * MAX_RATIO)
      throw new LimitError(
        `it unpacks to over ${MAX_RATIO} times its size`,
        'an ordinary gzip file; unpack it yourself if you trust it',
        where,
      )
  }
}

/**
 * Unpacks a gzip stream piece by piece. What was unpacked is held against the check and the length behind it.
 * @throws InputError when it is damaged or cut short; LimitError when it expands beyond reason
 */
export class GunzipStream {
  private out: Uint8Array[] = []
  private bytesIn = 0
  private readonly limit: UnpackLimit
  /** Check and length of the member that is being unpacked. */
  private crc = 0
  private length = 0
  private recent = new Uint8Array(0)
  private readonly gunzip: Gunzip

  constructor(
    private readonly file: string,
    maxBytes = DEFAULT_MAX_BYTES,
  ) {
    this.limit = new UnpackLimit(file, maxBytes)
    this.gunzip = new Gunzip(chunk => {
      this.out.push(chunk)
      this.crc = crc32.buf(chunk, this.crc)
      this.length += chunk.length
    })
    this.gunzip.onmember = next => this.checkMember(next)
  }

  /** Unpacks one chunk, handing on each piece as it comes. */
  *push(chunk: Uint8Array): Generator<Uint8Array> {
    for (let at = 0; at < chunk.length; at += PIECE) {
      const piece = chunk.subarray(at, at + PIECE)
      this.bytesIn += piece.length
      this.remember(piece)
      this.attempt(piece, false)
      for (const out of this.out) this.limit.count(out.length, this.bytesIn)
      yield* this.out
      this.out = []
    }
  }

  *end(): Generator<Uint8Array> {
    this.attempt(new Uint8Array(0), true)
    this.checkMember(this.bytesIn)
    yield* this.out
    this.out = []
  }

  private remember(piece: Uint8Array): void {
    const before = this.recent.subarray(Math.max(0, this.recent.length + piece.length - RECENT))
    const recent = new Uint8Array(before.length + piece.length)
    recent.set(before)
    recent.set(piece, before.length)
    this.recent = recent
  }

  /** @param end where the member ended, bytes from the start of what came in */
  private checkMember(end: number): void {
    const at = this.recent.length - (this.bytesIn - end) - TRAILER
    const trailer = new DataView(this.recent.buffer)
    const right =
      at >= 0 && trailer.getInt32(at, true) === this.crc && trailer.getUint32(at + 4, true) === this.length % 2 ** 32
    if (!right) throw gzipProblem('check', this.file, Math.max(0, end - TRAILER))
    this.crc = 0
    this.length = 0
  }

  private attempt(piece: Uint8Array, final: boolean): void {
    try {
      this.gunzip.push(piece, final)
    } catch (error) {
      if (error instanceof InputError) throw error
      throw gzipProblem(final ? 'cut' : 'damaged', this.file, this.bytesIn)
    }
  }
}
