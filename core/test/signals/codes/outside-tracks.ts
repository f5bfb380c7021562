import { readFileSync } from 'node:fs'
import { join } from 'node:path'
import type { TrackCode } from '../../../src/signals/codes'

/**
 * Tracks by a writer that knows nothing of this project (a script in the fixture's folder, from the published
 * descriptions, from memory): a reader that is wrong in the same way as our own writer fails on them.
 */
export interface OutsideTrack {
  readonly name: string
  readonly code: TrackCode
  readonly rate: number
  readonly cells: number
  readonly hex: string
  readonly sectors: readonly {
    readonly cylinder: number
    readonly head: number
    readonly sector: number
    readonly deleted: boolean
    readonly tags: string
    readonly data: string
  }[]
}

export const outsideFolder = join(import.meta.dirname, '../../fixtures/track-codes')

export const outsideTracks: OutsideTrack[] = JSON.parse(readFileSync(join(outsideFolder, 'tracks.json'), 'utf8'))

export const cellsOf = (t: OutsideTrack): Uint8Array =>
  Uint8Array.from({ length: t.cells }, (_, i) => (Number.parseInt(t.hex[i >> 2]!, 16) >> (3 - (i & 3))) & 1)
