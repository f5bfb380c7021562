import { lowerBound } from '../../base/numbers'
import { PHASE_PARTS, type Separated } from './separator'

/** Bins of a phase histogram over the window, −0.5 to 0.5 of a half cell. */
export const PHASE_BINS = 64
const FINE = 1024
/** A fine bin holds two to this power of a phase's parts. */
const PARTS_IN_BIN = Math.log2(PHASE_PARTS / FINE)

/** Transitions whose phases cannot add up beyond 32 bits. */
const AT_ONCE = (1 << 30) / PHASE_PARTS

/** What {@link tally} sums up. */
const [EARLY, EARLIES, LATE, LATES, EVEN, ODD, SUMS] = [0, 1, 2, 3, 4, 5, 6] as const

/** What the transitions of a stretch say about its timing. */
export class TimingMeter {
  private readonly fine = new Int32Array(FINE)
  /** One more, for what came twice in a cell and has no phase. */
  private readonly own = new Int32Array(FINE + 1)
  private readonly sums = new Float64Array(SUMS)
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
    const sums = this.sums.fill(0)
    for (let i = from; i < to; i += AT_ONCE) tally(s, i, Math.min(to, i + AT_ONCE), own, sums)
    this.early += sums[EARLY]!
    this.earlies += sums[EARLIES]!
    this.late += sums[LATE]!
    this.lates += sums[LATES]!
    // Stretches are taken one by one: at the seam of a track, and where a pulse was lost, it is the other ones' turn.
    this.takeSides(sums[EVEN]!, sums[ODD]!, from, to)
    for (let i = 0; i < FINE; i++) this.fine[i]! += own[i]!
    this.count += to - from
    return marginOf(own, to - from)
  }

  private takeSides(even: number, odd: number, from: number, to: number): void {
    const odds = (to >> 1) - (from >> 1)
    const evens = to - from - odds
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
 * Counts transitions by phase, and adds up the phases by their neighbours and by polarity: every second has the same.
 * The sums are of whole numbers that fit 32 bits, and the loop has no branch that the processor could only guess at.
 * @param to at most {@link AT_ONCE} more than `from`
 */
function tally({ at, phase }: Separated, from: number, to: number, bins: Int32Array, sums: Float64Array): void {
  let early = 0
  let earlies = 0
  let late = 0
  let lates = 0
  let all = 0
  let odd = 0
  // Half cells since the transition before, or as many as after it where that is outside: then it is neither.
  let here = at[from]!
  let before = from + 1 < at.length ? (at[from + 1]! - here) | 0 : 0
  for (let i = from; i < to; i++) {
    const parts = phase[i]!
    const place = (parts + PHASE_PARTS / 2) | 0
    const bin = place < 0 ? FINE : place >> PARTS_IN_BIN
    bins[bin] = (bins[bin]! + 1) | 0
    all = (all + parts) | 0
    odd = (odd + (parts & -(i & 1))) | 0
    // The last one of all has none after it.
    const next = i + 1 < at.length ? at[i + 1]! : (here + before) | 0
    const after = (next - here) | 0
    here = next
    const isEarly = ((before - after) | 0) >> 31
    const isLate = ((after - before) | 0) >> 31
    before = after
    early = (early + (parts & isEarly)) | 0
    earlies = (earlies - isEarly) | 0
    late = (late + (parts & isLate)) | 0
    lates = (lates - isLate) | 0
  }
  sums[EARLY]! += early / PHASE_PARTS
  sums[EARLIES]! += earlies
  sums[LATE]! += late / PHASE_PARTS
  sums[LATES]! += lates
  sums[EVEN]! += (all - odd) / PHASE_PARTS
  sums[ODD]! += odd / PHASE_PARTS
}

/**
 * Margin from a fine histogram: the bin from outside in at which a hundredth of the transitions is passed, straight
 * within it.
 */
function marginOf(bins: Int32Array, count: number): number {
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
