import { addTo } from '../../base/order'
import { ZONES, type Zone } from '../../drives'
import type { Seals } from '../../findings'
import type { SourceId } from '../../base/observations'
import type { Head } from './model'

export const ZONE_NAMES = ZONES
export type ZoneName = Zone

/** One place of one disk read in one drive, once. */
export interface BlameRead {
  readonly disk: string
  readonly drive: string
  readonly head: Head
  readonly zone: ZoneName
  readonly good: number
  readonly sectors: number
  /** How it was counted; by the host’s own program where it is not said. */
  readonly source?: SourceId
}

export interface BlameDisk {
  readonly id: string
  readonly name: string
  /** Who wrote it: a drive of this list, another writer by its name, or null where nobody knows. */
  readonly writer: string | null
  /** Whether it is known to read in drives that were proved. */
  readonly trusted?: boolean
  /** It was in a drive that may have hurt it: it goes into no other before it was looked at. */
  readonly lookFirst?: boolean
}

export interface BlameDrive {
  readonly id: string
  readonly name: string
  readonly heads: 1 | 2
  /** Width of its track, µm; null where it does not matter. */
  readonly trackUm?: number | null
  /** What its speed was measured to be. */
  readonly speed?: 'right' | 'off' | null
  /** Whether its heads were cleaned and the swab came away clean. */
  readonly clean?: boolean
  /** What the seals of its adjusters were seen to be. */
  readonly seals?: Seals
  /** Whether a good disk may go into it; a drive whose safety gate is closed is not proposed. May, if not given. */
  readonly mayLoad?: boolean
}

/** Reads of one place in one drive, taken together. */
export interface PlaceRead {
  readonly disk: number
  readonly drive: number
  readonly head: Head
  readonly zone: number
  /** Of the best try. */
  readonly good: number
  readonly sectors: number
  readonly tries: number
  /** Whether one try read it all and another lost most of it. */
  readonly contradictory: boolean
  /** Where the counts come from, each once. */
  readonly sources: readonly SourceId[]
}

/** A place fails where less than this share of its sectors came. */
export const FAILS = 0.9
export const placeFails = (p: Pick<PlaceRead, 'good' | 'sectors'>): boolean => p.good / p.sectors < FAILS
const MOSTLY_LOST = 0.5

/**
 * Takes the tries of each place together. What read once is there: the best try counts, and tries that disagree are
 * said to.
 * Disks and drives are given by their indices; reads of others are left out.
 */
export function poolReads(
  reads: readonly BlameRead[],
  disks: readonly BlameDisk[],
  drives: readonly BlameDrive[],
): PlaceRead[] {
  const [diskOf, driveOf] = [disks, drives].map(list => new Map(list.map((x, i) => [x.id, i])))
  const groups = new Map<number, BlameRead[]>()
  for (const r of reads) {
    const [disk, drive] = [diskOf!.get(r.disk), driveOf!.get(r.drive)]
    if (r.sectors <= 0 || disk === undefined || drive === undefined) continue
    const key = ((disk * drives.length + drive) * 2 + r.head) * 3 + ZONE_NAMES.indexOf(r.zone)
    addTo(groups, key, r)
  }
  return [...groups.values()].map((tries): PlaceRead => {
    const best = tries.reduce((a, b) => (b.good / b.sectors > a.good / a.sectors ? b : a))
    const worst = Math.min(...tries.map(t => t.good / t.sectors))
    return {
      disk: diskOf!.get(best.disk)!,
      drive: driveOf!.get(best.drive)!,
      head: best.head,
      zone: ZONE_NAMES.indexOf(best.zone),
      tries: tries.length,
      good: best.good,
      sectors: best.sectors,
      contradictory: best.good === best.sectors && worst < MOSTLY_LOST,
      sources: [...new Set(tries.map(t => t.source ?? 'host'))],
    }
  })
}
