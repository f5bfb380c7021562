import type { QuickGauss } from '../gauss'

/** Steps in which the noise is followed, for each period of the band's upper end. */
const STEPS = 12
/** Output that the comparator passes, deviations. */
const PASSES = 0.7

/**
 * Pulses that noise makes in an amplifier whose gain is up: noise of two poles is followed in small steps, and where
 * its slope crosses zero beyond the comparator's level a pulse comes.
 */
export class NoisePulses {
  private value = 0
  private slope = 0
  private lastS = -1

  constructor(private readonly gauss: QuickGauss) {}

  /** @param bandHz upper end of the band @param out called with the time of each pulse, s */
  run(fromS: number, toS: number, bandHz: number, out: (t: number) => void): void {
    const dt = 1 / (bandHz * STEPS)
    const w = 2 * Math.PI * bandHz * 0.7
    for (let t = fromS; t < toS; t += dt) {
      // A resonance of low quality driven by white noise: two poles, as a band-limited amplifier has.
      const before = this.slope
      this.slope += dt * (-1.2 * w * this.slope - w * w * this.value) + w * Math.sqrt(2.4 * w * dt) * this.gauss.next()
      this.value += dt * this.slope
      const turned = before > 0 !== this.slope > 0
      if (turned && Math.abs(this.value) > PASSES && t - this.lastS > 0.25 / bandHz) {
        out(t + (dt * before) / (before - this.slope))
        this.lastS = t
      }
    }
  }
}
