import type { FluxTimes } from './flux'

/**
 * What a plain decoder makes of flux: each interval on its own to the nearest whole number of half cells at the
 * nominal rate.
 * It follows neither speed nor wow; it is here to be compared with.
 */
export function nearestCells(times: FluxTimes, halfCellS: number): Uint8Array {
  const at = new Uint32Array(times.length)
  for (let i = 1; i < times.length; i++)
    at[i] = at[i - 1]! + Math.min(1 << 12, Math.max(1, Math.round((times[i]! - times[i - 1]!) / halfCellS)))
  const cells = new Uint8Array(times.length ? at.at(-1)! + 1 : 0)
  for (const a of at) cells[a] = 1
  return cells
}
