import type { CaptureChannel } from './capture'
import { median, PulseSide } from './pulse-side'
import { passFloats, passInts, type Band, type Samples, type Tally } from './sample-scan'

/** The usual height of a pulse is looked at again after so long. */
const BLOCK_S = 0.4
/** Baseline and noise are looked at again after so long, and at least after so many samples. */
const STEP_S = 0.001
const MOST_IN_STEP = 64
/** Time in which the baseline, and the noise, follow what changes. */
const BASELINE_S = 0.5
const NOISE_S = 0.3

export type Polarity = 'positive' | 'negative'

/** A channel of pulses, and which way they point. */
export interface FoundPulses {
  readonly channel: CaptureChannel
  readonly polarity: Polarity
}

/**
 * Finds pulses in a sampled signal: the slow part is taken off, the usual pulse height is followed in both
 * directions, and a pulse begins at half of it (between samples, by a straight line) and ends at a quarter.
 * Works on sound-card, photodiode and scope recordings; amplitude and offset do not matter.
 */
export class PulseFinder {
  private readonly stepSamples: number
  private readonly baselineShare: number
  private readonly noiseShare: number
  private readonly blockSamples: number
  private readonly primer: number[] = []
  private readonly primerT: number[] = []
  private primed = false
  private baseline = 0
  private noise = 0
  private inStep = 0
  private inBlock = 0
  private before = 0
  private beforeT = 0
  private readonly tally: Tally = { sum: 0, size: 0 }
  private readonly band: Band = { low: 0, high: 0, middle: 0, most: 0 }
  private readonly up: PulseSide
  private readonly down: PulseSide

  /**
   * @param sampleRateHz samples per second, at least nominally
   * @param rolling whether more changes than that push out the oldest ones, for a signal that goes on
   */
  constructor(sampleRateHz: number, maxEdges: number, rolling = false) {
    const step = Math.min(MOST_IN_STEP, Math.max(1, Math.round(STEP_S * sampleRateHz)))
    const share = (seconds: number) => 1 - (1 - Math.min(1, 1 / (seconds * sampleRateHz))) ** step
    this.stepSamples = step
    this.baselineShare = share(BASELINE_S)
    this.noiseShare = share(NOISE_S)
    // Whole steps: a block then ends the same however the samples come.
    this.blockSamples = step * Math.max(8, Math.round((BLOCK_S * sampleRateHz) / step))
    this.up = new PulseSide(maxEdges, rolling)
    this.down = new PulseSide(maxEdges, rolling)
  }

  /** @param t seconds, increasing @param x any unit */
  push(t: number, x: number): void {
    if (this.primed) {
      this.take(t, x, this.baseline, this.far)
      this.advance(1)
      return
    }
    this.primer.push(x)
    this.primerT.push(t)
    if (this.primer.length >= 2 * this.blockSamples) this.prime()
  }

  /**
   * Many samples at once, each as {@link push} takes it.
   * @param x finite samples @param first number of the first one, from the beginning @param rate samples a second
   * @param offset where the channel begins among the samples @param every from one of its samples to the next
   */
  pushAll(x: Samples, first: number, rate: number, offset = 0, every = 1): void {
    const count = Math.ceil((x.length - offset) / every)
    let i = 0
    for (; i < count && !this.primed; i++) this.push((first + i) / rate, x[offset + i * every]!)
    while (i < count) {
      const here = Math.min(count - i, this.stepSamples - this.inStep)
      this.stretch(x, offset + i * every, offset + (i + here) * every, every, first + i, rate)
      this.advance(here)
      i += here
    }
  }

  /** Samples of one step: most are passed over, those at which something happens are taken one by one. */
  private stretch(x: Samples, from: number, end: number, every: number, first: number, rate: number): void {
    const { band, tally } = this
    const ints = x instanceof Int16Array ? x : null
    band.middle = ints ? Math.round(this.baseline) : this.baseline
    band.most = ints ? Math.ceil(this.far) : this.far
    let at = from
    while (at < end) {
      this.widen(band, ints !== null)
      const begun = at
      at = ints ? passInts(ints, at, end, every, band, tally) : passFloats(x, at, end, every, band, tally)
      if (at > begun) {
        this.before = x[at - every]!
        this.beforeT = (first - 1 + (at - from) / every) / rate
      }
      if (at >= end) break
      this.take((first + (at - from) / every) / rate, x[at]!, band.middle, band.most)
      at += every
    }
  }

  /** Between which values nothing happens, and no sample is higher or lower than the block's so far. */
  private widen(band: Band, whole: boolean): void {
    const { up, down, baseline } = this
    const low = baseline + Math.max(-down.ceiling, up.floor)
    const high = baseline + Math.min(up.ceiling, -down.floor)
    band.low = whole ? Math.max(-32768, Math.ceil(low)) : low
    band.high = whole ? Math.min(32767, Math.floor(high)) : high
  }

  private prime(): void {
    this.primed = true
    if (this.primer.length === 0) return
    this.baseline = median(this.primer)
    let high = 0
    let low = 0
    let sum = 0
    for (const x of this.primer) {
      const d = x - this.baseline
      high = Math.max(high, d)
      low = Math.max(low, -d)
      sum += Math.abs(d)
    }
    this.up.prime(high)
    this.down.prime(low)
    this.noise = Math.min(sum / this.primer.length, Math.max(high, low) / 20)
    this.level()
    this.before = this.baseline
    for (let i = 0; i < this.primer.length; i++) this.push(this.primerT[i]!, this.primer[i]!)
    this.primer.length = 0
    this.primerT.length = 0
  }

  /** Pulses themselves must not count as noise: what is far out moves the estimate only a little. */
  private get far(): number {
    return 4 * this.noise + 1e-9
  }

  private take(t: number, x: number, middle: number, most: number): void {
    const d = x - this.baseline
    const before = this.before - this.baseline
    this.up.take(t, d, this.beforeT, before)
    this.down.take(t, -d, this.beforeT, -before)
    this.tally.sum += x
    this.tally.size += Math.min(Math.abs(x - middle), most)
    this.before = x
    this.beforeT = t
  }

  private advance(samples: number): void {
    this.inStep += samples
    if (this.inStep < this.stepSamples) return
    const { tally } = this
    this.baseline += (tally.sum / this.inStep - this.baseline) * this.baselineShare
    this.noise += (tally.size / this.inStep - this.noise) * this.noiseShare
    this.inBlock += this.inStep
    tally.sum = tally.size = this.inStep = 0
    if (this.inBlock >= this.blockSamples) {
      this.inBlock = 0
      this.up.endBlock()
      this.down.endBlock()
    }
    this.level()
  }

  private level(): void {
    this.up.above(this.noise)
    this.down.above(this.noise)
  }

  /** @returns the channel (level 1 while a pulse lasts) and which way its pulses point */
  finish(name: string, polarity: Polarity | 'auto' = 'auto'): FoundPulses {
    if (!this.primed) this.prime()
    const chosen = this.pointing(polarity)
    const side = this.side(chosen)
    return this.found(name, chosen, side.dropped ? null : side.times.take())
  }

  /** The same of the pulses that began at a time or later, without ending it. */
  snapshot(name: string, polarity: Polarity | 'auto' = 'auto', fromS = 0): FoundPulses {
    const chosen = this.pointing(polarity)
    const side = this.side(chosen)
    const first = side.times.firstFrom(fromS)
    return this.found(name, chosen, side.dropped ? null : side.times.copyFrom(first + (first % 2)))
  }

  private side = (polarity: Polarity) => (polarity === 'positive' ? this.up : this.down)

  private pointing(polarity: Polarity | 'auto'): Polarity {
    if (polarity !== 'auto') return polarity
    return this.up.meanHeight >= this.down.meanHeight ? 'positive' : 'negative'
  }

  private found(name: string, polarity: Polarity, times: Float64Array | null): FoundPulses {
    const edges = times && { initial: 0 as const, times, gaps: [] }
    return { channel: { name, edgeCount: this.side(polarity).edgeCount, edges }, polarity }
  }
}
