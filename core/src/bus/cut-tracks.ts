import { lowerBound } from '../numbers'
import { fluxFromEdges, mergeTurns, recogniseTrack, type MergedSector, type ReadTrack } from '../recording'
import { changesUpTo, fallsOf, isLow } from './levels'
import type { HeadPath } from './follow-heads'
import type { BusLines } from './lines'

/** One track as the recording has it: where, which head, for how long, and what was read. */
export interface CutTrack {
  readonly cylinder: number | null
  readonly head: 0 | 1
  readonly fromS: number
  readonly toS: number
  /** Turns by the index, 0 without it. */
  readonly turns: number
  readonly read: ReadTrack | null
  readonly sectors: readonly MergedSector[]
}

/** A stay shorter than this holds no sector, s. */
const SHORTEST = 0.03

/**
 * Cuts READ DATA by where the heads were and which side was chosen, and reads each stretch. Time grows with the transitions.
 * @param onTrack called after each stretch; where it returns false the rest is left out
 */
export function cutTracks(lines: BusLines, path: HeadPath, onTrack?: (done: number, all: number) => boolean): CutTrack[] {
  const data = lines['read-data']
  if (!data) return []
  const flux = fluxFromEdges(data)
  const index = lines.index ? fallsOf(lines.index) : new Float64Array()
  const stretches = path.stays.flatMap(s => bySide(lines, s.fromS, s.toS).map(x => ({ ...x, cylinder: s.cylinder }))).filter(s => s.toS - s.fromS >= SHORTEST)
  const tracks: CutTrack[] = []
  for (const [i, s] of stretches.entries()) {
    const times = flux.subarray(lowerBound(flux, s.fromS), lowerBound(flux, s.toS))
    const read = times.length > 200 ? recogniseTrack(times) : null
    tracks.push({ ...s, turns: lowerBound(index, s.toS) - lowerBound(index, s.fromS), read, sectors: read ? mergeTurns(read.sectors) : [] })
    if (onTrack?.(i + 1, stretches.length) === false) break
  }
  return tracks
}

/** A stretch in parts of one side each: SIDE low is the upper head. */
function bySide(lines: BusLines, fromS: number, toS: number): { readonly fromS: number, readonly toS: number, readonly head: 0 | 1 }[] {
  const { side } = lines
  if (!side) return [{ fromS, toS, head: 0 }]
  const cuts = [fromS, ...side.times.subarray(changesUpTo(side, fromS), changesUpTo(side, toS)), toS]
  return cuts.slice(1).map((to, i) => ({ fromS: cuts[i]!, toS: to, head: isLow(side, cuts[i]!) ? 1 as const : 0 as const }))
}
