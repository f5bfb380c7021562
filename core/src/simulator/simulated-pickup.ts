import { writeVcd, type EdgeList } from '../signals/captures'
import type { PulseTrain } from '../instruments/spindle'
import { Random } from './random'
import { SpindleModel, type SpindleModelOptions } from './spindle-model'

export interface PickupOptions extends SpindleModelOptions {
  /** Marks a turn, evenly placed (default 1). */
  readonly marksPerTurn?: number
  /** A hard-sectored disk: `marksPerTurn` sector holes and the extra hole. */
  readonly hardSectored?: boolean
  /** Timing scatter of the sensor, deviation in microseconds (default 5). */
  readonly jitterUs?: number
  /** Chance that a pulse is lost, and that one comes twice. */
  readonly missChance?: number
  readonly doubleChance?: number
}

/** The stand-in's clock: like a logic analyser at 10 MHz. */
const TICKS_PER_SECOND = 1e7
const PULSE_SHARE = 0.02

/**
 * A pickup on a simulated spindle: gives the level changes of an active-low index line as they happen. What it
 * recorded goes through the same readers and the same judgement as any file.
 */
export class SimulatedPickup {
  readonly model: SpindleModel
  private readonly random: Random
  private readonly marks: number[]
  private readonly ticks: number[] = []

  constructor(private readonly options: PickupOptions) {
    this.model = new SpindleModel(options)
    this.random = new Random(options.seed ^ 0x5eed)
    const n = options.marksPerTurn ?? 1
    this.marks = Array.from({ length: n }, (_, i) => (i + 0.25) / n)
    if (options.hardSectored) {
      this.marks.push((n - 1 + 0.75) / n)
      this.marks.sort((a, b) => a - b)
    }
  }

  get timeS(): number {
    return this.model.timeS
  }

  /** Lets time pass; level changes are recorded. */
  advanceTo(untilS: number): void {
    const { jitterUs = 5, missChance = 0, doubleChance = 0, marksPerTurn = 1 } = this.options
    const width = (PULSE_SHARE * 60) / this.options.rpm / marksPerTurn
    this.model.advanceTo(untilS, this.marks, t => {
      const lost = this.random.next() < missChance
      const twice = this.random.next() < doubleChance
      const at = t + this.random.gaussian() * jitterUs * 1e-6
      if (lost) return
      this.pulse(at, width)
      if (twice) this.pulse(at + 2.5 * width, width)
    })
  }

  private pulse(at: number, width: number): void {
    const down = Math.round(at * TICKS_PER_SECOND)
    const up = Math.round((at + width) * TICKS_PER_SECOND)
    if (down > (this.ticks.at(-1) ?? 0)) this.ticks.push(down, Math.max(up, down + 1))
  }

  /** Turns the trimmer of the simulated drive; positive is to the right. */
  turnTrimmer(turns: number): void {
    this.model.turnTrimmer(turns)
  }

  /** All level changes since a time, in seconds from the start of the recording. */
  edges(sinceS = 0): EdgeList {
    const from = sinceS * TICKS_PER_SECOND
    let first = 0
    // Begin with a whole pulse: falling edges stand at even places.
    while (first < this.ticks.length && this.ticks[first]! < from) first += 2
    return { initial: 1, times: Float64Array.from(this.ticks.slice(first), t => t / TICKS_PER_SECOND), gaps: [] }
  }

  /** Pulses since a time; the pulse still going on is included. */
  pulses(sinceS = 0): PulseTrain {
    const { times } = this.edges(sinceS)
    return { starts: times.filter((_, i) => i % 2 === 0), gaps: [] }
  }

  /** The recording as a value change dump at 100 ns a tick, exact to the tick. */
  toVcd(comment = 'Recorded from a simulated pickup.', sinceS = 0): string {
    const edges = this.edges(sinceS)
    return writeVcd([{ name: 'INDEX', edges }], { tickNs: 100, comment, durationS: this.timeS })
  }
}
