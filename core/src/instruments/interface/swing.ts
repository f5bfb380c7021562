import { lowerBound } from '../../base/numbers'
import type { RawTrack } from './track-reading'

/**
 * How the margin of a head swings once a turn, share of half the window, zero to peak, as the two parts of a sine
 * with their common standard error.
 */
export interface Swing {
  readonly cosine: number
  readonly sine: number
  readonly sd: number
  readonly sectors: number
}

/** Fewer sectors cannot tell a swing from scatter. */
const FEWEST = 24

/**
 * The swing of a head's margins once a turn. No disk sits quite in the middle: its tracks come to and fro under the
 * head. A head in the
 * middle of its track loses as much on either side, twice a revolution; one that stands beside it gains on one side and
 * loses on the other,
 * once a turn. A weak or dirty head does neither.
 * @returns null where the index is not known or too little was read
 */
export function swingOf(raw: readonly RawTrack[], head: 0 | 1): Swing | null {
  let [cc, cs, ss, cy, sy, n] = [0, 0, 0, 0, 0, 0]
  const points: [number, number, number][] = []
  for (const t of raw) {
    if (t.head !== head || !t.read || !t.index || t.index.length < 2) continue
    const good = t.read.sectors.filter(s => s.status === 'good' && !Number.isNaN(s.margin))
    if (good.length < 4) continue
    const mean = good.reduce((sum, s) => sum + s.margin, 0) / good.length
    for (const s of good) {
      const k = Math.max(1, Math.min(t.index.length - 1, lowerBound(t.index, s.atS)))
      const turn = (s.atS - t.index[k - 1]!) / (t.index[k]! - t.index[k - 1]!)
      points.push([Math.cos(2 * Math.PI * turn), Math.sin(2 * Math.PI * turn), s.margin - mean])
    }
  }
  for (const [c, s, y] of points) {
    cc += c * c
    cs += c * s
    ss += s * s
    cy += c * y
    sy += s * y
    n++
  }
  const det = cc * ss - cs * cs
  if (n < FEWEST || det < 1e-9) return null
  const [cosine, sine] = [(cy * ss - sy * cs) / det, (sy * cc - cy * cs) / det]
  const rest = points.reduce((sum, [c, s, y]) => sum + (y - cosine * c - sine * s) ** 2, 0) / (n - 3)
  return { cosine, sine, sd: Math.sqrt((rest * (cc + ss)) / 2 / det), sectors: n }
}

export const swingSize = (s: Swing): number => Math.hypot(s.cosine, s.sine)
