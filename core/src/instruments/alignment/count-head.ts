import { totalsOf, type TrackReading } from '../interface'
import type { Counted } from './check-positions'

/**
 * What a recording says of a head at one position of an adjuster: its sectors together, and its least margin.
 * @returns null where no sector of the head was found
 */
export function countHead(tracks: readonly TrackReading[], head: 0 | 1): Counted | null {
  const own = tracks.filter(t => t.head === head)
  const { good, bad, missing } = totalsOf(own)
  const expected = good + bad + missing
  if (expected === 0) return null
  const margins = own.flatMap(t => (t.margin === null ? [] : [t.margin]))
  return { good, expected, ...(margins.length && good ? { margin: Math.max(0, Math.min(...margins)) } : {}) }
}
