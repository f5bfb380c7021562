import type { FluxTimes } from './flux'

/** How the separator follows the disk. */
export interface SeparatorOptions {
  /** Half cell at nominal speed, seconds. */
  readonly halfCellS: number
  /** How much of each phase error is taken over at once, 0 to 1 (default 0.4). */
  readonly phaseGain?: number
  /** How much of each phase error goes into the rate, 0 to 1 (default 0.06). */
  readonly rateGain?: number
  /** How far the rate may be off nominal, as a share (default 0.1). */
  readonly capture?: number
}

/** What the separator made of a stretch of flux: half cells, and for each transition when and how far off it came. */
export interface Separated {
  readonly cells: Uint8Array
  /** For each transition the half cell that it was put in. */
  readonly at: Uint32Array
  readonly times: FluxTimes
  /** Its distance from the middle of that half cell, in half cells: −0.5 to 0.5; beyond, it falls into the next. */
  readonly phase: Float32Array
  /** The half cell as followed, seconds, at each transition. */
  readonly halfCell: Float32Array
}

/** No pause is longer than this; what is, is unformatted or not written, and the separator starts anew after it. */
const LONGEST = 64

/**
 * A data separator: a phase-locked loop of first order with a slow second order, which follows speed and wow and leaves
 * jitter and peak shift as phase error. Time linear in the transitions.
 */
export function separate(times: FluxTimes, options: SeparatorOptions): Separated {
  const { halfCellS, phaseGain = 0.4, rateGain = 0.06, capture = 0.1 } = options
  const n = times.length
  const at = new Uint32Array(n)
  const phase = new Float32Array(n)
  const halfCell = new Float32Array(n)
  let period = halfCellS
  let middle = n ? times[0]! : 0
  let cell = 0
  halfCell[0] = period
  for (let i = 1; i < n; i++) {
    const since = times[i]! - middle
    const count = Math.max(1, Math.round(since / period))
    if (count > LONGEST) {
      // Nothing to follow over so long a pause.
      cell += count
      middle = times[i]!
    }
    else {
      const error = since - count * period
      phase[i] = error / period
      cell += count
      middle += count * period + phaseGain * error
      period = Math.min(halfCellS * (1 + capture), Math.max(halfCellS * (1 - capture), period + rateGain * error / count))
    }
    at[i] = cell
    halfCell[i] = period
  }
  const cells = new Uint8Array(n ? cell + 1 : 0)
  for (let i = 0; i < n; i++) cells[at[i]!] = 1
  return { cells, at, times, phase, halfCell }
}
