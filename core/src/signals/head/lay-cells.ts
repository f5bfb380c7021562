import type { Format } from '../codes'
import { crowdedHeight, peakShift } from './peak-shift'

/** A track as it lies on the disk: for each transition its place in the turn, and what its neighbours do to it. */
export interface LaidTrack {
  readonly cylinder: number
  readonly format: Format
  /** Cells of a turn. */
  readonly cells: number
  /** Cell of each transition, rising. */
  readonly at: Int32Array
  /** Peak shift, cells. */
  readonly shift: Float32Array
  /** Height, share of an isolated pulse. */
  readonly height: Float32Array
  /** Cells between the nearest transitions: two half cells in MFM, one in FM and the group codes. */
  readonly least: number
  /** Cells in the width of an isolated pulse. */
  readonly pulseCells: number
  /** Wavelength of the shortest spacing, µm. */
  readonly wavelengthUm: number
  /** Where it was written, µm towards the hub of where its cylinder should be. */
  readonly radialUm: number
}

/** Less peak shift than this is not compensated, cells. */
const COMPENSATED = 0.01

/**
 * Lays the cells of a turn (or a pass) along a path of some length, µm.
 * @param precompCells how much earlier or later the writer put a transition that its neighbours will push away
 */
export function layCells(
  cells: Uint8Array,
  cylinder: number,
  format: Format,
  pathUm: number,
  pulseUm: number,
  radialUm: number,
  precompCells = 0,
): LaidTrack {
  const cellUm = pathUm / cells.length
  let n = 0
  for (const c of cells) n += c
  const at = new Int32Array(n)
  for (let i = 0, k = 0; i < cells.length; i++) if (cells[i]) at[k++] = i
  const shift = new Float32Array(n)
  const height = new Float32Array(n)
  const spacings = new Uint32Array(32)
  // Spacings are small whole numbers of cells: what they do is worked out once for each pair.
  const known = new Map<number, { readonly shift: number; readonly height: number }>()
  for (let i = 0; i < n; i++) {
    const before = Math.min(31, at[i]! - (i ? at[i - 1]! : at[n - 1]! - cells.length))
    const after = Math.min(31, (i + 1 < n ? at[i + 1]! : at[0]! + cells.length) - at[i]!)
    const key = before * 32 + after
    let done = known.get(key)
    if (!done) {
      const pushed = peakShift(before * cellUm, after * cellUm, pulseUm) / cellUm
      done = {
        shift: Math.abs(pushed) < COMPENSATED ? pushed : pushed - Math.sign(pushed) * precompCells,
        height: crowdedHeight(before * cellUm, after * cellUm, pulseUm),
      }
      known.set(key, done)
    }
    shift[i] = done.shift
    height[i] = done.height
    spacings[before]!++
  }
  const least = nearestOf(spacings, n)
  return {
    cylinder,
    format,
    cells: cells.length,
    at,
    shift,
    height,
    least,
    pulseCells: pulseUm / cellUm,
    wavelengthUm: 2 * least * cellUm,
    radialUm,
  }
}

/** Spacings that are rarer than this share are seams, where the end of a turn meets its beginning. */
const SEAM = 0.005

/** The nearest transitions that a code makes, cells: the shortest spacing that is no seam. */
function nearestOf(spacings: Uint32Array, count: number): number {
  const found = spacings.findIndex((n, cells) => cells > 0 && n > SEAM * count)
  return Math.max(1, found)
}
