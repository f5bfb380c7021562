import { median, quantile } from '../../base/numbers'
import type { PulseTrain } from './pulse-train'

/** A stretch that was not averaged in, and the reason in words. */
export interface Discarded {
  readonly atS: number
  readonly why: string
}

/** Intervals between neighbouring marks that can be trusted, in order of time. */
export interface CleanIntervals {
  readonly startS: Float64Array
  readonly lengthS: Float64Array
  /** Number of the mark at the start of each interval; missed marks are counted, so a jump shows a miss. */
  readonly mark: Int32Array
  readonly discarded: readonly Discarded[]
  /**
   * How often a pulse was missing or extra, starts and stops of the motor not counted: what speaks against the
   * pickup.
   */
  readonly faults: number
}

/** Below this share of the usual interval, a pulse is an extra one; above the second, pulses are missing. */
const EXTRA = 0.55
const MISSING = 1.45
/** An interval within this share of a whole multiple is a multiple. */
const WHOLE = 0.3
/** Longer than this many intervals, and the motor may have been off. */
const SILENCE = 4.5
/** Steady means within this share of the median. */
const STEADY = 0.03

function usualInterval(gaps: Float64Array): number {
  const large = quantile(gaps, 0.9) * 0.4
  return median(gaps.filter(g => g >= large))
}

/** How many leading intervals belong to a motor still starting: long, and getting shorter until steady. */
function startingUp(gaps: Float64Array, usual: number): number {
  const steady = (i: number) => Math.abs(gaps[i]! / usual - 1) < STEADY
  let s = 0
  while (s < gaps.length / 2 && !(steady(s) && (s + 1 >= gaps.length || steady(s + 1)))) s++
  if (s === 0 || s >= gaps.length / 2 || gaps[0]! < usual * (1 + STEADY)) return 0
  for (let i = 0; i < s; i++) if (gaps[i]! < gaps[i + 1]! * 0.98) return 0
  const ratio = gaps[0]! / usual
  // One interval of a whole multiple is a missed pulse, not a start.
  if (s === 1 && ratio > MISSING && Math.abs(ratio - Math.round(ratio)) < 0.06) return 0
  return s
}

interface Run {
  /** First and last pulse of the stretch in which the motor runs at speed. */
  readonly from: number
  readonly to: number
  readonly ramps: readonly { readonly at: number; readonly why: string }[]
}

const intervals = (n: number) => (n === 1 ? 'interval' : `${n} intervals`)

/** Stretches between long silences (a host switches the motor off), without the motor's starting and coasting. */
function runs(gaps: Float64Array, usual: number): Run[] {
  const found: Run[] = []
  for (let a = 0; a <= gaps.length;) {
    let b = a
    while (b < gaps.length && gaps[b]! < SILENCE * usual) b++
    const own = gaps.subarray(a, b)
    const lead = startingUp(own, usual)
    const trail = startingUp(own.slice().reverse(), usual)
    const ramps = [
      ...(lead ? [{ at: a, why: `motor starting, first ${intervals(lead)}` }] : []),
      ...(trail ? [{ at: b - trail, why: `motor coasting, last ${intervals(trail)}` }] : []),
    ]
    if (own.length) found.push({ from: a + lead, to: b - trail, ramps })
    a = b + 1
  }
  return found
}

/**
 * Tells true intervals from those with missed or extra pulses, from a motor starting or coasting, and from
 * pauses of the recording. What is set aside is listed and never averaged in.
 */
export function cleanIntervals(train: PulseTrain): CleanIntervals {
  const { starts, gaps: pauses } = train
  const discarded: Discarded[] = []
  const n = Math.max(0, starts.length - 1)
  const raw = new Float64Array(n)
  for (let i = 0; i < n; i++) raw[i] = starts[i + 1]! - starts[i]!
  const startS: number[] = []
  const lengthS: number[] = []
  const mark: number[] = []
  let faults = 0
  const done = () => ({
    startS: new Float64Array(startS),
    lengthS: new Float64Array(lengthS),
    mark: new Int32Array(mark),
    discarded,
    faults,
  })
  if (n === 0) return done()

  const usual = usualInterval(raw)
  const running = runs(raw, usual)
  for (const run of running) discarded.push(...run.ramps.map(r => ({ atS: starts[r.at]!, why: r.why })))

  let number = 0
  let local = usual
  let before = 0
  for (const { from: first, to: end } of running) {
    if (first > before && before > 0) {
      discarded.push({
        atS: starts[before]!,
        why: `no pulses for ${(starts[first]! - starts[before]!).toPrecision(2)} s, or not at speed`,
      })
      number += Math.max(1, Math.round((starts[first]! - starts[before]!) / usual))
    }
    before = end
    let from = first
    while (from < end) {
      let to = from + 1
      while (to <= end && starts[to]! - starts[from]! < EXTRA * local) {
        discarded.push({ atS: starts[to]!, why: 'extra pulse' })
        faults++
        to++
      }
      if (to > end) break
      const length = starts[to]! - starts[from]!
      const ratio = length / local
      const paused = pauses.some(p => p.fromS < starts[to]! && p.toS > starts[from]!)
      if (paused) {
        discarded.push({ atS: starts[from]!, why: 'recording paused' })
        number += Math.max(1, Math.round(ratio))
      } else if (ratio < MISSING) {
        startS.push(starts[from]!)
        lengthS.push(length)
        mark.push(number)
        number++
        local += (length - local) * 0.2
      } else {
        const missed = Math.round(ratio) - 1
        const whole = Math.abs(ratio - missed - 1) < WHOLE
        discarded.push({
          atS: starts[from]!,
          why: whole
            ? `${missed} missed ${missed === 1 ? 'pulse' : 'pulses'}`
            : `no pulses for ${length.toPrecision(2)} s`,
        })
        number += missed + 1
        faults++
      }
      from = to
    }
  }
  discarded.sort((a, b) => a.atS - b.atS)
  return done()
}
