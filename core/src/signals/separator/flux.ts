/** Times at which the flux turns, seconds, rising. */
export type FluxTimes = Float64Array

/**
 * The flux transitions of a track that is read for some turns.
 * @param cells half cells of one turn, from the index on
 * @param halfCellS seconds of a half cell at the speed it turns with
 */
export function fluxOf(cells: Uint8Array, halfCellS: number, turns = 1): FluxTimes {
  let ones = 0
  for (const c of cells) ones += c
  const times = new Float64Array(ones * turns)
  let n = 0
  for (let t = 0; t < turns; t++)
    for (let i = 0; i < cells.length; i++) if (cells[i]) times[n++] = (t * cells.length + i + 0.5) * halfCellS
  return times
}
