import { GrowableDoubles } from './growable'

/** Share of the usual pulse height at which a pulse begins, and below which it has ended. */
const ON = 0.5
const OFF = 0.25
/** The envelope is the median over this many blocks, so that one knock on the bench does not blind it. */
const BLOCKS = 5
/** A pulse stands out from the noise by at least this many times the mean deviation. */
const ABOVE_NOISE = 5
/** The least usual height that may be, in mean deviations of the noise. */
const FLOOR = ABOVE_NOISE / ON

export const median = (xs: ArrayLike<number>): number => {
  const s = Float64Array.from(xs).sort()
  return s.length ? s[s.length >> 1]! : 0
}

/** Pulses of one polarity: where they begin and end. Samples come as distances from the baseline, upwards counted. */
export class PulseSide {
  readonly times = new GrowableDoubles()
  private readonly maxima: number[] = []
  private highest = 0
  private usual = 0
  /** Usual height in force, at which the two levels follow from it. */
  private height = 0
  private on = false
  /** Sum of the heights in force when pulses began, to compare polarities. */
  private strength = 0
  dropped = false
  edgeCount = 0

  constructor(
    private readonly maxEdges: number,
    private readonly rolling: boolean,
  ) {}

  prime(height: number): void {
    this.usual = height
  }

  /** @param noise mean deviation, which stands until the next call */
  above(noise: number): void {
    this.height = Math.max(this.usual, FLOOR * noise)
  }

  endBlock(): void {
    this.maxima.push(this.highest)
    if (this.maxima.length > BLOCKS) this.maxima.shift()
    this.highest = 0
    this.usual = median(this.maxima)
  }

  /** Nothing happens while samples stay at or below this. */
  get ceiling(): number {
    return this.on ? this.highest : Math.min(this.highest, ON * this.height * BELOW)
  }

  /** Nothing happens while samples stay at or above this. */
  get floor(): number {
    return this.on ? OFF * this.height : Number.NEGATIVE_INFINITY
  }

  /**
   * @param t seconds @param d the sample
   * @param beforeT the sample before it, for the time at which a pulse rises through the level @param before
   */
  take(t: number, d: number, beforeT: number, before: number): void {
    if (d > this.highest) this.highest = d
    if (this.on) {
      if (d < OFF * this.height) {
        this.edge(t)
        this.on = false
      }
      return
    }
    const level = ON * this.height
    if (d < level || level <= 0) return
    const share = d > before ? Math.min(1, Math.max(0, (level - before) / (d - before))) : 1
    this.edge(beforeT + share * (t - beforeT))
    this.on = true
    this.strength += this.usual
  }

  /** Mean height of its pulses. */
  get meanHeight(): number {
    return this.edgeCount ? this.strength / Math.ceil(this.edgeCount / 2) : 0
  }

  private edge(t: number): void {
    this.edgeCount++
    if (this.dropped) return
    if (this.times.length >= this.maxEdges && this.rolling) {
      // An even number goes, so that the first one left begins a pulse.
      this.times.dropFirst(2 * Math.ceil(this.maxEdges / 4))
    } else if (this.times.length >= this.maxEdges) {
      this.dropped = true
      this.times.clear()
      return
    }
    this.times.push(t > this.times.newest() ? t : this.times.newest() + 1e-12)
  }
}

/** What reaches a level begins a pulse: what is passed over stays a little below it. */
const BELOW = 1 - 1e-12
