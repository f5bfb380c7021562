import { lowerBound } from '../../base/numbers'
import type { Separated } from './separator'

/** Bins of a phase histogram over the window, −0.5 to 0.5 of a half cell. */
export const PHASE_BINS = 64
const FINE = 1024

/** What the transitions of a stretch say about its timing. */
export class TimingMeter {
  private readonly fine = new Uint32Array(FINE)
  private readonly own = new Uint32Array(FINE)
  private count = 0
  private late = 0
  private lates = 0
  private early = 0
  private earlies = 0
  private apart = 0
  private apartOf = 0

  /**
   * Takes in the transitions of some half cells.
   * @returns the timing margin of these alone: 1 − 2 |phase|, by the 1st percentile; NaN for none
   */
  take(s: Separated, fromCell: number, toCell: number): number {
    const [from, to] = [lowerBound(s.at, fromCell), lowerBound(s.at, toCell)]
    const own = this.own.fill(0)
    const { at, phase } = s
    let early = 0
    let earlies = 0
    let late = 0
    let lates = 0
    for (let i = from; i < to; i++) {
      const bin = ((phase[i]! + 0.5) * FINE) | 0
      own[bin] = own[bin]! + 1
    }
    this.takeSides(phase, from, to)
    const end = Math.min(to, at.length - 1)
    let before = 0
    for (let i = Math.max(1, from); i < end; i++) {
      const after = at[i + 1]! - at[i]!
      if (before > 0 && before < after) {
        early += phase[i]!
        earlies++
      } else if (before > after) {
        late += phase[i]!
        lates++
      }
      before = after
    }
    this.early += early
    this.earlies += earlies
    this.late += late
    this.lates += lates
    for (let i = 0; i < FINE; i++) this.fine[i]! += own[i]!
    this.count += to - from
    return marginOf(own, to - from)
  }

  /**
   * Every second transition has the same polarity. Stretches are taken one by one: at the seam of a track, and where a
   * pulse was lost, it is the other ones' turn.
   */
  private takeSides(phase: ArrayLike<number>, from: number, to: number): void {
    let [even, odd, evens] = [0, 0, 0]
    for (let i = from; i < to; i++) {
      if (i & 1) odd += phase[i]!
      else {
        even += phase[i]!
        evens++
      }
    }
    const odds = to - from - evens
    if (evens === 0 || odds === 0) return
    this.apart += Math.abs(even / evens - odd / odds) * (to - from)
    this.apartOf += to - from
  }

  /**
   * Pulse asymmetry: how much later the transitions of one polarity come than those of the other, half cells; the sign
   * tells nothing, for nobody knows which is which.
   */
  get asymmetry(): number {
    return this.apartOf ? this.apart / this.apartOf : 0
  }

  get margin(): number {
    return marginOf(this.fine, this.count)
  }

  /**
   * Mean phase of transitions after a short and before a long interval, less the other way round, half cells: peak
   * shift pushes it up.
   */
  get shift(): number {
    return this.earlies && this.lates ? this.early / this.earlies - this.late / this.lates : 0
  }

  /** Transitions by phase, {@link PHASE_BINS} bins. */
  get histogram(): Uint32Array {
    const out = new Uint32Array(PHASE_BINS)
    for (let i = 0; i < FINE; i++) out[((i * PHASE_BINS) / FINE) | 0]! += this.fine[i]!
    return out
  }
}

/**
 * Margin from a fine histogram: the bin from outside in at which a hundredth of the transitions is passed, straight
 * within it.
 */
function marginOf(bins: Uint32Array, count: number): number {
  if (count === 0) return Number.NaN
  const worst = count * 0.01
  let passed = 0
  for (let k = FINE / 2 - 1; k >= 0; k--) {
    const here = bins[FINE / 2 + k]! + bins[FINE / 2 - 1 - k]!
    if (passed + here >= worst) return 1 - (2 * (k + 1 - (worst - passed) / here)) / FINE
    passed += here
  }
  return 1
}
