import { lowerBound, median } from '../../base/numbers'
import type { FluxTimes } from '../../signals/separator'

/** How often each spacing of transitions comes, for a code that is not known. */
export interface IntervalPicture {
  readonly binUs: number
  readonly counts: readonly number[]
  readonly peaksUs: readonly number[]
}

const BINS = 100

/** Spacings up to a few times the shortest usual one, and the peaks among them. */
export function intervalPicture(flux: FluxTimes): IntervalPicture | null {
  if (flux.length < 50) return null
  const gaps = new Float64Array(flux.length - 1)
  for (let i = 1; i < flux.length; i++) gaps[i - 1] = flux[i]! - flux[i - 1]!
  const sorted = gaps.slice().sort()
  const most = Math.min(sorted[Math.floor(sorted.length * 0.995)]! * 1.2, median(gaps) * 5)
  const bin = most / BINS
  const counts = new Array<number>(BINS).fill(0)
  for (let i = 0, n = lowerBound(sorted, most); i < n; i++) counts[Math.min(BINS - 1, Math.floor(sorted[i]! / bin))]!++
  const smooth = counts.map((c, i) => (counts[i - 1] ?? 0) + 2 * c + (counts[i + 1] ?? 0))
  const least = Math.max(...smooth) * 0.05
  const peaksUs = smooth.flatMap((c, i) =>
    c > least && c >= (smooth[i - 1] ?? 0) && c > (smooth[i + 1] ?? 0) ? [(i + 0.5) * bin * 1e6] : [],
  )
  return { binUs: bin * 1e6, counts, peaksUs }
}
