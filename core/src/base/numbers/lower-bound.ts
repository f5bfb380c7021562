/**
 * Index of the first value that is not below `x`, in values that rise; their number where all are below. Takes
 * logarithmic time.
 */
export function lowerBound(xs: ArrayLike<number>, x: number): number {
  let [low, high] = [0, xs.length]
  while (low < high) {
    const mid = (low + high) >> 1
    if (xs[mid]! < x) low = mid + 1
    else high = mid
  }
  return low
}
