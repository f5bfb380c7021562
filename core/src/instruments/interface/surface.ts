import { judgeSurface, type SurfaceContext } from './judge-surface'
import { swingOf } from './swing'
import { namingOf, toReadings, type Naming, type RawTrack, type TrackReading } from './track-reading'

export type JudgedSurface = ReturnType<typeof judgeSurface> & {
  readonly naming: Naming
  readonly tracks: readonly TrackReading[]
}

/**
 * Raw tracks to a judged surface: headers against the count, visits and turns put together, each head's swing once a turn.
 * @param context what is known of the disk and of home; home off by what the headers say, if not given @param sided whether a side line said which head was chosen
 */
export function surfaceOfRaw(raw: readonly RawTrack[], context: SurfaceContext = {}, sided = true): JudgedSurface {
  const naming = namingOf(raw)
  const tracks = toReadings(raw, naming, sided)
  return {
    naming,
    tracks,
    ...judgeSurface(tracks, { homeOff: naming.offset, ...context, swings: [swingOf(raw, 0), swingOf(raw, 1)] }),
  }
}
