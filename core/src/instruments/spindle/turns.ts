import type { CleanIntervals } from './clean-intervals'

/** Whole turns put together from intervals without a break between them. */
export function turnsOf(intervals: CleanIntervals, pulses: number): { startS: Float64Array; lengthS: Float64Array } {
  const { startS, lengthS, mark } = intervals
  const starts: number[] = []
  const lengths: number[] = []
  for (let i = 0; i + pulses <= lengthS.length;) {
    const last = i + pulses - 1
    if (mark[last]! - mark[i]! !== pulses - 1) {
      // A missed mark inside: go on behind it.
      do i++
      while (i < lengthS.length && mark[i] === mark[i - 1]! + 1)
      continue
    }
    let length = 0
    for (let k = i; k <= last; k++) length += lengthS[k]!
    starts.push(startS[i]!)
    lengths.push(length)
    i += pulses
  }
  return { startS: Float64Array.from(starts), lengthS: Float64Array.from(lengths) }
}

/**
 * Interval lengths with the fixed pattern of unevenly placed marks taken out. A variation that repeats exactly
 * once a turn goes with it: marks placed by hand cannot show that.
 */
export function removePattern(intervals: CleanIntervals, pulses: number): Float64Array {
  const { lengthS, mark } = intervals
  const total = new Float64Array(pulses)
  const count = new Float64Array(pulses)
  for (let i = 0; i < lengthS.length; i++) {
    const place = ((mark[i]! % pulses) + pulses) % pulses
    total[place]! += lengthS[i]!
    count[place]!++
  }
  const means = total.map((t, i) => (count[i] ? t / count[i] : 0))
  const seen = means.filter((_, i) => count[i]! > 0)
  const overall = seen.reduce((a, b) => a + b, 0) / Math.max(1, seen.length)
  // With fewer than two turns there is no pattern to tell from chance.
  if (lengthS.length < 2 * pulses) return lengthS
  return lengthS.map((d, i) => (d * overall) / means[((mark[i]! % pulses) + pulses) % pulses]!)
}

/** Longest gap, in marks, that is bridged by a straight line. */
const BRIDGE = 3

/** Values of the longest stretch without a long break, short misses bridged so that marks stay evenly counted. */
export function longestRun(intervals: CleanIntervals, values: Float64Array): Float64Array {
  const { mark } = intervals
  let best: number[] = []
  let run: number[] = []
  for (let i = 0; i < values.length; i++) {
    const missing = i === 0 ? 0 : mark[i]! - mark[i - 1]! - 1
    if (missing > BRIDGE) {
      if (run.length > best.length) best = run
      run = []
    } else {
      for (let k = 1; k <= missing; k++) run.push(values[i - 1]! + ((values[i]! - values[i - 1]!) * k) / (missing + 1))
    }
    run.push(values[i]!)
  }
  if (run.length > best.length) best = run
  return new Float64Array(best)
}
