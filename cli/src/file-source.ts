import { createHash } from 'node:crypto'
import { createReadStream } from 'node:fs'
import { stat } from 'node:fs/promises'
import { basename } from 'node:path'
import type { ByteSource } from '@wobrin/core/signals/captures'
import { InputError } from '@wobrin/core/base/errors'

/** A file on disk as a source for the readers. Its hash is taken while it goes by. */
export interface FileSource extends ByteSource {
  /** SHA-256 of the file; null while it has not been read to its end. */
  readonly sha256: () => string | null
}

export async function fileSource(path: string): Promise<FileSource> {
  const name = basename(path)
  const info = await stat(path).catch(() => null)
  if (!info) throw new InputError('there is no such file', 'the path of a VCD, CSV or WAV recording', { file: path })
  if (!info.isFile())
    throw new InputError('this is not a file', 'the path of a VCD, CSV or WAV recording', { file: path })
  let sha: string | null = null
  async function* chunks(): AsyncGenerator<Uint8Array> {
    const hash = createHash('sha256')
    for await (const chunk of createReadStream(path, { highWaterMark: 512 * 1024 })) {
      hash.update(chunk as Buffer)
      yield chunk as Buffer
    }
    sha = hash.digest('hex')
  }
  return { name, size: info.size, chunks, sha256: () => sha }
}
