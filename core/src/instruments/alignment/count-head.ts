import { totalsOf, type TrackReading } from '../interface'
import type { SweepCount } from '../../log'
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

/** Fewer sectors that name another cylinder are no whole other track. */
const WHOLE = 0.6

/**
 * What one read of one track says of a head at one position of an adjuster: its sectors, its least margin, and which
 * other track it is where it is one.
 * @param track the read, its headers held against nothing; left out where nothing was read
 * @param cylinder where the heads should be @param expected sectors of the track
 */
export function countTrack(track: TrackReading | undefined, cylinder: number, expected: number): SweepCount {
  const good = Math.min(expected, track?.sectors.filter(s => s.state === 'good').length ?? 0)
  const foreign = track?.sectors.filter(s => s.state === 'foreign') ?? []
  const named =
    foreign.length >= expected * WHOLE && foreign.every(s => s.names === foreign[0]!.names)
      ? foreign[0]!.names - cylinder
      : undefined
  const margin = track && track.margin !== null && good > 0 ? Math.max(0, Math.min(1, track.margin)) : undefined
  return { good, expected, ...(margin === undefined ? {} : { margin }), ...(named ? { named } : {}) }
}
