import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { PulseFinder } from '../../../src/signals/captures/pulse-finder'
import { Random } from '../../../src/simulator'

const RATE = 4000

/** Runs a signal through a finder and gives the starts of its pulses. */
function starts(signal: (t: number) => number, seconds: number, polarity?: 'positive' | 'negative') {
  const finder = new PulseFinder(RATE, 100_000)
  for (let i = 0; i < seconds * RATE; i++) finder.push(i / RATE, signal(i / RATE))
  const { channel, polarity: found } = finder.finish('x', polarity)
  return { found, at: Array.from(channel.edges!.times).filter((_, i) => i % 2 === 0) }
}

/** A spike every fifth of a second, ringing down. */
const spike = (t: number) => Math.exp(-((t + 0.1) % 0.2) / 0.003)

describe('finding pulses in a sampled signal', () => {
  it('does not care for amplitude, offset or direction', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.001, max: 1000, noNaN: true }),
        fc.double({ min: -5, max: 5, noNaN: true }),
        fc.boolean(),
        (scale, offset, upside) => {
          const sign = upside ? 1 : -1
          const { found, at } = starts(t => sign * scale * (spike(t) + offset), 4)
          expect(found).toBe(upside ? 'positive' : 'negative')
          expect(at.length).toBeGreaterThanOrEqual(19)
          expect(at.length).toBeLessThanOrEqual(20)
          for (let i = 1; i < at.length; i++) expect(at[i]! - at[i - 1]!).toBeCloseTo(0.2, 3)
        },
      ),
      { numRuns: 40, seed: 5 },
    )
  })

  it('stands noise of a tenth of the pulse, and mains hum of a fifth', () => {
    const random = new Random(12)
    const { at } = starts(t => spike(t) + 0.03 * random.gaussian() + 0.2 * Math.sin(2 * Math.PI * 50 * t), 10)
    expect(Math.abs(at.length - 50)).toBeLessThanOrEqual(2)
  })

  it('follows a pickup that fades to a fifth', () => {
    const { at } = starts(t => (1 - 0.08 * t) * spike(t), 10)
    expect(at.length).toBeGreaterThanOrEqual(49)
  })

  it('finds the edges of a square index line between samples', () => {
    const period = 0.19973
    const { at, found } = starts(t => (t % period < 0.004 ? 0 : 5), 12, 'negative')
    expect(found).toBe('negative')
    const turns = at.slice(1).map((t, i) => t - at[i]!)
    expect(turns.reduce((a, b) => a + b) / turns.length).toBeCloseTo(period, 5)
  })

  it('finds none in noise alone that would pass for a spindle', () => {
    const random = new Random(4)
    const { at } = starts(() => random.gaussian(), 10)
    const gaps = at.slice(1).map((t, i) => t - at[i]!)
    const mean = gaps.reduce((a, b) => a + b, 0) / Math.max(1, gaps.length)
    const spread = Math.sqrt(gaps.reduce((a, b) => a + (b - mean) ** 2, 0) / Math.max(1, gaps.length)) / mean
    expect(at.length < 4 || spread > 0.3).toBe(true)
  })

  it('takes a very short signal without complaint', () => {
    for (const n of [0, 1, 5]) expect(starts(() => 1, n / RATE).at).toEqual([])
  })

  /** Pulses of either direction in noise, as whole numbers; two channels side by side. */
  const whole = fc.record({
    seed: fc.integer({ min: 1, max: 1000 }),
    rate: fc.constantFrom(4000, 8000, 48_000),
    high: fc.integer({ min: 5, max: 30_000 }),
    noise: fc.double({ min: 0, max: 0.2, noNaN: true }),
    offset: fc.integer({ min: -2000, max: 2000 }),
    cuts: fc.array(fc.integer({ min: 1, max: 3000 }), { minLength: 1, maxLength: 9 }),
  })
  const signal = ({
    seed,
    rate,
    high,
    noise,
    offset,
  }: { [K in 'seed' | 'rate' | 'high' | 'noise' | 'offset']: number }) => {
    const random = new Random(seed)
    return Int16Array.from(
      { length: 2 * rate },
      (_, i) => high * (spike(i / rate) + noise * random.gaussian()) + offset,
    )
  }

  it('finds the same however the samples come in pieces, and beside those of another channel', () => {
    fc.assert(
      fc.property(whole, given => {
        const x = signal(given)
        const finder = () => new PulseFinder(given.rate, 100_000)
        const edges = (f: PulseFinder) => f.finish('x').channel.edges!.times
        const [once, pieces, beside] = [finder(), finder(), finder()]
        once.pushAll(x, 0, given.rate)
        for (let at = 0, k = 0; at < x.length; k++) {
          const n = given.cuts[k % given.cuts.length]!
          pieces.pushAll(x.subarray(at, at + n), at, given.rate)
          at += n
        }
        beside.pushAll(
          Int16Array.from({ length: 2 * x.length }, (_, i) => (i % 2 ? x[i >> 1]! : 7 * i)),
          0,
          given.rate,
          1,
          2,
        )
        const all = edges(once)
        expect(edges(pieces)).toEqual(all)
        expect(edges(beside)).toEqual(all)
      }),
      { numRuns: 60 },
    )
  })

  it('finds the same as by looking at each sample by itself', () => {
    fc.assert(
      fc.property(whole, given => {
        const x = signal(given)
        const [each, together] = [new PulseFinder(given.rate, 100_000), new PulseFinder(given.rate, 100_000)]
        x.forEach((v, i) => each.push(i / given.rate, v))
        together.pushAll(Float64Array.from(x), 0, given.rate)
        expect(together.finish('x')).toEqual(each.finish('x'))
      }),
      { numRuns: 60 },
    )
  })
})
