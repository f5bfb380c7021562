import type { FluxTimes } from './flux'

/** How the separator follows the disk. */
export interface SeparatorOptions {
  /** Half cell at nominal speed, seconds. */
  readonly halfCellS: number
  /** How much of each phase error is taken over at once, 0 to 1 (default 0.14). */
  readonly phaseGain?: number
  /** How much of each phase error goes into the rate, 0 to 1 (default 0.008). */
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
}

/** Room that is used again from track to track, so that a whole disk does not leave hundreds of arrays behind. */
export class SeparatorRoom {
  private at = new Uint32Array(0)
  private phase = new Float32Array(0)
  private cells = new Uint8Array(0)

  /** Arrays of at least these lengths, the cells all zero. What an earlier call got is overwritten. */
  take(
    transitions: number,
    cells: number,
  ): { readonly at: Uint32Array; readonly phase: Float32Array; readonly cells: Uint8Array } {
    if (this.at.length < transitions) {
      this.at = new Uint32Array(transitions)
      this.phase = new Float32Array(transitions)
    }
    if (this.cells.length < cells) this.cells = new Uint8Array(cells)
    else this.cells.fill(0, 0, cells)
    if (transitions) this.phase[0] = this.at[0] = 0
    return { at: this.at.subarray(0, transitions), phase: this.phase.subarray(0, transitions), cells: this.cells }
  }
}

/** No pause is longer than this; what is, is unformatted or not written, and the separator starts anew after it. */
const LONGEST = 64
/** Transitions after such a pause, or at the start, that are followed hard, so that a sync run is enough to lock. */
const LOCKING = 24
const LOCK_GAIN = 3
/** Transitions after which it is looked whether the clock follows them at all. */
const LOOK = 512
/** Without any rhythm between the two the mean distance from the middle is a quarter of a cell. */
const LOST = 0.235
/** 1/n. */
const SHARE = Float64Array.from({ length: LONGEST + 1 }, (_, n) => (n ? 1 / n : 1))

/**
 * A data separator: a phase-locked loop of first order with a slow second order, which follows speed and wow and leaves
 * jitter and peak shift as phase error. Low gains follow the spindle and not the noise; while it locks they are higher.
 * Time linear in the transitions.
 * @param room to be used again; what is returned lies in it and lasts until the next call with it
 */
export function separate(times: FluxTimes, options: SeparatorOptions, room = new SeparatorRoom()): Separated {
  const { halfCellS, phaseGain = 0.14, rateGain = 0.008, capture = 0.1 } = options
  const n = times.length
  const [least, most] = [halfCellS * (1 - capture), halfCellS * (1 + capture)]
  // Room for the slowest counting and a cell of its own for each transition; what is not used is left off.
  const { at, phase, cells } = room.take(n, n ? Math.ceil((times[n - 1]! - times[0]!) / least) + n + 1 : 0)
  let period = halfCellS
  let inverse = 1 / period
  let middle = n ? times[0]! : 0
  let cell = 0
  let locked = 0
  let off = 0
  if (n) cells[0] = 1
  for (let i = 1; i < n; i++) {
    const time = times[i]!
    const since = time - middle
    let count = (since * inverse + 0.5) | 0
    if (count < 1) {
      // Two transitions in one cell: the first was late, or a pulse came from nowhere. The place is a guess, so that
      // its error says nothing of the phase and rate of the disk.
      count = 1
      phase[i] = since * inverse - 1
      middle += period
    } else if (count > LONGEST) {
      // Nothing to follow over so long a pause.
      phase[i] = 0
      middle = time
      locked = 0
    } else {
      const error = since - count * period
      const gain = locked < LOCKING ? LOCK_GAIN : 1
      locked++
      phase[i] = error * inverse
      middle = time - error + phaseGain * gain * error
      period += rateGain * gain * error * SHARE[count]!
      if (period < least) period = least
      else if (period > most) period = most
      // One step of Newton's rule: the period changes by so little that it is enough.
      inverse *= 2 - period * inverse
    }
    off += phase[i]! < 0 ? -phase[i]! : phase[i]!
    if (i % LOOK === 0) {
      // Noise can draw the rate to its limit, where nothing draws it back.
      if (off > LOST * LOOK) {
        period = halfCellS
        inverse = 1 / period
        locked = 0
      }
      off = 0
    }
    cell += count
    at[i] = cell
    cells[cell] = 1
  }
  return { cells: cells.subarray(0, n ? cell + 1 : 0), at, times, phase }
}
