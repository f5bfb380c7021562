import type { Format } from '../codes'
import { densestSlope, jitterPerNoise, noiseBefore } from './crossing'
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
  /** Jitter for each unit of noise over signal, cells r.m.s. */
  readonly jitter: Float32Array
  /** Noise at the comparator, share of a full isolated pulse, for each unit of noise after the differentiator. */
  readonly roughness: number
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
/** Neighbours further away than so many cells do nothing more. */
const FAR = 31

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
  const before = new Uint8Array(n)
  const after = new Uint8Array(n)
  const spacings = new Uint32Array(FAR + 1)
  for (let i = 0; i < n; i++) {
    before[i] = Math.min(FAR, at[i]! - (i ? at[i - 1]! : at[n - 1]! - cells.length))
    after[i] = Math.min(FAR, (i + 1 < n ? at[i + 1]! : at[0]! + cells.length) - at[i]!)
    spacings[before[i]!]!++
  }
  const least = nearestOf(spacings, n)
  const dense = densestSlope(least * cellUm, pulseUm)
  const shift = new Float32Array(n)
  const height = new Float32Array(n)
  const jitter = new Float32Array(n)
  // Spacings are small whole numbers of cells: what they do is worked out once for each pair.
  const known = new Map<number, { readonly shift: number; readonly height: number; readonly jitter: number }>()
  for (let i = 0; i < n; i++) {
    const key = before[i]! * (FAR + 1) + after[i]!
    let done = known.get(key)
    if (!done) {
      const [near, next] = [before[i]! * cellUm, after[i]! * cellUm]
      const pushedUm = peakShift(near, next, pulseUm)
      const pushed = pushedUm / cellUm
      done = {
        shift: Math.abs(pushed) < COMPENSATED ? pushed : pushed - Math.sign(pushed) * precompCells,
        height: crowdedHeight(near, next, pulseUm),
        jitter: jitterPerNoise(near, next, pushedUm, pulseUm, dense) / cellUm,
      }
      known.set(key, done)
    }
    shift[i] = done.shift
    height[i] = done.height
    jitter[i] = done.jitter
  }
  return {
    cylinder,
    format,
    cells: cells.length,
    at,
    shift,
    height,
    jitter,
    roughness: noiseBefore(dense, least * cellUm),
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
