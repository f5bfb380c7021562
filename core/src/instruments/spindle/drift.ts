import { leastSquares, sampleDeviation } from '../../base/numbers'

/** Slow change of speed over the capture. */
export interface Drift {
  /** Change from the first to the last turn, r/min. */
  readonly totalRpm: number
  /** Rate at the end of the capture, r/min per minute. */
  readonly endRpmPerMinute: number
  /** Whether it stands out from the scatter of the turns. */
  readonly significant: boolean
  /** The slow course itself, r/min at each given time. */
  readonly trend: Float64Array
}

/**
 * Fits the slow course of a speed: a parabola over a long capture, a line over a short one.
 * @param timesS seconds @param rpm speed at each time, r/min
 */
export function fitDrift(timesS: Float64Array, rpm: Float64Array): Drift {
  const n = rpm.length
  const start = timesS[0] ?? 0
  const span = (timesS[n - 1] ?? 0) - start
  const level = rpm.reduce((a, b) => a + b, 0) / Math.max(1, n)
  if (n < 6 || span <= 0)
    return { totalRpm: 0, endRpmPerMinute: 0, significant: false, trend: new Float64Array(n).fill(level) }
  // Scaled to -1..1, which keeps the equations well conditioned.
  const u = timesS.map(t => (2 * (t - start)) / span - 1)
  const columns = [u.map(() => 1), u]
  if (n >= 40) columns.push(u.map(x => x * x))
  const [c0 = 0, c1 = 0, c2 = 0] = leastSquares(columns, rpm)
  const trend = u.map(x => c0 + c1 * x + c2 * x * x)
  const scatter = sampleDeviation(rpm.map((x, i) => x - trend[i]!))
  // Standard error of the linear coefficient for evenly spread u: sd * sqrt(3 / n).
  const significant = Math.abs(c1) > 4 * scatter * Math.sqrt(3 / n) && Math.abs(2 * c1) > level * 2e-4
  return { totalRpm: 2 * c1, endRpmPerMinute: (((c1 + 2 * c2) * 2) / span) * 60, significant, trend }
}
