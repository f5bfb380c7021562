/** Sorts values that are almost in order already, in place: insertion, linear where few are out of their place. */
export function sortNearly(xs: Float64Array): Float64Array {
  for (let i = 1; i < xs.length; i++) {
    const x = xs[i]!
    let k = i - 1
    while (k >= 0 && xs[k]! > x) {
      xs[k + 1] = xs[k]!
      k--
    }
    xs[k + 1] = x
  }
  return xs
}
