import { createReadStream } from 'node:fs'
import { stat } from 'node:fs/promises'
import { basename } from 'node:path'
import type { ByteSource } from '@wobrin/core/captures'
import { InputError } from '@wobrin/core/errors'

/** A file on disk as a source for the readers. */
export async function fileSource(path: string): Promise<ByteSource> {
  const name = basename(path)
  const info = await stat(path).catch(() => null)
  if (!info) throw new InputError('there is no such file', 'the path of a VCD, CSV or WAV recording', { file: path })
  if (!info.isFile())
    throw new InputError('this is not a file', 'the path of a VCD, CSV or WAV recording', { file: path })
  return { name, size: info.size, chunks: () => createReadStream(path, { highWaterMark: 512 * 1024 }) }
}
