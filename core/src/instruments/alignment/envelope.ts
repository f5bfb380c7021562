import { median } from '../../base/numbers'

/** The envelope of a signal, evenly spaced. */
export interface Envelope {
  readonly stepS: number
  readonly values: Float64Array
}

/** Parts that an envelope is cut into at most: enough to draw, and finer than any burst. */
const MOST_PARTS = 4000
/** Cycles of the carrier in a part, so that its peak is met in each. */
const CYCLES = 2.5

/**
 * Finds the envelope of a read signal: the largest swing about the middle in parts of a few cycles of the carrier,
 * which is itself found
 * from the crossings where the signal is strong. Single spikes are taken off by a median of three.
 */
export function envelopeOf(samples: Float64Array, sampleRateHz: number): Envelope {
  let mean = 0
  for (const x of samples) mean += x
  mean /= Math.max(1, samples.length)
  let loudest = 0
  for (const x of samples) if (Math.abs(x - mean) > loudest) loudest = Math.abs(x - mean)
  // Crossings of a third of the greatest swing, up only: noise in the quiet parts makes none.
  let [crossings, first, last] = [0, -1, -1]
  const gaps: number[] = []
  for (let i = 1; i < samples.length; i++) {
    if (samples[i - 1]! - mean < loudest / 3 && samples[i]! - mean >= loudest / 3) {
      if (last >= 0 && gaps.length < 20_000) gaps.push(i - last)
      if (first < 0) first = i
      last = i
      crossings++
    }
  }
  const period = crossings > 8 ? median(gaps) : 4
  const part = Math.max(1, Math.ceil(period * CYCLES), Math.ceil(samples.length / MOST_PARTS))
  const raw = new Float64Array(Math.floor(samples.length / part))
  for (let p = 0; p < raw.length; p++) {
    let [low, high] = [Infinity, -Infinity]
    for (let i = p * part; i < (p + 1) * part; i++) {
      const x = samples[i]!
      if (x < low) low = x
      if (x > high) high = x
    }
    raw[p] = (high - low) / 2
  }
  const values = raw.map((x, i) =>
    i === 0 || i === raw.length - 1
      ? x
      : Math.max(Math.min(raw[i - 1]!, x), Math.min(Math.max(raw[i - 1]!, x), raw[i + 1]!)),
  )
  return { stepS: part / sampleRateHz, values }
}
