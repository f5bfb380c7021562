import { standingEntries, type LogEntry } from '../../log'
import { SITTING_MS } from './sitting'
import type { Walk } from './walk'

/**
 * Until when a drive's way stays as it is where nothing more is entered: a wait runs out, or a sitting ends and its
 * cautions are to be read again.
 * @param log from which the way was worked out
 * @param nowMs time for which it was worked out, milliseconds since 1970, UTC
 * @returns milliseconds since 1970, UTC; Infinity where time alone changes nothing
 */
export function stillUntil(log: readonly LogEntry[], way: Pick<Walk, 'waits'>, nowMs: number): number {
  const ends = way.waits.map(w => Date.parse(w.endsAt))
  const sittings = standingEntries(log).map(e => Date.parse(e.at) + SITTING_MS)
  return [...ends, ...sittings].reduce((least, at) => (at > nowMs && at < least ? at : least), Infinity)
}
