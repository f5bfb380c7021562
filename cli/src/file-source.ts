import { createHash } from 'node:crypto'
import { open, stat } from 'node:fs/promises'
import { basename } from 'node:path'
import type { ByteSource } from '@wobrin/core/signals/captures'
import { InputError } from '@wobrin/core/base/errors'
import { HashBeside } from './hash-beside'
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
  if (path === STDIN) return hashed('standard input', undefined, () => process.stdin as AsyncIterable<Uint8Array>)
  const name = basename(path)
  const info = await stat(path).catch(() => null)
  if (!info) throw new InputError('there is no such file', 'the path of a VCD, CSV or WAV recording', { file: path })
  if (!info.isFile())
    throw new InputError('this is not a file', 'the path of a VCD, CSV or WAV recording', { file: path })
  if (info.size < LARGE_BYTES) return hashed(name, info.size, () => piecesOf(path, roomsOf(ArrayBuffer)))
  return hashedBeside(name, info.size, path)
}

const PIECE_BYTES = 512 * 1024
/** While one piece is looked at and the next one read, two may wait for their hash. */
const ROOMS = 4
/** From here on a thread for the hash alone is worth its start. */
const LARGE_BYTES = 32 * 1024 * 1024

const roomsOf = (memory: ArrayBufferConstructor | SharedArrayBufferConstructor) =>
  Array.from({ length: ROOMS }, () => new Uint8Array(new memory(PIECE_BYTES)))

/**
 * A file in pieces that stand in a few rooms by turns, so that large files leave no garbage behind: while one piece is
 * looked at, the next one is read into another room.
 * @param come is told of each piece as it comes; the next one is not read before it is through
 */
async function* piecesOf(
  path: string,
  rooms: readonly Uint8Array[],
  come?: (room: number, bytes: number) => Promise<void>,
): AsyncGenerator<Uint8Array> {
  const file = await open(path)
  let room = 0
  let coming = file.read(rooms[room]!)
  try {
    for (;;) {
      const { bytesRead } = await coming
      if (bytesRead === 0) return
      const piece = rooms[room]!.subarray(0, bytesRead)
      await come?.(room, bytesRead)
      room = (room + 1) % rooms.length
      coming = file.read(rooms[room]!)
      // Its failure is told when its turn comes, if it does.
      coming.catch(() => undefined)
      yield piece
    }
  } finally {
    await coming.catch(() => undefined)
    await file.close()
  }
}

/** A large file whose hash is taken in a thread of its own. */
function hashedBeside(name: string, size: number, path: string): FileSource {
  let sha: string | null = null
  async function* chunks(): AsyncGenerator<Uint8Array> {
    const rooms = roomsOf(SharedArrayBuffer)
    const hash = new HashBeside(rooms)
    try {
      yield* piecesOf(path, rooms, (room, bytes) => {
        hash.take(room, bytes)
        // The next room must not hold what still waits for its hash.
        return hash.behind(rooms.length - 1)
      })
      sha = await hash.digest()
    } finally {
      await hash.end()
    }
  }
  return source(name, size, chunks, () => sha)
}

/** Pieces whose hash is taken while they go by. */
function hashed(name: string, size: number | undefined, pieces: () => AsyncIterable<Uint8Array>): FileSource {
  let sha: string | null = null
  async function* chunks(): AsyncGenerator<Uint8Array> {
    const hash = createHash('sha256')
    for await (const chunk of pieces()) {
      hash.update(chunk)
      yield chunk
    }
    sha = hash.digest('hex')
  }
  return source(name, size, chunks, () => sha)
}

const source = (
  name: string,
  size: number | undefined,
  chunks: FileSource['chunks'],
  sha256: FileSource['sha256'],
): FileSource => ({
  name,
  ...(size === undefined ? {} : { size }),
  chunks,
  unpack: packed => unpack(packed, name),
  sha256,
})
