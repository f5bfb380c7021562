import { ZONES, type Zone } from '../drives'
import type { CountedPlace } from './entry-data'
import type { LogEntry } from './log-entry'

/** Sectors of one head in one zone that a person or a host counted, with where the count stands. */
export interface PlaceOnLog extends CountedPlace {
  readonly entry: LogEntry
  /** The disk of the shelf that was read; null where none was named. */
  readonly disk: string | null
}

/** How the surface of a disk reads in a drive, as far as its log says. */
export interface SurfaceState {
  /** The read test that was made last; null where there is none. */
  readonly test: LogEntry | null
  /** Places that were counted after it, each with its latest count. */
  readonly counts: readonly PlaceOnLog[]
}

/** Keys of counted sectors in the vocabulary of readings: `read.lower.outer` and so on. */
const COUNT_KEY = /^read\.(lower|upper)\.(outer|middle|inner)$/

/** Counts that one entry holds; none for an entry of another kind. */
function countsOf(entry: LogEntry): PlaceOnLog[] {
  const { data } = entry
  if (data?.type === 'cross-read') return data.places.map(p => ({ ...p, entry, disk: data.disk }))
  if (data?.type !== 'reading' || data.count === null) return []
  const [, head, zone] = COUNT_KEY.exec(data.key) ?? []
  if (!head) return []
  return [{ ...data.count, head: head === 'upper' ? 1 : 0, zone: zone as Zone, entry, disk: null }]
}

/**
 * The latest word on each place of the surface: a read test covers all of it, a count its own place.
 * @param entries entries that still hold, in their order
 * @param takes which counts are taken; all if not given
 */
export function surfaceState(
  entries: readonly LogEntry[],
  takes: (place: PlaceOnLog) => boolean = () => true,
): SurfaceState {
  let test: LogEntry | null = null
  const counts = new Map<string, PlaceOnLog>()
  for (const entry of entries) {
    if (entry.data?.type === 'read-test') {
      test = entry
      counts.clear()
    }
    for (const c of countsOf(entry).filter(takes)) counts.set(`${c.head} ${c.zone}`, c)
  }
  return { test, counts: [...counts.values()] }
}

/** Whether every zone of every head was counted: a part says nothing of the whole. */
export const countedEverywhere = (counts: readonly CountedPlace[], heads: 1 | 2): boolean =>
  new Set(counts.filter(c => c.head < heads).map(c => `${c.head} ${c.zone}`)).size === heads * ZONES.length
