import { createWriteStream } from 'node:fs'
import { Readable } from 'node:stream'
import { pipeline } from 'node:stream/promises'

/** Writes text piece by piece: what is longer than memory likes. */
export const writePieces = (path: string, pieces: Iterable<string>): Promise<void> =>
  pipeline(Readable.from(pieces), createWriteStream(path))
