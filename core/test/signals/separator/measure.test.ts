import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { quantile } from '../../../src/base/numbers'
import {
  fluxOf,
  nearestCells,
  PHASE_BINS,
  PHASE_PARTS,
  separate,
  TimingMeter,
  type Separated,
} from '../../../src/signals/separator'
import {
  FORMATS,
  halfCellOf,
  rankFormats,
  readTrack,
  recogniseTrack,
  writeTrack,
  ZONES,
  type Format,
} from '../../../src/signals/codes'
import { SeparatorRoom } from '../../../src/signals/separator/separator'
import { GrowableDoubles, cutStretch, vcdChunks, writeVcd } from '../../../src/signals/captures'
import { Random } from '../../../src/simulator'

const format: Format = { code: 'MFM', rate: 250_000 }
const sectors = (n: number, seed = 1) => {
  const random = new Random(seed)
  return Array.from({ length: n }, (_, i) => ({
    cylinder: 2,
    head: 0,
    sector: i + 1,
    data: Uint8Array.from({ length: 512 }, () => Math.floor(random.next() * 256)),
  }))
}
const flux = (jitter: number, seed = 3) => {
  const random = new Random(seed)
  return fluxOf(writeTrack(format, sectors(9), 0.2), halfCellOf(format))
    .map(t => t + random.gaussian() * jitter * halfCellOf(format))
    .sort()
}

describe('the timing margin', () => {
  it('is the 1st percentile of what transitions leave of half the window, as sorting them gives it', () => {
    fc.assert(
      fc.property(
        fc.array(fc.double({ min: -0.499, max: 0.499, noNaN: true }), { minLength: 50, maxLength: 400 }),
        phases => {
          const s: Separated = {
            cells: new Uint8Array(phases.length),
            at: Int32Array.from(phases, (_, i) => i),
            times: new Float64Array(phases.length),
            phase: Int32Array.from(phases, p => p * PHASE_PARTS),
          }
          const meter = new TimingMeter()
          const margin = meter.take(s, 0, phases.length)
          const left = phases.map(p => 1 - 2 * Math.abs(p)).sort((a, b) => a - b)
          // By rank: the value below which a hundredth of them lies, within a bin and a rank.
          expect(margin).toBeGreaterThan(left[0]! - 0.01)
          expect(margin).toBeLessThan(left[Math.ceil(left.length * 0.01)]! + 0.01)
          expect(meter.histogram.reduce((a, b) => a + b, 0)).toBe(phases.length)
          expect(meter.histogram).toHaveLength(PHASE_BINS)
        },
      ),
      { numRuns: 60 },
    )
    expect(new TimingMeter().margin).toBeNaN()
  })
  it('agrees with the quantile of the phases of a real track', () => {
    const s = separate(flux(0.05), { halfCellS: halfCellOf(format) })
    const meter = new TimingMeter()
    meter.take(s, 0, s.cells.length)
    expect(meter.margin).toBeCloseTo(
      quantile(
        Float64Array.from(s.phase, p => 1 - (2 * Math.abs(p)) / PHASE_PARTS),
        0.01,
      ),
      2,
    )
  })
})

describe('shift and asymmetry', () => {
  it('are what adding up by their definition gives, whatever the pattern', () => {
    const gap = fc.integer({ min: 1, max: 6 })
    const off = fc.double({ min: -0.49, max: 0.49, noNaN: true })
    fc.assert(
      fc.property(fc.array(fc.tuple(gap, off), { minLength: 60, maxLength: 300 }), transitions => {
        let cell = 0
        const at = Int32Array.from(transitions, ([g]) => (cell += g))
        const phases = transitions.map(([, p]) => p)
        const s = { cells: new Uint8Array(cell + 1), at, times: new Float64Array(at.length) }
        const meter = new TimingMeter()
        meter.take({ ...s, phase: Int32Array.from(phases, p => p * PHASE_PARTS) }, at[0]!, cell + 1)
        const mean = (keep: (i: number) => boolean) => {
          const kept = phases.filter((_, i) => keep(i))
          return kept.length ? kept.reduce((a, b) => a + b, 0) / kept.length : Number.NaN
        }
        const inside = (i: number) => i > 0 && i < at.length - 1
        const [before, after] = [(i: number) => at[i]! - at[i - 1]!, (i: number) => at[i + 1]! - at[i]!]
        const early = mean(i => inside(i) && before(i) < after(i))
        const late = mean(i => inside(i) && before(i) > after(i))
        expect(meter.shift).toBeCloseTo(Number.isNaN(early - late) ? 0 : early - late, 4)
        expect(meter.asymmetry).toBeCloseTo(Math.abs(mean(i => i % 2 === 0) - mean(i => i % 2 === 1)), 4)
      }),
      { numRuns: 80 },
    )
  })
})

describe('the separator’s room', () => {
  it('used again, it gives what a fresh one gives, whatever lay in it', () => {
    const room = new SeparatorRoom()
    for (const seed of [1, 2, 3]) {
      const times = flux(0.08, seed).subarray(0, 20_000 - seed * 5000)
      const [again, fresh] = [separate(times, { halfCellS: 2e-6 }, room), separate(times, { halfCellS: 2e-6 })]
      expect(again.cells).toEqual(fresh.cells)
      expect(again.at).toEqual(fresh.at)
      expect(again.phase).toEqual(fresh.phase)
    }
  })
  it('a long pause starts it again', () => {
    const times = Float64Array.of(0, 4e-6, 8e-6, 2e-3, 2.004e-3, 2.01e-3)
    expect([...separate(times, { halfCellS: 2e-6 }).at].map((a, i, all) => (i ? a - all[i - 1]! : 0)).slice(1)).toEqual(
      [2, 2, 996, 2, 3],
    )
  })
})

describe('codes and rates', () => {
  it('the rate that fits best is tried first', () => {
    expect(halfCellOf(rankFormats(flux(0.05))[0]!)).toBe(2e-6)
    expect(rankFormats(new Float64Array(0))).toHaveLength(FORMATS.length)
  })
  it('a zone is not taken for its neighbour, though the separator could follow either', () => {
    for (const z of ZONES) {
      const own: Format = { code: '4-to-5', rate: 1e6 / z.cellUs }
      const data = Array.from({ length: z.sectors }, (_, i) => ({
        cylinder: 1,
        head: 0,
        sector: i,
        data: new Uint8Array(256).fill(i * 7),
      }))
      const times = fluxOf(writeTrack(own, data, 0.2), halfCellOf(own))
      for (const likely of FORMATS.filter(f => f.code === '4-to-5'))
        expect(recogniseTrack(times, undefined, {}, likely)!.format.rate).toBe(own.rate)
    }
  })
  it('only the code that is asked for is tried', () => {
    expect(
      recogniseTrack(
        flux(0.02),
        FORMATS.filter(f => f.code === 'FM'),
      ),
    ).toBeNull()
  })
  it('a plain decoder reads clean flux at its own speed', () => {
    const times = fluxOf(writeTrack(format, sectors(9), 0.2), halfCellOf(format))
    expect(nearestCells(times, halfCellOf(format)).reduce((a, b) => a + b, 0)).toBe(times.length)
    expect(readTrack(times, format).sectors).toHaveLength(9)
  })
})

describe('long recordings', () => {
  it('a list grows in place without losing a value', () => {
    const list = new GrowableDoubles()
    for (let i = 0; i < 2_500_000; i++) list.push(i * 0.5)
    list.pop()
    expect(list.newest()).toBe(2_499_998 * 0.5)
    expect(list.copyFrom(2_499_997)).toEqual(Float64Array.of(2_499_997 * 0.5, 2_499_998 * 0.5))
    const taken = list.take()
    expect(taken).toHaveLength(2_499_999)
    expect([taken[0], taken[1_048_577], taken.at(-1)]).toEqual([0, 1_048_577 * 0.5, 2_499_998 * 0.5])
    expect(list.length).toBe(0)
    expect(list.newest()).toBe(Number.NEGATIVE_INFINITY)
  })
  it('pieces of a dump are the dump, and a stretch begins with the levels that stood there', () => {
    const channel = {
      name: 'A',
      edges: { initial: 1 as const, times: Float64Array.from({ length: 20_001 }, (_, i) => i * 1e-4), gaps: [] },
    }
    expect([...vcdChunks([channel], { tickNs: 100 })].length).toBeGreaterThan(2)
    expect([...vcdChunks([channel], { tickNs: 100 })].join('')).toBe(writeVcd([channel], { tickNs: 100 }))
    const [cut] = cutStretch([channel], 0.00015, 0.00055)
    expect(cut!.edges.initial).toBe(1)
    expect([...cut!.edges.times].map(t => Math.round(t * 1e7))).toEqual([500, 1500, 2500, 3500])
  })
})
