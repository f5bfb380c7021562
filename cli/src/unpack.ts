import { createGunzip } from 'node:zlib'
import { gzipProblem } from '@wobrin/core/signals/captures'

const PIECE_BYTES = 256 * 1024

/** What zlib says is amiss, by its code and words. */
const kindOf = ({ code, message }: NodeJS.ErrnoException) =>
  code === 'Z_BUF_ERROR' ? 'cut' : /incorrect (?:data|length) check/.test(message) ? 'check' : 'damaged'

/**
 * Unpacks gzip by the platform's own library, beside the thread that reads. Each piece that comes in is used up before
 * the next one is asked for.
 * @throws InputError when it is damaged or cut short
 */
export async function* unpack(packed: AsyncIterable<Uint8Array>, file: string): AsyncGenerator<Uint8Array> {
  const gunzip = createGunzip({ chunkSize: PIECE_BYTES })
  let broken: unknown
  const feed = async () => {
    for await (const piece of packed) {
      await new Promise<void>(used => gunzip.write(piece, () => used()))
      if (gunzip.destroyed) return
    }
    gunzip.end()
  }
  feed().catch(error => {
    broken = error
    gunzip.destroy()
  })
  try {
    for await (const piece of gunzip) yield piece as Uint8Array
  } catch (error) {
    // What went wrong while it was fed is told as it is.
    if (broken) throw broken
    throw gzipProblem(kindOf(error as NodeJS.ErrnoException), file, gunzip.bytesWritten)
  } finally {
    gunzip.destroy()
  }
}
