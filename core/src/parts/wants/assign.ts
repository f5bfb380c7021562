/**
 * Gives things to those who want them, each thing at most once: as many as can be are served, the ones before the
 * others where not all can be, then at the least cost. Exact: shortest augmenting paths (the Hungarian method), of the
 * third power of the larger number.
 * @param cost of each thing for each who wants; null where it does not suit
 * @param weight of each who wants; larger is served first
 * @returns number of the thing for each; null for who goes without
 */
export function assign(
  cost: readonly (readonly (number | null)[])[],
  weight: readonly number[] = cost.map(() => 1),
): (number | null)[] {
  const wanting = cost.length
  const things = Math.max(0, ...cost.map(c => c.length))
  if (wanting === 0 || things === 0) return cost.map(() => null)
  const largest = Math.max(1, ...cost.flat().map(c => c ?? 0))
  // Going without costs more than all things together; that of a weightier one more than that of lighter ones.
  const ranks = [...new Set(weight)].sort((a, b) => a - b)
  const without = (i: number) => (largest + 1) * (wanting + 1) * (wanting + 1) ** ranks.indexOf(weight[i]!)
  const never = without(weight.indexOf(ranks.at(-1)!)) * (wanting + 1)
  // Each may go without: a thing of its own that costs just that.
  const table = cost.map((row, i) =>
    Array.from({ length: things + wanting }, (_, j) =>
      j < things ? (row[j] ?? never) : j - things === i ? without(i) : never,
    ),
  )
  return leastCost(table).map(j => (j < things ? j : null))
}

/** Column for each row at the least sum; more columns than rows. */
function leastCost(table: readonly (readonly number[])[]): number[] {
  const rows = table.length
  const columns = table[0]!.length
  const byRow = new Float64Array(rows + 1)
  const byColumn = new Float64Array(columns + 1)
  /** Row of each column; column 0 holds the row that is being placed. Both count from 1. */
  const rowOf = new Int32Array(columns + 1)
  const before = new Int32Array(columns + 1)
  for (let row = 1; row <= rows; row++) {
    rowOf[0] = row
    let column = 0
    const least = new Float64Array(columns + 1).fill(Infinity)
    const done = new Uint8Array(columns + 1)
    do {
      done[column] = 1
      const at = rowOf[column]!
      let delta = Infinity
      let next = 0
      for (let j = 1; j <= columns; j++) {
        if (done[j]) continue
        const reduced = table[at - 1]![j - 1]! - byRow[at]! - byColumn[j]!
        if (reduced < least[j]!) {
          least[j] = reduced
          before[j] = column
        }
        if (least[j]! < delta) {
          delta = least[j]!
          next = j
        }
      }
      for (let j = 0; j <= columns; j++)
        if (done[j]) {
          byRow[rowOf[j]!]! += delta
          byColumn[j]! -= delta
        } else least[j]! -= delta
      column = next
    } while (rowOf[column] !== 0)
    for (; column !== 0; column = before[column]!) rowOf[column] = rowOf[before[column]!]!
  }
  const out = new Array<number>(rows).fill(-1)
  for (let j = 1; j <= columns; j++) if (rowOf[j]! > 0) out[rowOf[j]! - 1] = j - 1
  return out
}
