import { median, medianAbsoluteDeviation } from '../../base/numbers'

/** A click: when it began, and how far it stands above the quiet, as a ratio. */
export interface Onset {
  readonly atS: number
  readonly strength: number
}

/** What a sound recording holds. */
export interface Heard {
  readonly onsets: readonly Onset[]
  readonly durationS: number
  /** Share of the samples at the end of the scale. */
  readonly clipped: number
  /** Mains frequency that hums through it; null where none does. */
  readonly humHz: 50 | 60 | null
}

/** Loudness is looked at in pieces of this length, s. */
const PIECE_S = 0.0005
/** A click is so many times louder than the quiet, and stands out of its scatter. */
const LOUDER = 2
const SCATTERS = 8
/** A click is so many times louder than the piece just before it: the ringing of the last one is no new one. */
const RISES = 2
/** Sounds closer together than this are one, s: a step rings for about so long. */
export const APART_S = 0.0025
const FULL_SCALE = 0.99
/** A tone with more of the power than this is hum and little else. */
const HUM_SHARE = 0.5
const MAINS = [50, 60] as const

/**
 * Clicks in a recording of sound. Hum is low and clicks are sharp, so that differences from sample to sample are
 * listened to. Time linear in the samples.
 * @param sampleRateHz samples a second @param fullScale what the largest possible sample reads as; null without one
 */
export function hearOnsets(samples: ArrayLike<number>, sampleRateHz: number, fullScale: number | null = 1): Heard {
  const n = samples.length
  const piece = Math.max(1, Math.round(PIECE_S * sampleRateHz))
  const loudness = new Float64Array(Math.ceil(n / piece))
  const ceiling = fullScale === null ? Infinity : FULL_SCALE * fullScale
  let [clipped, power] = [0, 0]
  for (let i = 0; i < n; i++) {
    const x = samples[i]!
    power += x * x
    if (Math.abs(x) >= ceiling) clipped++
    const change = i ? Math.abs(x - samples[i - 1]!) : 0
    const at = Math.floor(i / piece)
    if (change > loudness[at]!) loudness[at] = change
  }
  const durationS = n / sampleRateHz
  return {
    onsets: pick(loudness, piece, samples, sampleRateHz),
    durationS,
    clipped: n ? clipped / n : 0,
    humHz: humIn(samples, sampleRateHz, power),
  }
}

function pick(loudness: Float64Array, piece: number, samples: ArrayLike<number>, rate: number): Onset[] {
  const quiet = median(loudness)
  const scatter = 1.4826 * medianAbsoluteDeviation(loudness)
  const limit = Math.max(quiet * LOUDER, quiet + SCATTERS * scatter, 1e-6)
  const onsets: Onset[] = []
  for (let p = 1; p < loudness.length; p++) {
    const before = Math.max(loudness[p - 1]!, loudness[p - 2] ?? 0)
    if (loudness[p]! < limit || loudness[p]! < RISES * before) continue
    const atS = beginning(samples, p * piece, piece, limit) / rate
    if (onsets.length && atS - onsets.at(-1)!.atS < APART_S) continue
    onsets.push({ atS, strength: loudness[p]! / Math.max(quiet, 1e-9) })
  }
  return onsets
}

/** The first sample of a piece whose change is above the limit. */
function beginning(samples: ArrayLike<number>, from: number, count: number, limit: number): number {
  for (let i = from; i < from + count && i < samples.length; i++)
    if (i && Math.abs(samples[i]! - samples[i - 1]!) >= limit) return i
  return from
}

/** The mains frequency that is most of a sound; null where none is. @param power sum of squares, where it is known */
export function humIn(samples: ArrayLike<number>, sampleRateHz: number, power?: number): 50 | 60 | null {
  let all = power ?? 0
  if (power === undefined) for (let i = 0; i < samples.length; i++) all += samples[i]! ** 2
  return MAINS.find(hz => toneShare(samples, sampleRateHz, hz, all) > HUM_SHARE) ?? null
}

/** Share of the power that is a tone of one frequency (Goertzel). */
function toneShare(samples: ArrayLike<number>, rate: number, hz: number, power: number): number {
  const turn = (2 * Math.PI * hz) / rate
  const twice = 2 * Math.cos(turn)
  let [a, b] = [0, 0]
  for (let i = 0; i < samples.length; i++) [a, b] = [samples[i]! + twice * a - b, a]
  const tone = (2 * (a * a + b * b - twice * a * b)) / Math.max(1, samples.length)
  return power > 0 ? tone / power : 0
}
