import { t95 } from '../numbers'

/** A value with the standard error of its measuring. */
export interface Measured {
  readonly value: number
  readonly error: number
}

export interface PooledMean {
  readonly mean: number
  /** Standard deviation of the things themselves, beside the errors of measuring them. */
  readonly spread: number
  /** Bounds of the 95 % interval of the mean. */
  readonly low95: number
  readonly high95: number
}

/**
 * Mean of things that differ among themselves, each measured with an error of its own: the random-effects estimate of
 * DerSimonian and Laird (1986), its interval by Hartung and Knapp (2001) with Student's t, never narrower than the
 * errors alone allow. Time grows with the number of values.
 * @param values at least two; errors above 0 @param least the spread is taken as no less than this
 */
export function pooledMean(values: readonly Measured[], least = 0): PooledMean {
  const variances = values.map(v => v.error ** 2)
  const fixed = weighted(
    values,
    variances.map(s => 1 / s),
  )
  const total = fixed.weights.reduce((a, b) => a + b, 0)
  const squares = fixed.weights.reduce((a, w) => a + w ** 2, 0)
  const misfit = values.reduce((q, v, i) => q + fixed.weights[i]! * (v.value - fixed.mean) ** 2, 0)
  const degrees = values.length - 1
  const between = Math.max(least ** 2, (misfit - degrees) / (total - squares / total))
  const { mean, weights } = weighted(
    values,
    variances.map(s => 1 / (s + between)),
  )
  const sum = weights.reduce((a, b) => a + b, 0)
  const scatter = values.reduce((q, v, i) => q + weights[i]! * (v.value - mean) ** 2, 0) / degrees
  const half = t95(degrees) * Math.sqrt(Math.max(1, scatter) / sum)
  return { mean, spread: Math.sqrt(between), low95: mean - half, high95: mean + half }
}

function weighted(values: readonly Measured[], weights: readonly number[]) {
  const sum = weights.reduce((a, b) => a + b, 0)
  return { weights, mean: values.reduce((m, v, i) => m + weights[i]! * v.value, 0) / sum }
}
