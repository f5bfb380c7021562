/** Sum of the values. */
export function sum(xs: ArrayLike<number>): number {
  let s = 0
  for (let i = 0; i < xs.length; i++) s += xs[i]
  return s
}

/** Arithmetic mean; NaN when empty. */
export function mean(xs: ArrayLike<number>): number {
  return sum(xs) / xs.length
}

/** Sample standard deviation (n - 1); 0 for fewer than two values. */
export function sampleDeviation(xs: ArrayLike<number>): number {
  if (xs.length < 2) return 0
  const m = mean(xs)
  let s = 0
  for (let i = 0; i < xs.length; i++) s += (xs[i] - m) ** 2
  return Math.sqrt(s / (xs.length - 1))
}

/**
 * The p-quantile of the values (0 to 1), by straight line between neighbours in order; NaN when empty.
 * @example quantile([1, 2, 3, 4], 0.5) // 2.5
 */
export function quantile(xs: ArrayLike<number>, p: number): number {
  if (xs.length === 0) return Number.NaN
  const s = Float64Array.from(xs).sort()
  const at = p * (s.length - 1)
  const low = Math.floor(at)
  const high = Math.min(s.length - 1, low + 1)
  return s[low] + (s[high] - s[low]) * (at - low)
}

/** The middle value; NaN when empty. */
export function median(xs: ArrayLike<number>): number {
  return quantile(xs, 0.5)
}

/** Median absolute deviation from the median, unscaled; NaN when empty. */
export function medianAbsoluteDeviation(xs: ArrayLike<number>): number {
  const m = median(xs)
  return median(Float64Array.from(xs, x => Math.abs(x - m)))
}
