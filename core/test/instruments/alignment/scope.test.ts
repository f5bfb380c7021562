import { describe, expect, it } from 'vitest'
import { azimuthOf, lobeOffset, lobeReach } from '../../../src/calculators/alignment'
import { envelopeOf, humpsIn, readScope, type Pattern } from '../../../src/instruments/alignment'
import { readWaveform, type Waveform } from '../../../src/signals/captures'
import { scopeTrace, scopeWav, SOUND_ALIGNMENT, type AlignmentTrack } from '../../../src/simulator'

const wave = (part: Partial<AlignmentTrack>, turns = 1): Waveform => {
  const t = scopeTrace({ ...SOUND_ALIGNMENT, ...part }, turns)
  return {
    fileName: 'scope.wav',
    sampleRateHz: t.sampleRateHz,
    fullScale: null,
    notices: [],
    channels: [
      { name: 'signal', samples: t.signal },
      { name: 'index', samples: t.index },
    ],
  }
}
const value = (w: Waveform, pattern: Pattern, key: string) => Number.parseFloat(readScope(w, pattern).values[key]!)

describe('the envelope', () => {
  it('is the amplitude of a sine, whatever its frequency against the samples', () => {
    for (const hz of [3000, 20_000, 62_500, 110_000]) {
      const samples = Float64Array.from(
        { length: 100_000 },
        (_, i) => 0.4 + 2 * Math.sin((2 * Math.PI * hz * i) / 500_000 + 0.3),
      )
      const { values } = envelopeOf(samples, 500_000)
      expect(Math.min(...values)).toBeGreaterThan(1.85)
      expect(Math.max(...values)).toBeLessThan(2.01)
    }
  })
  it('a click of one part is no lobe', () => {
    const values = new Float64Array(1000).fill(0.02)
    values[300] = 3
    values.fill(1, 500, 700)
    expect(humpsIn({ stepS: 1e-4, values })).toHaveLength(1)
  })
})

describe('lobes from a capture', () => {
  it.each([-60, -20, 0, 15, 40, 75])('%i µm off comes back within 3 µm, by the lobes’ own formula', offsetUm => {
    const w = wave({ offsetUm, seed: 3 })
    const [first, second] = [value(w, 'lobes', 'first'), value(w, 'lobes', 'second')]
    const offset = lobeOffset(Math.min(first, second) / Math.max(first, second), lobeReach(0.33, 0.33, 0.18)) * 1000
    expect(Math.abs(offset - Math.abs(offsetUm))).toBeLessThan(3)
    if (offsetUm !== 0) expect(second > first).toBe(offsetUm > 0)
  })
  it('several turns are put together, and one lobe alone is said', () => {
    expect(readScope(wave({ offsetUm: 20, noise: 0.06 }, 4), 'lobes').turns).toBe(3)
    expect(readScope(wave({ offsetUm: 149, noise: 0.01 }), 'lobes').says).toBe('One lobe alone: the other is gone.')
  })
})

describe('azimuth and index from a capture', () => {
  it.each([-8, 0, 5])('a head turned by %i′ comes back within a minute of arc', azimuthMin => {
    const r = readScope(wave({ pattern: 'azimuth', azimuthMin }), 'azimuth')
    const bursts = [-12, -9, 9, 12].map((angle, i) => ({ angle, amplitude: Number(Object.values(r.values)[i]) }))
    expect(Math.abs(azimuthOf(bursts)! - azimuthMin)).toBeLessThan(1.2)
  })
  it.each([100, 200, 420])('a burst %i µs after the index comes back within 12 µs', indexUs => {
    expect(Math.abs(value(wave({ pattern: 'index', indexUs }), 'index', 'seen') - indexUs)).toBeLessThan(12)
  })
})

describe('a capture as a file', () => {
  it('WAV and CSV of the same trace read the same', () => {
    const t = { ...SOUND_ALIGNMENT, offsetUm: 30 }
    const wav = readWaveform(scopeWav(t), 'a.wav')
    const { signal, index } = scopeTrace(t)
    const csv = readWaveform(
      new TextEncoder().encode(
        `time ms;signal V;index V\n${Array.from(signal, (x, i) => `${(i / 500).toFixed(4).replace('.', ',')};${x.toFixed(5).replace('.', ',')};${index[i]}`).join('\n')}`,
      ),
      'a.csv',
    )
    expect(csv.sampleRateHz).toBeCloseTo(500_000, -2)
    const [a, b] = [wav, csv].map(w => value(w, 'lobes', 'first') / value(w, 'lobes', 'second'))
    expect(a).toBeCloseTo(b!, 2)
  })
  it.each([
    ['time,volt\n1,2\n', /holds 1 rows; expected at least 200/],
    ['a,b\nc,d\n', /no rows of time and amplitude/],
    [`t,v\n${'0,1\n'.repeat(300)}`, /its times do not rise/],
    [
      `t,v\n${Array.from({ length: 300 }, (_, i) => `${i},${i === 150 ? 'x' : 1}`).join('\n')}`,
      /line 152, v: “x” is not a number/,
    ],
  ])('what is no waveform is refused with its place', (text, says) => {
    expect(() => readWaveform(new TextEncoder().encode(text), 's.csv')).toThrow(says)
  })
  it('a WAV that is cut short, or has no sound, says so', () => {
    const whole = scopeWav(SOUND_ALIGNMENT)
    expect(readWaveform(whole.slice(0, 200_000), 's.wav').notices[0]).toMatch(/breaks off \d+ bytes before the end/)
    expect(() => readWaveform(whole.slice(0, 40), 's.wav')).toThrow(/ends before any sound/)
  })
  it('a pattern that is not in it is refused with what was found', () => {
    expect(() => readScope(wave({ pattern: 'index' }), 'azimuth')).toThrow(
      /1 lobe stands out of the noise; expected 4: four bursts/,
    )
  })
})
