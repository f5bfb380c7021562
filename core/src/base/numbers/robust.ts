/** Sum of the values. */
export function sum(xs: ArrayLike<number>): number {
  let s = 0
  for (let i = 0; i < xs.length; i++) s += xs[i]!
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
  for (let i = 0; i < xs.length; i++) s += (xs[i]! - m) ** 2
  return Math.sqrt(s / (xs.length - 1))
}

/**
 * The p-quantile of the values (0 to 1), by straight line between neighbours in order; NaN when empty.
 * @example quantile([1, 2, 3, 4], 0.5) // 2.5
 */
export function quantile(xs: ArrayLike<number>, p: number): number {
  if (xs.length === 0) return Number.NaN
  const s = new Float64Array(xs)
  const at = p * (s.length - 1)
  const low = Math.floor(at)
  partition(s, low)
  if (low === at) return s[low]!
  // Behind the place everything is larger, so the next in order is the least of it.
  let next = Infinity
  for (let i = low + 1; i < s.length; i++) if (s[i]! < next) next = s[i]!
  return s[low]! + (next - s[low]!) * (at - low)
}

/**
 * Reorders so that place `k` holds what sorting would put there, with nothing larger before it (Hoare 1961: linear on
 * average).
 */
function partition(s: Float64Array, k: number): void {
  let low = 0
  let high = s.length - 1
  while (low < high) {
    const pivot = s[(low + high) >> 1]!
    let i = low
    let j = high
    while (i <= j) {
      while (s[i]! < pivot) i++
      while (s[j]! > pivot) j--
      if (i <= j) {
        const t = s[i]!
        s[i++] = s[j]!
        s[j--] = t
      }
    }
    if (k <= j) high = j
    else if (k >= i) low = i
    else return
  }
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
