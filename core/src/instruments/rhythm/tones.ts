import FFT from 'fft.js'
import { median, sampleDeviation, t95, topOfLine } from '../../base/numbers'
import { CLOCK } from './find-rhythm'

/** A tone that stands out of a sound. */
export interface Tone {
  readonly hz: number
  /** Half-width of the 95 % interval, Hz; the clock of the recorder included. */
  readonly uncertainty: number
  /** Power over that of the noise beside it. */
  readonly aboveNoise: number
  /** Multiple of the mains frequency that it may be; null where it is none. */
  readonly mains: { readonly hz: 50 | 60; readonly times: number } | null
}

/** Nobody hears a motor below, and nothing of it above, Hz. */
const LOWEST = 40
const HIGHEST = 6000
/** Tones are told apart to about this, Hz. */
const RESOLUTION = 1.5
/** A tone stands above the noise beside it by this much. */
const CLEAR = 25
const MOST = 6
/** The noise is the median over so many hertz about a tone. */
const BESIDE_HZ = 60
/** So near to a multiple of the mains, as a share of it, a tone may be hum: mains wander by half a per cent at most. */
const MAINS_SHARE = 0.005
/** The sound is looked at in so many parts to tell how sure a tone is. */
const PARTS = 4

/**
 * Tones in a sound, strongest first (Welch 1967: mean power of overlapping windowed pieces). Linear in the samples but
 * for the logarithm of a piece's length.
 */
export function findTones(samples: ArrayLike<number>, sampleRateHz: number): Tone[] {
  const size = 2 ** Math.round(Math.log2(sampleRateHz / RESOLUTION))
  if (samples.length < 2 * size) return []
  const power = spectrum(samples, 0, samples.length, size)
  const perBin = sampleRateHz / size
  const beside = Math.round(BESIDE_HZ / perBin)
  const [from, to] = [
    Math.ceil(LOWEST / perBin),
    Math.min(size / 2 - beside, Math.floor(Math.min(HIGHEST, sampleRateHz * 0.4) / perBin)),
  ]
  const peaks: { bin: number; ratio: number }[] = []
  for (let k = from; k < to; k++) {
    if (power[k]! < power[k - 1]! || power[k]! <= power[k + 1]!) continue
    const noise = median(power.subarray(Math.max(1, k - beside), k + beside)) / Math.LN2
    const ratio = power[k]! / Math.max(noise, 1e-300)
    if (ratio > CLEAR) peaks.push({ bin: k, ratio })
  }
  peaks.sort((a, b) => power[b.bin]! - power[a.bin]!)
  const chosen = peaks
    .filter((p, i) => !peaks.slice(0, i).some(q => Math.abs(q.bin - p.bin) < 4 && power[q.bin]! > power[p.bin]!))
    .slice(0, MOST)
  return chosen.map(({ bin, ratio }) => {
    const hz = topOfLine(power, bin) * perBin
    return { hz, uncertainty: howSure(samples, size, hz, bin, perBin), aboveNoise: ratio, mains: mainsOf(hz) }
  })
}

/** Mean power of pieces that overlap by half, under a Hann window. */
function spectrum(samples: ArrayLike<number>, from: number, to: number, size: number): Float64Array {
  const fft = new FFT(size)
  const out = fft.createComplexArray() as number[]
  const window = Float64Array.from({ length: size }, (_, i) => 0.5 - 0.5 * Math.cos((2 * Math.PI * (i + 0.5)) / size))
  const piece = new Array<number>(size).fill(0)
  const power = new Float64Array(size / 2)
  for (let at = from; at + size <= to; at += size / 2) {
    for (let i = 0; i < size; i++) piece[i] = samples[at + i]! * window[i]!
    fft.realTransform(out, piece)
    for (let k = 0; k < power.length; k++) power[k]! += out[2 * k]! ** 2 + out[2 * k + 1]! ** 2
  }
  return power
}

/** How far the parts of the sound differ in a tone; a tenth of a bin at least. */
function howSure(samples: ArrayLike<number>, size: number, hz: number, bin: number, perBin: number): number {
  const part = Math.floor(samples.length / PARTS)
  const least = 0.1 * perBin
  if (part < size) return Math.hypot(perBin / 2, CLOCK * hz)
  const found = Array.from({ length: PARTS }, (_, p) => {
    const power = spectrum(samples, p * part, (p + 1) * part, size)
    let best = bin
    for (let k = bin - 3; k <= bin + 3; k++) if (power[k]! > power[best]!) best = k
    return topOfLine(power, best) * perBin
  })
  const scatter = (t95(PARTS - 1) * sampleDeviation(found)) / Math.sqrt(PARTS)
  return Math.hypot(Math.max(least, scatter), CLOCK * hz)
}

function mainsOf(hz: number): Tone['mains'] {
  for (const mains of [50, 60] as const) {
    const times = Math.round(hz / mains)
    if (times >= 1 && times <= 12 && Math.abs(hz / (times * mains) - 1) < MAINS_SHARE) return { hz: mains, times }
  }
  return null
}

/** A speed that a tone would be, and how many times a revolution it sounds then. */
export interface ToneSpeed {
  readonly perRevolution: number
  readonly rpm: number
  readonly uncertainty: number
}

/** So far off nominal, as a share, a motor is thought of where nobody says how often its tone comes. */
const NEAR = 0.1
const MOST_PER_REVOLUTION = 400

/**
 * Speeds that a tone may be: a motor hums with its poles and whines with its commutator or gear, a whole number of
 * times a revolution. With many times a revolution several numbers fit, and the tone alone cannot tell which.
 * @param nominalRpm what the part should turn at @param perRevolution how often it sounds, where that is known
 */
export function speedsOfTone(
  { hz, uncertainty }: Pick<Tone, 'hz' | 'uncertainty'>,
  nominalRpm: number,
  perRevolution?: number,
): ToneSpeed[] {
  const speed = (n: number): ToneSpeed => ({
    perRevolution: n,
    rpm: (60 * hz) / n,
    uncertainty: (60 * uncertainty) / n,
  })
  if (perRevolution !== undefined) return [speed(perRevolution)]
  const [least, most] = [(60 * hz) / nominalRpm / (1 + NEAR), (60 * hz) / nominalRpm / (1 - NEAR)]
  const counts: number[] = []
  for (let n = Math.max(1, Math.ceil(least)); n <= Math.min(MOST_PER_REVOLUTION, most); n++) counts.push(n)
  return counts.map(speed).sort((a, b) => Math.abs(a.rpm - nominalRpm) - Math.abs(b.rpm - nominalRpm))
}
