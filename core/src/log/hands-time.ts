/** An entry as far as it tells time. */
export interface TimedEntry {
  /** Milliseconds since 1970. */
  readonly atMs: number
  /** The entry before it in the workshop, on whichever drive; null for the first. */
  readonly before: { readonly atMs: number; readonly wait: boolean } | null
}

/** What a drive’s log shows of the time that it took. */
export interface HandsTime {
  /** Minutes of hands. */
  readonly minutes: number
  /** Times that somebody came to the bench for it. */
  readonly sittings: number
}

/** After so long a gap somebody was away, minutes (a guess). */
export const AWAY_MINUTES = 45
/** What goes before the first entry of a sitting: fetching, clearing, looking, minutes (a guess). */
const BEGINNING = 5
/** What is done by hand after a wait was begun, minutes: the rest of the gap is the wait’s (a guess). */
const BESIDE_WAIT = 10

/**
 * Minutes of hands that a drive took, read from the times of its entries: what lies between two entries of the workshop
 * belongs to the drive of the later one, unless somebody was away or a wait was running. Rough.
 * @param entries those of one drive, oldest first
 */
export function handsTime(entries: readonly TimedEntry[]): HandsTime {
  let minutes = 0
  let sittings = 0
  let last: number | null = null
  for (const { atMs, before } of entries) {
    const gap = before === null ? Infinity : Math.max(0, atMs - before.atMs) / 60_000
    if (gap > AWAY_MINUTES) minutes += BEGINNING
    else minutes += before?.wait ? Math.min(gap, BESIDE_WAIT) : gap
    if (last === null || (atMs - last) / 60_000 > AWAY_MINUTES) sittings++
    last = atMs
  }
  return { minutes, sittings }
}
