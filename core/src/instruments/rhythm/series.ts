import { quantile } from '../../base/numbers'

/** How strong something was at some times: the loudness of a sound, the brightness of a place in a film. */
export interface Series {
  /** Seconds, rising; even steps are not needed. */
  readonly timesS: Float64Array
  readonly values: Float64Array
}

/** Loudness is looked at in pieces of this length, s. */
export const PIECE_S = 0.005
/** What lies further out than this share of the values is a knock, and counts as no more than them. */
const OUTER = 0.002

/**
 * The loudness of a sound in pieces of five milliseconds: r.m.s. of the differences from sample to sample, in which
 * hum is small and a rub or a click is not. Time linear in the samples.
 */
export function loudnessOf(samples: ArrayLike<number>, sampleRateHz: number): Series {
  const per = Math.max(1, Math.round(PIECE_S * sampleRateHz))
  const count = Math.floor(samples.length / per)
  const timesS = new Float64Array(count)
  const values = new Float64Array(count)
  for (let p = 0; p < count; p++) {
    let power = 0
    for (let i = p * per || 1; i < (p + 1) * per; i++) power += (samples[i]! - samples[i - 1]!) ** 2
    timesS[p] = ((p + 0.5) * per) / sampleRateHz
    values[p] = Math.sqrt(power / per)
  }
  return { timesS, values }
}

/** The same about its own slow course, a mean over so many seconds, with knocks cut to what is usual. */
export function aboutItsCourse({ timesS, values }: Series, overS: number): Series {
  const [low, high] = [quantile(values, OUTER), quantile(values, 1 - OUTER)]
  const cut = values.map(v => Math.max(low, Math.min(high, v)))
  const out = new Float64Array(values.length)
  let [from, to, total] = [0, 0, 0]
  for (let i = 0; i < cut.length; i++) {
    while (to < cut.length && timesS[to]! <= timesS[i]! + overS / 2) total += cut[to++]!
    while (timesS[from]! < timesS[i]! - overS / 2) total -= cut[from++]!
    out[i] = cut[i]! - total / (to - from)
  }
  return { timesS, values: out }
}
