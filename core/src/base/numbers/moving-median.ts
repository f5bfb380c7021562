import { lowerBound } from './lower-bound'

/**
 * The median around each value: of itself and up to `beside` values on both sides, fewer at the ends. A sorted window
 * moves along, so each step costs at most the window's length.
 * @param xs finite values
 * @example [...movingMedian([1, 9, 2, 3], 1)] // [5, 2, 3, 2.5]
 */
export function movingMedian(xs: ArrayLike<number>, beside: number): Float64Array {
  const medians = new Float64Array(xs.length)
  const sorted = new Float64Array(2 * beside + 1)
  let held = 0
  for (let next = 0; next < Math.min(beside, xs.length); next++) held = insert(sorted, held, xs[next]!)
  for (let i = 0; i < xs.length; i++) {
    const [comes, goes] = [i + beside, i - beside - 1]
    if (comes < xs.length && goes >= 0) exchange(sorted, xs[goes]!, xs[comes]!)
    else if (comes < xs.length) held = insert(sorted, held, xs[comes]!)
    else if (goes >= 0) held = remove(sorted, held, xs[goes]!)
    const low = sorted[(held - 1) >> 1]!
    medians[i] = low + (sorted[held >> 1]! - low) / 2
  }
  return medians
}

/** @returns how many it holds then */
function insert(sorted: Float64Array, held: number, x: number): number {
  let k = held
  for (; k > 0 && sorted[k - 1]! > x; k--) sorted[k] = sorted[k - 1]!
  sorted[k] = x
  return held + 1
}

/** @param x one of its values @returns how many it holds then */
function remove(sorted: Float64Array, held: number, x: number): number {
  for (let k = lowerBound(sorted.subarray(0, held), x); k < held - 1; k++) sorted[k] = sorted[k + 1]!
  return held - 1
}

/** Puts one value of a full window in the place of another: only what lies between the two moves. */
function exchange(sorted: Float64Array, old: number, x: number): void {
  let k = lowerBound(sorted, old)
  for (; k < sorted.length - 1 && sorted[k + 1]! < x; k++) sorted[k] = sorted[k + 1]!
  for (; k > 0 && sorted[k - 1]! > x; k--) sorted[k] = sorted[k - 1]!
  sorted[k] = x
}
