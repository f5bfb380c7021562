import { createHash } from 'node:crypto'
import { open, stat } from 'node:fs/promises'
import { basename } from 'node:path'
import type { ByteSource } from '@wobrin/core/signals/captures'
import { InputError } from '@wobrin/core/base/errors'
import { unpack } from './unpack'

/** A file on disk as a source for the readers. Its hash is taken while it goes by. */
export interface FileSource extends ByteSource {
  /** SHA-256 of the file; null while it has not been read to its end. */
  readonly sha256: () => string | null
}

/** Stands for standard input wherever a recording is read. */
const STDIN = '-'

/** @param path of the file; `-` for standard input */
export async function fileSource(path: string): Promise<FileSource> {
  if (path === STDIN) return hashed('standard input', undefined, process.stdin as AsyncIterable<Uint8Array>)
  const name = basename(path)
  const info = await stat(path).catch(() => null)
  if (!info) throw new InputError('there is no such file', 'the path of a VCD, CSV or WAV recording', { file: path })
  if (!info.isFile())
    throw new InputError('this is not a file', 'the path of a VCD, CSV or WAV recording', { file: path })
  return hashed(name, info.size, piecesOf(path))
}

const PIECE_BYTES = 512 * 1024

/**
 * A file in pieces that stand in two rooms by turns, so that large files leave no garbage behind: while one piece is
 * looked at, the next one is read into the other room.
 */
async function* piecesOf(path: string): AsyncGenerator<Uint8Array> {
  const file = await open(path)
  let room = new Uint8Array(PIECE_BYTES)
  let other = new Uint8Array(PIECE_BYTES)
  let coming = file.read(room)
  try {
    for (;;) {
      const { bytesRead } = await coming
      if (bytesRead === 0) return
      const piece = room.subarray(0, bytesRead)
      ;[room, other] = [other, room]
      coming = file.read(room)
      // Its failure is told when its turn comes, if it does.
      coming.catch(() => undefined)
      yield piece
    }
  } finally {
    await coming.catch(() => undefined)
    await file.close()
  }
}

/** A stream that is read once, its hash taken while it goes by. */
function hashed(name: string, size: number | undefined, stream: AsyncIterable<Uint8Array>): FileSource {
  let sha: string | null = null
  async function* chunks(): AsyncGenerator<Uint8Array> {
    const hash = createHash('sha256')
    for await (const chunk of stream) {
      hash.update(chunk)
      yield chunk
    }
    sha = hash.digest('hex')
  }
  return {
    name,
    ...(size === undefined ? {} : { size }),
    chunks,
    unpack: packed => unpack(packed, name),
    sha256: () => sha,
  }
}
