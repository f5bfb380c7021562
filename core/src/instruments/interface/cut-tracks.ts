import { lowerBound } from '../../base/numbers'
import { FluxRoom, fluxWithin } from '../../signals/separator'
import { recogniseTrack, type Format, type TrackReadOptions } from '../../signals/codes'
import type { HeadPath, Stay } from './follow-heads'
import { changesUpTo, fallsOf, isLow } from './levels'
import { unsteady } from './unsteady'
import type { BusLines } from './lines'
import { sampleOf, type RawTrack } from './track-reading'

export interface CutOptions {
  /** Codes to try; all that are known otherwise. */
  readonly formats?: readonly Format[]
  readonly separator?: TrackReadOptions
  /** Called after each stretch; where it returns false the rest is left out. */
  readonly onTrack?: (done: number, all: number, track: RawTrack) => boolean | undefined
}

/** A stay shorter than this holds no sector, s. */
const SHORTEST = 0.03
/** Fewer transitions are no track. */
const FEWEST = 200

/**
 * Cuts READ DATA by where the heads were and which side was chosen, and reads each stretch. Time grows with the
 * transitions.
 */
export function cutTracks(lines: BusLines, path: HeadPath, options: CutOptions = {}): RawTrack[] {
  const tracks: RawTrack[] = []
  for (const { done, all, track } of cuttingTracks(lines, path, options)) {
    tracks.push(track)
    if (options.onTrack?.(done, all, track) === false) break
  }
  return tracks
}

/** The same one track at a time, so that a worker can listen in between. */
export function* cuttingTracks(
  lines: BusLines,
  path: HeadPath,
  options: CutOptions = {},
): Generator<{ readonly done: number; readonly all: number; readonly track: RawTrack }> {
  const data = lines['read-data']
  if (!data) return
  const index = lines.index ? fallsOf(lines.index) : new Float64Array()
  const left = [...unsteady(lines), ...data.gaps]
  const stretches = path.stays
    .flatMap(s => without(s, left))
    .flatMap(s => bySide(lines, s.fromS, s.toS).map(x => ({ ...x, cylinder: s.cylinder })))
    .filter(s => s.toS - s.fromS >= SHORTEST)
  let likely: Format | undefined
  // Nothing of a stretch is kept but what was read of it.
  const room = new FluxRoom()
  for (const [i, s] of stretches.entries()) {
    const times = fluxWithin(data, s.fromS, s.toS, true, room)
    const read = times.length > FEWEST ? recogniseTrack(times, options.formats, options.separator, likely) : null
    likely = read?.format ?? likely
    yield {
      done: i + 1,
      all: stretches.length,
      track: {
        ...s,
        turns: lowerBound(index, s.toS) - lowerBound(index, s.fromS),
        transitions: times.length,
        sample: sampleOf(times),
        read,
        index: index.slice(Math.max(0, lowerBound(index, s.fromS) - 1), lowerBound(index, s.toS) + 1),
      },
    }
  }
}

/** A stretch in parts of one side each: SIDE low is the upper head. */
function bySide(
  lines: BusLines,
  fromS: number,
  toS: number,
): { readonly fromS: number; readonly toS: number; readonly head: 0 | 1 }[] {
  const { side } = lines
  if (!side) return [{ fromS, toS, head: 0 }]
  const cuts = [fromS, ...side.times.subarray(changesUpTo(side, fromS), changesUpTo(side, toS)), toS]
  return cuts
    .slice(1)
    .map((to, i) => ({ fromS: cuts[i]!, toS: to, head: isLow(side, cuts[i]!) ? (1 as const) : (0 as const) }))
}

/** A stay without the times at which the disk was not at its speed, or the read line was not recorded. */
function without(stay: Stay, spans: readonly { readonly fromS: number; readonly toS: number }[]): Stay[] {
  let left = [stay]
  for (const x of spans)
    left = left.flatMap(s =>
      x.toS <= s.fromS || x.fromS >= s.toS
        ? [s]
        : [
            { ...s, toS: x.fromS },
            { ...s, fromS: x.toS },
          ].filter(p => p.toS > p.fromS),
    )
  return left
}
