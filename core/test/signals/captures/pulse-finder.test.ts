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
})
