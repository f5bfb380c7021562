function dot(a: ArrayLike<number>, b: ArrayLike<number>): number {
  let s = 0
  for (let i = 0; i < b.length; i++) s += a[i]! * b[i]!
  return s
}

/**
 * Solves the normal equations of a linear least-squares fit.
 * @param columns one array a basis function, all as long as `y`
 * @returns one coefficient a column; a column that depends on earlier ones gets 0
 */
export function leastSquares(columns: readonly Float64Array[], y: ArrayLike<number>): number[] {
  const k = columns.length
  const a: number[][] = columns.map(ci => [...columns.map(cj => dot(ci, cj)), dot(ci, y)])
  const scale = a.map((row, i) => Math.abs(row[i]!) || 1)
  const used = new Array<boolean>(k).fill(true)
  for (let p = 0; p < k; p++) {
    let best = p
    for (let r = p + 1; r < k; r++) if (Math.abs(a[r]![p]!) > Math.abs(a[best]![p]!)) best = r
    ;[a[p], a[best]] = [a[best]!, a[p]!]
    if (Math.abs(a[p]![p]!) < 1e-12 * scale[p]!) {
      used[p] = false
      continue
    }
    for (let r = 0; r < k; r++) {
      if (r === p) continue
      const f = a[r]![p]! / a[p]![p]!
      if (f !== 0) for (let c = p; c <= k; c++) a[r]![c]! -= f * a[p]![c]!
    }
  }
  return a.map((row, i) => (used[i] ? row[k]! / row[i]! : 0))
}
