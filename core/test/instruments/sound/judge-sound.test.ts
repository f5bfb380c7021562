import { WaveFile } from 'wavefile'
import { describe, expect, it } from 'vitest'
import { judgeSound } from '../../../src/instruments/sound'
import { readWaveform } from '../../../src/signals/captures'
import { Random } from '../../../src/simulator'

const RATE = 48_000

interface Scene {
  readonly seconds: number
  /** When a step sounds, s. */
  readonly clicks: readonly number[]
  readonly noise?: number
  readonly hum?: number
  readonly gain?: number
}

/** A drive as a microphone hears it: each click rings at 3 kHz for two milliseconds; noise and mains hum beside it. */
function scene({ seconds, clicks, noise = 0.005, hum = 0, gain = 1 }: Scene): Float64Array {
  const random = new Random(5)
  const samples = Float64Array.from(
    { length: seconds * RATE },
    (_, i) => noise * random.gaussian() + hum * Math.sin((2 * Math.PI * 50 * i) / RATE),
  )
  for (const at of clicks)
    for (let k = 0; k < 0.012 * RATE; k++) {
      const i = Math.round(at * RATE) + k
      if (i < samples.length)
        samples[i]! += 0.3 * Math.exp(-k / (0.002 * RATE)) * Math.sin((2 * Math.PI * 3000 * k) / RATE)
    }
  return samples.map(x => Math.max(-1, Math.min(1, gain * x)))
}
/** Through a WAV file of 16 bits by an independent writer, and our reader. */
function throughFile(samples: Float64Array) {
  const wav = new WaveFile()
  wav.fromScratch(
    1,
    RATE,
    '16',
    Array.from(samples, x => Math.round(x * 32767)),
  )
  return readWaveform(wav.toBuffer(), 'drive.wav')
}
const judge = (s: Scene, context = {}) => judgeSound(throughFile(scene(s)), context)
const row = (from: number, count: number, everyS: number) => Array.from({ length: count }, (_, i) => from + i * everyS)

describe('steps by their sound', () => {
  it.each([3, 6, 12, 20])('are counted and timed at %i ms a step', ms => {
    const { seeks } = judge({ seconds: 3, clicks: [...row(0.4, 10, ms / 1000), ...row(1.6, 35, ms / 1000)] })
    expect(seeks.map(s => s.heard)).toEqual([10, 35])
    for (const s of seeks) {
      expect(s.stepMs).toBeCloseTo(ms, 1)
      expect(s.silent).toBe(0)
    }
  })
  it('are found within half a millisecond of when they came, under noise and hum', () => {
    const clicks = [0.5, 0.9, 1.7, 2.3]
    const { heard } = judge({ seconds: 3, clicks, noise: 0.01, hum: 0.2 })
    const { onsets } = heard
    expect(onsets).toHaveLength(4)
    onsets.forEach((o, i) => expect(Math.abs(o.atS - clicks[i]!)).toBeLessThan(0.0005))
  })
  it('agree with what the host was told, or are told apart, and never prove that the heads moved', () => {
    const clicks = [...row(0.3, 20, 0.006), ...row(1, 20, 0.006)]
    expect(judge({ seconds: 2, clicks }, { steps: 20 }).call.kind).toBe('leave')
    // Two steps of the second seek make no sound.
    const less = judge({ seconds: 2, clicks: clicks.filter((_, i) => i !== 25 && i !== 26) }, { steps: 20 })
    expect(less.seeks[1]).toMatchObject({ heard: 18, silent: 2 })
    expect(less.call.kind).toBe('unknown')
  })
  it('of a seek that the recording cuts off are not counted', () => {
    const seeks = [0.02, 0.7, 1.95].flatMap(t => row(t, 20, 0.006))
    const judged = judge({ seconds: 2, clicks: seeks.filter(t => t < 2) }, { steps: 20 })
    expect(judged.seeks.map(s => s.heard)).toEqual([20])
    expect(judged.call.kind).toBe('leave')
  })
  it('say nothing without a number to compare with', () => {
    expect(judge({ seconds: 2, clicks: row(0.3, 20, 0.006) }).call.kind).toBe('unknown')
  })
})

describe('a cartridge drive that clicks', () => {
  const cartridge = { mechanism: 'cartridge' } as const
  it('is a stop, with its rhythm', () => {
    // Each try is a pair of sounds: the heads go out and come in.
    const clicks = row(0.5, 8, 0.9).flatMap(t => [t, t + 0.08])
    const { call, rhythm } = judge({ seconds: 9, clicks }, cartridge)
    expect(call.kind).toBe('stop')
    expect(rhythm!.everyS).toBeCloseTo(0.9, 2)
  })
  it('is not told by knocks at random, by a single start, or in another drive', () => {
    expect(judge({ seconds: 9, clicks: [0.5, 0.9, 2.9, 3.6, 6.2, 8.1] }, cartridge).call.kind).not.toBe('stop')
    expect(judge({ seconds: 9, clicks: [0.5, 0.58, 1.4] }, cartridge).call.kind).not.toBe('stop')
    expect(judge({ seconds: 9, clicks: row(0.5, 8, 0.9) }, { mechanism: '3.5in' }).call.kind).not.toBe('stop')
  })
})

describe('sound that tells nothing', () => {
  it.each<[string, Scene, RegExp]>([
    ['silence', { seconds: 2, clicks: [], noise: 0 }, /No click/],
    ['noise', { seconds: 2, clicks: [], noise: 0.05 }, /No click/],
    ['hum', { seconds: 2, clicks: [], noise: 0.001, hum: 0.4 }, /hum of 50 Hz/],
    ['clipping', { seconds: 2, clicks: row(0.3, 60, 0.02), gain: 20 }, /clipped/],
  ])('is said to: %s', (_, s, said) => {
    const { call } = judge(s, { steps: 10 })
    expect(call.kind).toBe('unknown')
    expect(call.reasons.join(' ')).toMatch(said)
  })
})
