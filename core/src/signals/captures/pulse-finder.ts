import type { CaptureChannel } from './capture'
import { GrowableDoubles } from './growable'

/** Share of the usual pulse height at which a pulse begins, and below which it has ended. */
const ON = 0.5
const OFF = 0.25
/** The envelope is the median over this many blocks, so that one knock on the bench does not blind it. */
const BLOCK_S = 0.4
const BLOCKS = 5
/** A pulse stands out from the noise by at least this many times the mean deviation. */
const ABOVE_NOISE = 5
/** The least usual height that may be, in mean deviations of the noise. */
const FLOOR = ABOVE_NOISE / ON

const median = (xs: readonly number[]): number => {
  const s = [...xs].sort((a, b) => a - b)
  return s.length ? s[s.length >> 1]! : 0
}

export type Polarity = 'positive' | 'negative'

/** A channel of pulses, and which way they point. */
export interface FoundPulses {
  readonly channel: CaptureChannel
  readonly polarity: Polarity
}

/** Rising and falling crossings of one polarity. What the inner loop of the finder follows is open to it. */
class Side {
  readonly times = new GrowableDoubles()
  private readonly maxima: number[] = []
  blockMax = 0
  height = 0
  on = false
  previous = 0
  previousT = 0
  /** Sum of the heights in force when pulses began, to compare polarities. */
  strength = 0
  dropped = false
  edgeCount = 0

  constructor(
    private readonly maxEdges: number,
    private readonly rolling: boolean,
  ) {}

  prime(height: number): void {
    this.height = height
  }

  endBlock(): void {
    this.maxima.push(this.blockMax)
    if (this.maxima.length > BLOCKS) this.maxima.shift()
    this.blockMax = 0
    this.height = median(this.maxima)
  }

  push(t: number, x: number, noise: number): void {
    if (x > this.blockMax) this.blockMax = x
    const height = Math.max(this.height, FLOOR * noise)
    if (!this.on && x >= ON * height && height > 0) this.begin(t, x, ON * height)
    else if (this.on && x < OFF * height) this.end(t)
    this.previous = x
    this.previousT = t
  }

  /** A pulse rises through a level between the sample before and this one. */
  begin(t: number, x: number, level: number): void {
    const share = x > this.previous ? Math.min(1, Math.max(0, (level - this.previous) / (x - this.previous))) : 1
    this.edge(this.previousT + share * (t - this.previousT))
    this.on = true
    this.strength += this.height
  }

  end(t: number): void {
    this.edge(t)
    this.on = false
  }

  /**
   * A pulse begins or ends with a sample.
   * @param before the sample before it @param sample its number @returns whether a pulse lasts now
   */
  cross(before: number, x: number, level: number, sample: number, rate: number): boolean {
    if (this.on) this.end(sample / rate)
    else {
      this.previous = before
      this.previousT = (sample - 1) / rate
      this.begin(sample / rate, x, level)
    }
    return this.on
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

/**
 * Finds pulses in a sampled signal: the slow part is taken off, the usual pulse height is followed in both
 * directions, and a pulse begins at half of it (between samples, by a straight line) and ends at a quarter.
 * Works on sound-card, photodiode and scope recordings; amplitude and offset do not matter.
 */
export class PulseFinder {
  private readonly baselineStep: number
  private readonly noiseStep: number
  private readonly blockSamples: number
  private readonly primer: number[] = []
  private readonly primerT: number[] = []
  private primed = false
  private baseline = 0
  private noise = 0
  private inBlock = 0
  private readonly up: Side
  private readonly down: Side

  /**
   * @param sampleRateHz samples per second, at least nominally
   * @param rolling whether more changes than that push out the oldest ones, for a signal that goes on
   */
  constructor(sampleRateHz: number, maxEdges: number, rolling = false) {
    this.baselineStep = Math.min(1, 1 / (0.5 * sampleRateHz))
    this.noiseStep = Math.min(1, 1 / (0.3 * sampleRateHz))
    this.blockSamples = Math.max(8, Math.round(BLOCK_S * sampleRateHz))
    this.up = new Side(maxEdges, rolling)
    this.down = new Side(maxEdges, rolling)
  }

  /** @param t seconds, increasing @param x any unit */
  push(t: number, x: number): void {
    if (this.primed) {
      this.step(t, x)
      return
    }
    this.primer.push(x)
    this.primerT.push(t)
    if (this.primer.length >= 2 * this.blockSamples) this.prime()
  }

  /**
   * Many samples at once, each as {@link push} takes it.
   * @param x finite samples @param first number of the first one, from the beginning @param rate samples a second
   */
  pushAll(x: Float64Array, first: number, rate: number): void {
    let i = 0
    for (; i < x.length && !this.primed; i++) this.push((first + i) / rate, x[i]!)
    while (i < x.length) {
      const end = Math.min(x.length, i + this.blockSamples - this.inBlock)
      this.stretch(x, i, end, first, rate)
      this.inBlock += end - i
      i = end
      if (this.inBlock >= this.blockSamples) this.endBlock()
    }
  }

  /** Samples of one block, with what changes from one to the next in plain variables: most of the time goes here. */
  private stretch(x: Float64Array, from: number, end: number, first: number, rate: number): void {
    const { up, down, baselineStep, noiseStep } = this
    // The usual heights stand for a whole block.
    const [usualUp, usualDown] = [up.height, down.height]
    let { baseline, noise } = this
    let [highest, lowest] = [up.blockMax, down.blockMax]
    let [upOn, downOn] = [up.on, down.on]
    let before = up.previous
    for (let i = from; i < end; i++) {
      const d = x[i]! - baseline
      baseline += d * baselineStep
      const far = 4 * noise + 1e-9
      const size = Math.abs(d)
      noise += ((size < far ? size : far) - noise) * noiseStep
      if (d > highest) highest = d
      if (-d > lowest) lowest = -d
      const floor = FLOOR * noise
      const height = usualUp > floor ? usualUp : floor
      const depth = usualDown > floor ? usualDown : floor
      if (upOn ? d < OFF * height : d >= ON * height && height > 0)
        upOn = up.cross(before, d, ON * height, first + i, rate)
      if (downOn ? -d < OFF * depth : -d >= ON * depth && depth > 0)
        downOn = down.cross(-before, -d, ON * depth, first + i, rate)
      before = d
    }
    up.previous = before
    down.previous = -before
    up.previousT = down.previousT = (first + end - 1) / rate
    up.blockMax = highest
    down.blockMax = lowest
    this.baseline = baseline
    this.noise = noise
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
    for (let i = 0; i < this.primer.length; i++) this.step(this.primerT[i]!, this.primer[i]!)
    this.primer.length = 0
    this.primerT.length = 0
  }

  private step(t: number, x: number): void {
    const d = x - this.baseline
    this.baseline += d * this.baselineStep
    // Pulses themselves must not count as noise: what is far out moves the estimate only a little.
    const size = Math.min(Math.abs(d), 4 * this.noise + 1e-9)
    this.noise += (size - this.noise) * this.noiseStep
    this.up.push(t, d, this.noise)
    this.down.push(t, -d, this.noise)
    if (++this.inBlock >= this.blockSamples) this.endBlock()
  }

  private endBlock(): void {
    this.inBlock = 0
    this.up.endBlock()
    this.down.endBlock()
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
    const mean = (s: Side) => (s.edgeCount ? s.strength / Math.ceil(s.edgeCount / 2) : 0)
    return polarity === 'auto' ? (mean(this.up) >= mean(this.down) ? 'positive' : 'negative') : polarity
  }

  private found(name: string, polarity: Polarity, times: Float64Array | null): FoundPulses {
    const edges = times && { initial: 0 as const, times, gaps: [] }
    return { channel: { name, edgeCount: this.side(polarity).edgeCount, edges }, polarity }
  }
}
