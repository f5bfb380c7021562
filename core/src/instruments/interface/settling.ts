import { fluxWithin } from '../../signals/separator'
import { mostNamed, readTrack } from '../../signals/codes'
import { isLow } from './levels'
import type { HeadPath } from './follow-heads'
import type { BusLines } from './lines'
import type { RawTrack } from './track-reading'

/** Seeks that are looked at: the least of so many waits comes near the settling itself. */
const SEEKS = 24
/** Longest wait that is looked at, s. */
const LONGEST = 0.06

/** How soon after the last step a sector was read whole, ms: no longer than this does the head take to settle. */
export interface Settling {
  readonly atMostMs: number
  readonly seeks: number
}

export function settlingOf(lines: BusLines, path: HeadPath, raw: readonly RawTrack[]): Settling | null {
  const data = lines['read-data']
  if (!data) return null
  const waits: number[] = []
  for (const s of path.seeks) {
    if (waits.length >= SEEKS) break
    // A seek that was refused did not move the heads.
    if (s.refused > 0) continue
    const track = raw.find(t => t.fromS >= s.toS && t.fromS - s.toS < 0.05 && t.read)
    if (!track || (lines.select && !isLow(lines.select, s.toS))) continue
    // The track that the heads come from may still be read for a moment.
    const names = mostNamed(track.read!.sectors)
    const first = readTrack(fluxWithin(data, s.toS, s.toS + LONGEST), track.read!.format).sectors.find(
      x => x.status !== 'header check failed' && x.cylinder === names,
    )
    if (first) waits.push((first.atS - s.toS) * 1000)
  }
  return waits.length ? { atMostMs: Math.min(...waits), seeks: waits.length } : null
}
