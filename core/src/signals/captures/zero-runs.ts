import type { Gap } from './capture'

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

  constructor(private readonly sampleRateHz: number) {}

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

  /** Many samples at once. @param first number of the first one, from the beginning */
  pushAll(x: Float64Array, first: number): void {
    // Hardly any block holds one.
    if (this.since !== null || x.includes(0))
      for (let i = 0; i < x.length; i++)
        if (x[i] === 0 || this.since !== null) this.push((first + i) / this.sampleRateHz, x[i]!)
    this.lastS = (first + x.length - 1) / this.sampleRateHz
  }

  /** What was lost so far; nothing where so much is silent that it was meant. */
  gaps(): readonly Gap[] {
    // Before the first sound and after the last there is nothing to lose.
    const inside = this.found.filter(g => g.fromS > 1 / this.sampleRateHz)
    return this.silentS <= MOST_SILENT * this.lastS ? inside : []
  }
}
