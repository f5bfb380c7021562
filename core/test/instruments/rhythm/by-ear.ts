// The default export serves the tests and a plain Node alike.
import wavefile from 'wavefile'
import { noise } from '../../noise'

export interface Turning {
  readonly rpm: number
  readonly seconds: number
  readonly sampleRateHz?: number
  /** Wow: depth as a share of the speed, once every so many seconds. */
  readonly wow?: readonly [depth: number, everyS: number]
}

/** Revolutions at a time, in closed form: an even speed and a slow sine on it. */
export const turnsAt = ({ rpm, wow }: Turning, t: number): number => {
  const even = (rpm / 60) * t
  if (!wow) return even
  const [depth, everyS] = wow
  return even + (rpm / 60) * depth * (everyS / (2 * Math.PI)) * (1 - Math.cos((2 * Math.PI * t) / everyS))
}

/** Samples of something that turns, each from the place in its revolution (0 to 1) and the time. */
export function sampled(of: Turning, value: (place: number, t: number) => number): Float64Array {
  const rate = of.sampleRateHz ?? 48_000
  return Float64Array.from({ length: Math.round(of.seconds * rate) }, (_, i) => {
    const turns = turnsAt(of, i / rate)
    return value(turns - Math.floor(turns), i / rate)
  })
}

/** A WAV file of 16 bits by an independent writer. */
export function wavOf(samples: ArrayLike<number>, sampleRateHz = 48_000): Uint8Array {
  const wav = new wavefile.WaveFile()
  const clip = (x: number) => Math.max(-32768, Math.min(32767, Math.round(x * 32767)))
  wav.fromScratch(1, sampleRateHz, '16', Array.from(samples, clip))
  return wav.toBuffer()
}

/** A rub: noise that swells twice a revolution, once more than the other time. */
export const rub = (strength: number, seed = 1) => {
  const random = noise(seed)
  return (place: number, t: number) => {
    const swell = Math.exp(-(((place - 0.3) / 0.05) ** 2)) + 0.4 * Math.exp(-(((place - 0.75) / 0.03) ** 2))
    return 0.02 * random() * (1 + strength * swell) + 0.05 * Math.sin(2 * Math.PI * 50 * t)
  }
}

/** An index pulse through a resistor: it decays in a millisecond, with noise of a tenth of its height (20 dB). */
export const decayingMark = (rpm: number, seed: number) => {
  const random = noise(seed)
  return (place: number) => {
    const since = (((place + 0.7) % 1) * 60) / rpm
    return 0.5 * Math.exp(-since / 0.001) + 0.05 * Math.sqrt(12) * random()
  }
}
