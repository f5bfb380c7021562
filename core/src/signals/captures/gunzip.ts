import { Gunzip } from 'fflate'
import { InputError, LimitError } from '../../base/errors'
import { DEFAULT_MAX_BYTES } from './capture'

/** Small pieces bound what one push can expand to: deflate grows at most about 1032-fold. */
const PIECE = 16 * 1024
/** Past this size, a file that grows more than {@link MAX_RATIO}-fold is taken for a bomb. */
const SUSPECT_BYTES = 64 * 1024 * 1024
const MAX_RATIO = 200

export function isGzip(head: Uint8Array): boolean {
  return head[0] === 0x1f && head[1] === 0x8b
}

/**
 * Unpacks a gzip stream piece by piece.
 * @throws InputError when it is damaged or cut short; LimitError when it expands beyond reason
 */
export class GunzipStream {
  private out: Uint8Array[] = []
  private bytesIn = 0
  private bytesOut = 0
  private readonly gunzip: Gunzip

  constructor(
    private readonly file: string,
    private readonly maxBytes = DEFAULT_MAX_BYTES,
  ) {
    this.gunzip = new Gunzip(chunk => this.out.push(chunk))
  }

  /** Unpacks one chunk, handing on each piece as it comes. */
  *push(chunk: Uint8Array): Generator<Uint8Array> {
    for (let at = 0; at < chunk.length; at += PIECE) {
      const piece = chunk.subarray(at, at + PIECE)
      this.bytesIn += piece.length
      this.attempt(piece, false)
      for (const out of this.out) this.count(out.length)
      yield* this.out
      this.out = []
    }
  }

  *end(): Generator<Uint8Array> {
    this.attempt(new Uint8Array(0), true)
    yield* this.out
    this.out = []
  }

  private attempt(piece: Uint8Array, final: boolean): void {
    try {
      this.gunzip.push(piece, final)
    } catch {
      throw new InputError(final ? 'the gzip data is cut short' : 'the gzip data is damaged', 'a whole gzip file', {
        file: this.file,
        byteOffset: this.bytesIn,
      })
    }
  }

  private count(bytes: number): void {
    this.bytesOut += bytes
    const where = { file: this.file, byteOffset: this.bytesIn }
    if (this.bytesOut > this.maxBytes)
      throw new LimitError(
        'it unpacks to more than can be read',
        `at most ${Math.round(this.maxBytes / 1024 ** 2)} MB`,
        where,
      )
    if (this.bytesOut > SUSPECT_BYTES && this.bytesOut > this.bytesIn * MAX_RATIO) {
      throw new LimitError(
        `it unpacks to over ${MAX_RATIO} times its size`,
        'an ordinary gzip file; unpack it yourself if you trust it',
        where,
      )
    }
  }
}
