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

/** Parts of a half cell in which phases are given. */
export const PHASE_PARTS = 1 << 16

/** What the separator made of a stretch of flux: half cells, and for each transition when and how far off it came. */
export interface Separated {
  readonly cells: Uint8Array
  /** For each transition the half cell that it was put in. */
  readonly at: Int32Array
  readonly times: FluxTimes
  /**
   * Its distance from the middle of that half cell, {@link PHASE_PARTS} to a half cell: half of them either way;
   * beyond, it falls into the next.
   */
  readonly phase: Int32Array
}

/** Room that is used again from track to track, so that a whole disk does not leave hundreds of arrays behind. */
export class SeparatorRoom {
  private at = new Int32Array(0)
  private phase = new Int32Array(0)
  private cells = new Uint8Array(0)

  /** Arrays of at least these lengths, the cells all zero. What an earlier call got is overwritten. */
  take(
    transitions: number,
    cells: number,
  ): { readonly at: Int32Array; readonly phase: Int32Array; readonly cells: Uint8Array } {
    if (this.at.length < transitions) {
      this.at = new Int32Array(transitions)
      this.phase = new Int32Array(transitions)
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
/** Added and taken away again, it leaves the nearest whole number: a double has no room for more behind it. */
const TO_WHOLE = 1.5 * 2 ** 52
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
  const least = halfCellS * (1 - capture)
  // Room for the slowest counting and a cell of its own for each transition; what is not used is left off.
  const { at, phase, cells } = room.take(n, n ? Math.ceil((times[n - 1]! - times[0]!) / least) + n + 1 : 0)
  const loop = { phaseGain, rateGain, nominal: 1 / halfCellS, fastest: 1 / least, slowest: 1 / (2 * halfCellS - least) }
  const clock: Clock = { rate: loop.nominal, nextRate: loop.nominal, rest: 0, locked: 0, cell: 0 }
  if (n) cells[0] = 1
  for (let from = 1; from < n; from += LOOK)
    follow(times, from, Math.min(n, from + LOOK), loop, clock, at, phase, cells)
  return { cells: cells.subarray(0, n ? clock.cell + 1 : 0), at, times, phase }
}

const within = (rate: number, least: number, most: number) => (rate < least ? least : rate > most ? most : rate)

interface Loop {
  readonly phaseGain: number
  readonly rateGain: number
  /** Half cells a second. */
  readonly nominal: number
  readonly slowest: number
  readonly fastest: number
}

/** Where the loop stands between two stretches. */
interface Clock {
  /**
   * Half cells a second: that which counts now, and that for the transition after. Waiting for one transition leaves
   * the processor time to work it out, and a rate that follows so slowly is none the worse for it.
   */
  rate: number
  nextRate: number
  /** Half cells from where the clock stood at the transition before to that transition. */
  rest: number
  locked: number
  cell: number
}

/**
 * The loop itself, for a stretch short enough that it is called often: a function that is entered once and loops long
 * is compiled while it runs, with less known of it.
 */
function follow(
  times: FluxTimes,
  from: number,
  to: number,
  { phaseGain, rateGain, nominal, slowest, fastest }: Loop,
  clock: Clock,
  at: Int32Array,
  phase: Int32Array,
  cells: Uint8Array,
): void {
  const keep = 1 - phaseGain
  const lockKeep = 1 - phaseGain * LOCK_GAIN
  const lockGain = rateGain * LOCK_GAIN
  let { rate, nextRate, rest, locked, cell } = clock
  let before = times[from - 1]!
  let off = 0
  for (let i = from; i < to; i++) {
    const time = times[i]!
    const since = (time - before) * rate + rest
    before = time
    const whole = since + TO_WHOLE - TO_WHOLE
    let error = since - whole
    let count = whole | 0
    rate = nextRate
    if (count < 1) {
      // Two transitions in one cell: the first was late, or a pulse came from nowhere. The place is a guess, so that
      // its error says nothing of the phase and rate of the disk.
      count = 1
      error = since - 1
      rest = error
    } else if (count > LONGEST) {
      // Nothing to follow over so long a pause.
      error = 0
      rest = 0
      locked = 0
    } else if (locked < LOCKING) {
      // A sync run is short: here the rate does not wait.
      locked++
      rest = lockKeep * error
      nextRate = within(nextRate - nextRate * (lockGain * error * SHARE[count]!), slowest, fastest)
      rate = nextRate
    } else {
      rest = keep * error
      nextRate = within(nextRate - nextRate * (rateGain * error * SHARE[count]!), slowest, fastest)
    }
    phase[i] = error * PHASE_PARTS
    off += Math.abs(error)
    cell += count
    at[i] = cell
    cells[cell] = 1
  }
  // Noise can draw the rate to its limit, where nothing draws it back.
  const lost = to - from === LOOK && off > LOST * LOOK
  clock.rate = lost ? nominal : rate
  clock.nextRate = lost ? nominal : nextRate
  clock.locked = lost ? 0 : locked
  clock.rest = rest
  clock.cell = cell
}
