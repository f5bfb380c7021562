import { totalsOf, type TrackReading } from './track-reading'

/** Sectors of a track that did not read as they should. */
const failedOf = (t: TrackReading): number => {
  const { bad, missing, foreign } = totalsOf([t])
  return bad + missing + foreign
}

/** The track to be looked at first: most failed sectors, then least timing margin; null where none was read. */
export function worstTrack(tracks: readonly TrackReading[]): TrackReading | null {
  let worst: TrackReading | null = null
  for (const t of tracks) {
    if (!worst) worst = t
    const [more, less] = [failedOf(t) - failedOf(worst), (t.margin ?? 0) - (worst.margin ?? 0)]
    if (more > 0 || (more === 0 && less < 0)) worst = t
  }
  return worst
}

/** What a head read of the inner third of its tracks, where bits lie closest: a share, 0 to 1. */
export interface InnerThird {
  readonly head: 0 | 1
  readonly share: number
}

/** The inner third of each head that read there, the upper head first. */
export function innerThirds(tracks: readonly TrackReading[]): InnerThird[] {
  const last = Math.max(0, ...tracks.map(t => t.cylinder))
  return ([1, 0] as const).flatMap(head => {
    const own = tracks.filter(t => t.head === head && t.cylinder > (last * 2) / 3)
    const { good, bad, missing } = totalsOf(own)
    return own.length ? [{ head, share: good / Math.max(1, good + bad + missing) }] : []
  })
}
