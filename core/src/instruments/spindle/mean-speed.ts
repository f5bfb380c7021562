import { mean, sampleDeviation, t95 } from '../../base/numbers'

export interface MeanSpeed {
  readonly mean: number
  /** Ends of the 95 % interval; null for fewer than two turns. */
  readonly low95: number | null
  readonly high95: number | null
}

/**
 * Variance of the mean of a series whose values may depend on their neighbours (Newey and West 1987, Bartlett
 * weights).
 */
function varianceOfMean(xs: Float64Array): number {
  const n = xs.length
  const m = mean(xs)
  const deviation = sampleDeviation(xs)
  if (n < 10) return deviation ** 2 / n
  const lags = Math.ceil(4 * (n / 100) ** (2 / 9)) + Math.floor(n / 50)
  // The weighted sum of the lagged products is the mean square of the sums of lags + 1 values in a row, those that
  // reach over the ends included: one pass instead of one for each lag.
  const upTo = new Float64Array(n + 1)
  for (let i = 0; i < n; i++) upTo[i + 1] = upTo[i]! + xs[i]! - m
  let total = 0
  for (let last = 0; last < n + lags; last++)
    total += (upTo[Math.min(n, last + 1)]! - upTo[Math.max(0, last - lags)]!) ** 2
  total /= lags + 1
  // A mean over n turns is known at least as badly as its two end pulses allow.
  return Math.max(total / n / (n - lags - 1), (deviation / n) ** 2)
}

/** How far an ordinary crystal's clock may be off: 50 ppm (from memory). No recorder's reading is surer than that. */
export const RECORDER_CLOCK = 50e-6

/**
 * Mean speed over the turns, with its 95 % interval; the recorder's clock is taken to be an ordinary crystal.
 * @param turnsS durations of single turns in seconds
 */
export function meanSpeed(turnsS: Float64Array): MeanSpeed {
  const period = mean(turnsS)
  const rpm = 60 / period
  if (turnsS.length < 2) return { mean: rpm, low95: null, high95: null }
  const half = Math.hypot(t95(turnsS.length - 1) * Math.sqrt(varianceOfMean(turnsS)), period * RECORDER_CLOCK)
  return {
    mean: rpm,
    low95: 60 / (period + half),
    high95: half < period ? 60 / (period - half) : Number.POSITIVE_INFINITY,
  }
}
