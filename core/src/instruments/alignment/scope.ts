import { InputError } from '../../base/errors'
import type { Waveform } from '../../signals/captures'
import { quantile } from '../../base/numbers'
import { envelopeOf, type Envelope } from './envelope'

/** What an alignment track shows. */
export const PATTERNS = { lobes: 'two lobes', azimuth: 'four bursts', index: 'a burst after index' } as const
export type Pattern = keyof typeof PATTERNS

/** A stretch in which the envelope stands up. */
export interface Hump {
  readonly fromS: number
  readonly toS: number
  readonly peakS: number
  readonly amplitude: number
}

export interface ScopeReading {
  readonly pattern: Pattern
  readonly envelope: Envelope
  /** Humps that the reading was taken from, in order of time; of several turns the first. */
  readonly humps: readonly Hump[]
  readonly turns: number
  /** What to type into the sum that judges it, in its own fields. */
  readonly values: Readonly<Record<string, string>>
  readonly says: string
}

/** Where a hump begins and ends, share of the loudest. */
const RISE = 0.3
/** Shorter than this share of the capture it is a click. */
const CLICK = 0.004

/**
 * Noise lifts the peaks of a strong signal by about 1.1 of its deviations, and the envelope of the quiet parts to
 * about 1.9: this share of the floor comes off.
 */
const NOISE_ADDS = 0.6

/** How much higher than the quiet parts a hump must be. */
const STANDS_OUT = 2

/** Stretches in which the envelope stands over noise and over a share of its loudest. */
export function humpsIn({ stepS, values }: Envelope, share = RISE): Hump[] {
  const sorted = [...values]
  const [floor, top] = [quantile(sorted, 0.1), quantile(sorted, 0.995)]
  // Noise alone has peaks as well, though none twice as high as its quiet parts.
  if (!(top > STANDS_OUT * floor)) return []
  const threshold = floor + (top - floor) * share
  const humps: Hump[] = []
  for (let i = 0; i < values.length;) {
    if (values[i]! < threshold) {
      i++
      continue
    }
    let end = i
    while (end < values.length && values[end]! >= threshold) end++
    const own = [...values.subarray(i, end)]
    // Its height is that of its upper part, not of one spike.
    const amplitude = quantile(own, 0.9) - NOISE_ADDS * floor
    const peak = own.indexOf(Math.max(...own)) + i
    if (end - i > Math.max(2, values.length * CLICK))
      humps.push({ fromS: i * stepS, toS: end * stepS, peakS: peak * stepS, amplitude })
    i = end
  }
  return humps
}

/** Where an index channel falls, seconds; none where there is no such channel. */
function indexFalls(wave: Waveform): number[] {
  const channel = wave.channels[1]
  if (!channel) return []
  let [low, high] = [Infinity, -Infinity]
  for (const x of channel.samples) {
    if (x < low) low = x
    if (x > high) high = x
  }
  const middle = (low + high) / 2
  const falls: number[] = []
  for (let i = 1; i < channel.samples.length; i++)
    if (channel.samples[i - 1]! >= middle && channel.samples[i]! < middle) falls.push(i / wave.sampleRateHz)
  return falls
}

/**
 * Reads an alignment track from a scope capture: the envelope is found, the humps in it, and their heights or times.
 * @throws InputError where the pattern is not in it: says how many humps were found and how many belong there
 */
export function readScope(wave: Waveform, pattern: Pattern): ScopeReading {
  const envelope = envelopeOf(wave.channels[0]!.samples, wave.sampleRateHz)
  const index = indexFalls(wave)
  const all = humpsIn(envelope, pattern === 'lobes' ? 0.12 : RISE).filter(
    h => index.length === 0 || h.fromS >= index[0]! - 2 * envelope.stepS,
  )
  const wanted = { lobes: 2, azimuth: 4, index: 1 }[pattern]
  const humps = all.slice(0, wanted)
  if (humps.length < wanted) {
    if (pattern === 'lobes' && humps.length === 1)
      return lobes([humps[0]!, { ...humps[0]!, amplitude: 0 }], [humps[0]!])
    throw new InputError(
      `${all.length === 0 ? 'no lobe stands' : `${all.length} ${all.length === 1 ? 'lobe stands' : 'lobes stand'}`} out of the noise`,
      `${wanted}: ${PATTERNS[pattern]} of an alignment track`,
      { file: wave.fileName },
    )
  }
  const turns = Math.max(1, Math.floor(all.length / wanted))
  // Of several turns, each place is the middle one of its humps.
  const place = (k: number) =>
    quantile(
      Array.from({ length: turns }, (_, t) => all[t * wanted + k]!.amplitude),
      0.5,
    )
  if (pattern === 'lobes')
    return lobes(
      humps.map((h, k) => ({ ...h, amplitude: place(k) })),
      humps,
    )
  if (pattern === 'azimuth') {
    const heights = [0, 1, 2, 3].map(place)
    return {
      pattern,
      envelope,
      humps,
      turns,
      values: Object.fromEntries(['a', 'b', 'c', 'd'].map((k, i) => [k, digits(heights[i]!)])),
      says: `Bursts of ${heights.map(digits).join(', ')}.`,
    }
  }
  const seen = beginOf(wave, humps[0]!, envelope.stepS) - (index[0] ?? 0)
  return {
    pattern,
    envelope,
    humps,
    turns,
    values: { seen: `${(seen * 1e6).toFixed(0)} us` },
    says: `The burst begins ${(seen * 1e6).toFixed(0)} µs after ${index.length ? 'the index falls' : 'the recording begins, taken as the index'}.`,
  }

  function lobes(two: readonly Hump[], shown: readonly Hump[]): ScopeReading {
    const [a, b] = two.map(h => h.amplitude) as [number, number]
    return {
      pattern,
      envelope,
      humps: shown,
      turns: Math.max(1, Math.floor(all.length / 2)),
      values: { first: digits(a), second: digits(b) },
      says:
        b === 0
          ? 'One lobe alone: the other is gone.'
          : `Lobes of ${digits(a)} and ${digits(b)}: ${Math.round((100 * Math.min(a, b)) / Math.max(a, b))} %.`,
    }
  }
}

/** When a burst begins, to a quarter of its carrier: the first sample that reaches half of its height. */
function beginOf({ channels, sampleRateHz }: Waveform, hump: Hump, stepS: number): number {
  const { samples } = channels[0]!
  let mean = 0
  for (const x of samples) mean += x / samples.length
  const from = Math.max(0, Math.round((hump.fromS - 2 * stepS) * sampleRateHz))
  for (let i = from; i < samples.length; i++)
    if (Math.abs(samples[i]! - mean) > hump.amplitude / 2) return i / sampleRateHz
  return hump.fromS
}

const digits = (x: number) => Number(x.toPrecision(4)).toString()
