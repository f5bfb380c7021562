import { PulseFinder, skipped, ZeroRuns, type Gap } from '../../signals/captures'
import { pulsesFromEdges, type PulseTrain } from '../spindle'

/** So much of a sound is kept, s: longer ones begin to lose their oldest part. */
const KEPT_S = 300
/** The level is of the last so many seconds. */
const LEVEL_S = 0.3
const FULL_SCALE = 0.99

/** How loud the input is now. */
export interface SoundLevel {
  /** Largest sample and r.m.s., shares of full scale. */
  readonly peak: number
  readonly rms: number
  /** Samples at the end of the scale, share of all of the last ten seconds. */
  readonly clipped: number
}

const CLIP_S = 10

/** Follows a sound while it comes: its level, its pulses, what was lost of it, and its samples for what needs them. */
export class SoundFollower {
  private readonly kept: Float32Array
  private frames = 0
  private readonly finder: PulseFinder
  private readonly zeros: ZeroRuns
  private readonly lost: Gap[] = []

  /** @param sampleRateHz samples a second @param keptS seconds of samples that are kept */
  constructor(
    readonly sampleRateHz: number,
    keptS = KEPT_S,
  ) {
    this.kept = new Float32Array(Math.ceil(keptS * sampleRateHz))
    this.finder = new PulseFinder(sampleRateHz, 200_000)
    this.zeros = new ZeroRuns(sampleRateHz)
  }

  /** Seconds since it began. */
  get timeS(): number {
    return this.frames / this.sampleRateHz
  }

  /**
   * Takes the next samples.
   * @param lostFrames samples that went lost before them: time goes on, and nothing is judged across them
   */
  push(block: ArrayLike<number>, lostFrames = 0): void {
    if (lostFrames > 0) {
      this.lost.push({ fromS: this.timeS, toS: (this.frames + lostFrames) / this.sampleRateHz })
      for (let i = 0; i < Math.min(lostFrames, this.kept.length); i++) this.keep(0)
      this.frames += Math.max(0, lostFrames - this.kept.length)
    }
    for (let i = 0; i < block.length; i++) {
      const x = block[i]!
      const t = this.timeS
      this.finder.push(t, x)
      this.zeros.push(t, x)
      this.keep(x)
    }
  }

  private keep(x: number): void {
    this.kept[this.frames % this.kept.length] = x
    this.frames++
  }

  level(): SoundLevel {
    const last = this.last(LEVEL_S)
    let [peak, power] = [0, 0]
    for (const x of last) {
      peak = Math.max(peak, Math.abs(x))
      power += x * x
    }
    const longer = this.last(CLIP_S)
    let ends = 0
    for (const x of longer) if (Math.abs(x) >= FULL_SCALE) ends++
    return {
      peak,
      rms: Math.sqrt(power / Math.max(1, last.length)),
      clipped: ends / Math.max(1, longer.length),
    }
  }

  /** Stretches that were lost on the way. */
  gaps(): readonly Gap[] {
    return [...this.lost, ...this.zeros.gaps()].sort((a, b) => a.fromS - b.fromS)
  }

  /** Pulses from a time on, as a recording of the sound would give them. */
  pulses(sinceS = 0): PulseTrain {
    const { edges } = this.finder.snapshot('sound', 'auto', sinceS).channel
    const times = edges?.times ?? new Float64Array(0)
    const train = pulsesFromEdges({ initial: 0, times, gaps: this.gaps() })
    const gaps = [...train.gaps, ...skipped(train.starts, train.gaps)].sort((a, b) => a.fromS - b.fromS)
    return { ...train, gaps }
  }

  /** The last samples that are kept, at most so many seconds. */
  last(seconds: number): Float32Array {
    const { length } = this.kept
    const count = Math.min(this.frames, length, Math.round(seconds * this.sampleRateHz))
    const out = new Float32Array(count)
    const from = (this.frames - count) % length
    const whole = this.kept.subarray(from, from + count)
    out.set(whole)
    out.set(this.kept.subarray(0, count - whole.length), whole.length)
    return out
  }
}
