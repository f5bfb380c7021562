import { median } from '../../base/numbers'
import type { SurfaceFacts } from '../../log'
import { judgeSurface, type SurfaceContext } from './judge-surface'
import { swingOf, swingSize } from './swing'
import { namingOf, toReadings, type Naming, type RawTrack, type TrackReading } from './track-reading'

export type JudgedSurface = ReturnType<typeof judgeSurface> & {
  readonly naming: Naming
  readonly tracks: readonly TrackReading[]
  /** What the surface says beside its tracks, as the log keeps it. */
  readonly facts: SurfaceFacts
}

/**
 * Raw tracks to a judged surface: headers against the count, visits and turns put together, each head's swing once a
 * turn.
 * @param context what is known of the disk and of home; home off by what the headers say, if not given
 * @param sided whether a side line said which head was chosen
 */
export function surfaceOfRaw(raw: readonly RawTrack[], context: SurfaceContext = {}, sided = true): JudgedSurface {
  const naming = namingOf(raw)
  const tracks = toReadings(raw, naming, sided)
  const homeOff = context.homeOff ?? naming.offset
  const swings = [swingOf(raw, 0), swingOf(raw, 1)] as const
  const kept = (head: 0 | 1) => (swings[head] ? { size: swingSize(swings[head]), sd: swings[head].sd } : null)
  const rates = tracks.flatMap(t => (t.rateOff === null ? [] : [t.rateOff]))
  return {
    naming,
    tracks,
    facts: { homeOff, rateOff: rates.length ? median(rates) : null, swings: [kept(0), kept(1)] },
    ...judgeSurface(tracks, { ...context, homeOff, swings }),
  }
}
