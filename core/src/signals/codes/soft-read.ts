import { lowerBound } from '../../base/numbers'
import { PHASE_PARTS, separate, SeparatorRoom, type FluxTimes } from '../separator'
import { halfCellOf, type Format, type TrackCode } from './formats'
import type { FoundSector } from './read-sectors'
import { readCells, type TrackReadOptions } from './read-track'

/** One reading of a sector before anything was decided: where each transition came, with its fraction of a cell. */
export interface SoftRead {
  /** The sector as this reading alone decided it. */
  readonly found: FoundSector
  readonly code: TrackCode
  /** Half cells (cells of a group code) from a little before its header to the end of its data. */
  readonly length: number
  /** Each transition from the first of these cells on, in cells; 3.4 lies 0.4 late of cell 3. Rising. */
  readonly at: Float32Array
}

/** So many cells before its header are kept, for the reader to find its sync run again. */
const LEAD = 64

/** Nothing of it leaves {@link softReads}. */
const room = new SeparatorRoom()

/**
 * Readings of sectors with the places of their transitions.
 * @param wanted which sectors: of the others nothing is kept
 */
export function softReads(
  times: FluxTimes,
  format: Format,
  wanted: (found: FoundSector) => boolean,
  options: TrackReadOptions = {},
): SoftRead[] {
  const s = separate(times, { ...options, halfCellS: options.halfCellS ?? halfCellOf(format) }, room)
  return readCells(s.cells, format.code, s.at)
    .filter(wanted)
    .map(found => {
      const first = Math.max(0, found.fromCell - LEAD)
      const [from, to] = [lowerBound(s.at, first), lowerBound(s.at, found.toCell)]
      const at = new Float32Array(to - from)
      for (let i = from; i < to; i++) at[i - from] = s.at[i]! - first + s.phase[i]! / PHASE_PARTS
      return { found, code: format.code, length: found.toCell - first, at }
    })
}
