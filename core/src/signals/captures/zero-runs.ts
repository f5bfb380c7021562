import type { Gap } from './capture'
import type { Samples } from './sample-scan'

/** No microphone is exactly silent for so long, s. */
const RUN_S = 0.002
/** A recording that is silent for more than this share is not one with pieces lost: it is cut to zero on purpose. */
const MOST_SILENT = 0.25
const MOST_GAPS = 1000

/**
 * Pieces of a sound that were lost on their way: a sound card that is late, or a browser that is busy, puts exact zeros
 * in their place.
 */
export class ZeroRuns {
  private readonly found: Gap[] = []
  private since: number | null = null
  private silentS = 0
  private lastS = 0

  private readonly stride: number

  constructor(private readonly sampleRateHz: number) {
    this.stride = Math.max(1, Math.floor(RUN_S * sampleRateHz))
  }

  /** @param t seconds, rising @param x any unit */
  push(t: number, x: number): void {
    this.lastS = t
    if (x === 0) {
      this.since ??= t
      return
    }
    if (this.since === null) return
    if (t - this.since >= RUN_S) {
      this.silentS += t - this.since
      if (this.found.length < MOST_GAPS) this.found.push({ fromS: this.since, toS: t })
    }
    this.since = null
  }

  /**
   * Many samples at once. Looks at as many as a run cannot slip between, and at all of those around a zero.
   * @param first number of the first one, from the beginning @param offset where the channel begins among the samples
   * @param every from one of its samples to the next
   */
  pushAll(x: Samples, first: number, offset = 0, every = 1): void {
    const count = Math.ceil((x.length - offset) / every)
    const at = (i: number) => x[offset + i * every]!
    const t = (i: number) => (first + i) / this.sampleRateHz
    // The last samples of a piece begin a run that may go on in the next one.
    let next = this.since === null ? 0 : this.goOn(at, t, 0, count)
    for (; next < count; next += this.stride) {
      if (at(next) !== 0) continue
      let begun = next
      while (begun > 0 && at(begun - 1) === 0) begun--
      this.since = t(begun)
      next = this.goOn(at, t, next, count)
    }
    if (this.since === null) {
      let begun = count
      while (begun > 0 && at(begun - 1) === 0) begun--
      if (begun < count) this.since = t(begun)
    }
    if (count > 0) this.lastS = t(count - 1)
  }

  /** Follows a run to its end, if that comes. @returns the first sample behind it */
  private goOn(at: (i: number) => number, t: (i: number) => number, from: number, count: number): number {
    let i = from
    while (i < count && at(i) === 0) i++
    if (i < count) this.push(t(i), at(i))
    return i
  }

  /** What was lost so far; nothing where so much is silent that it was meant. */
  gaps(): readonly Gap[] {
    // Before the first sound and after the last there is nothing to lose.
    const inside = this.found.filter(g => g.fromS > 0)
    return this.silentS <= MOST_SILENT * this.lastS ? inside : []
  }
}
