import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { InputError } from '../../../src/base/errors'
import { bytesSource, readCapture, writeVcd } from '../../../src/signals/captures'
import { reportBus, reportJson } from '../../../src/instruments/interface'
import { readSweep, judgeSweep } from '../../../src/instruments/alignment'
import { edgesFromFlux, fluxFromEdges, PHASE_PARTS, separate } from '../../../src/signals/separator'
import {
  FORMATS,
  mergeTurns,
  readFiveAndThreeSectors,
  readGroupSectors,
  readQuickBlocks,
  readSectors,
  readSixAndTwoSectors,
  readSplitSectors,
  readTrack,
} from '../../../src/signals/codes'
import { exampleSpec, Random, readSpec, recordReading } from '../../../src/simulator'
import { driveWith } from '../../instruments/interface/helpers'

/** Half cells at random, with runs as flux has them. */
const noise = (seed: number, n = 20_000) => {
  const random = new Random(seed)
  const cells = new Uint8Array(n)
  for (let i = 0; i < n; i += 1 + Math.floor(random.next() * 5)) cells[i] = 1
  return cells
}

describe('whatever comes, decoders give sectors or none', () => {
  const decoders = {
    FM: (c: Uint8Array) => readSectors(c, 'FM'),
    MFM: (c: Uint8Array) => readSectors(c, 'MFM'),
    split: readSplitSectors,
    group: readGroupSectors,
    six: readSixAndTwoSectors,
    five: readFiveAndThreeSectors,
    quick: readQuickBlocks,
  }
  it.each(Object.entries(decoders))(
    '%s: noise never passes a check, and sectors lie within the stream',
    (_, decode) => {
      for (let seed = 1; seed <= 12; seed++) {
        const cells = noise(seed)
        for (const s of decode(cells)) {
          expect(s.status).not.toBe('good')
          expect(s.fromCell).toBeGreaterThanOrEqual(0)
          expect(s.toCell).toBeLessThanOrEqual(cells.length)
        }
      }
    },
  )
  it.each(Object.entries(decoders))('%s: a stream that ends anywhere is no fault', (_, decode) => {
    const cells = noise(99, 3000)
    for (let n = 0; n < 300; n += 7) expect(() => decode(cells.subarray(0, n))).not.toThrow()
  })
  it('any rising times go through any format', () => {
    fc.assert(
      fc.property(
        fc.array(fc.double({ min: 1e-7, max: 1e-3, noNaN: true }), { maxLength: 300 }),
        fc.constantFrom(...FORMATS),
        (gaps, format) => {
          let t = 0
          const times = Float64Array.from(gaps, g => (t += g))
          const track = readTrack(times, format)
          expect(mergeTurns(track.sectors).every(s => s.state !== 'good')).toBe(true)
          const s = separate(times, { halfCellS: 2e-6 })
          for (let i = 1; i < s.at.length; i++) expect(s.at[i]!).toBeGreaterThan(s.at[i - 1]!)
          for (const p of s.phase) expect(Math.abs(p / PHASE_PARTS)).toBeLessThan(1e3)
        },
      ),
      { numRuns: 80 },
    )
  })
  it('a read line keeps the order of its changes, however close its pulses come', () => {
    fc.assert(
      fc.property(fc.array(fc.double({ min: 0, max: 2e-6, noNaN: true }), { minLength: 1, maxLength: 200 }), gaps => {
        let t = 0
        const line = edgesFromFlux(Float64Array.from(gaps, g => (t += g)))
        for (let i = 1; i < line.times.length; i++) expect(line.times[i]!).toBeGreaterThan(line.times[i - 1]!)
        expect(fluxFromEdges(line).length * 2).toBe(line.times.length)
      }),
    )
  })
})

describe('a recording that is damaged', () => {
  const r = recordReading(
    driveWith(d => ({ carriage: { ...d.carriage, startCylinder: 0 } })),
    { cylinders: [0, 1], heads: [0], turns: 1 },
  )
  const text = writeVcd(r.channels, { tickNs: 10, durationS: r.durationS })
  const judged = async (damaged: string) => {
    try {
      return reportBus(await readCapture(bytesSource('damaged.vcd', new TextEncoder().encode(damaged))))
    } catch (error) {
      // One sentence with the place, or an answer; nothing else.
      expect(error).toBeInstanceOf(InputError)
      return null
    }
  }
  it('cut anywhere: what is whole is kept, and nothing is called bad for the cut', async () => {
    const random = new Random(17)
    for (let i = 0; i < 8; i++) {
      const report = await judged(text.slice(0, Math.floor(text.length * (0.1 + 0.9 * random.next()))))
      expect(report?.totals.bad ?? 0).toBe(0)
      expect(() => JSON.stringify(report && reportJson(report))).not.toThrow()
    }
  })
  it('with letters changed anywhere: an answer or one sentence', async () => {
    const random = new Random(23)
    for (let i = 0; i < 8; i++) {
      const at = Math.floor(random.next() * text.length)
      const report = await judged(
        text.slice(0, at) + String.fromCharCode(33 + Math.floor(random.next() * 90)) + text.slice(at + 1),
      )
      if (report) expect(report.call.reasons.length).toBeGreaterThan(0)
    }
  })
  it('with a line left out: every other line still says what it says', () => {
    for (const gone of r.channels.map(c => c.name)) {
      const report = reportBus({
        fileName: 'part.vcd',
        format: 'vcd',
        durationS: r.durationS,
        notices: [],
        channels: r.channels
          .filter(c => c.name !== gone)
          .map(c => ({ name: c.name, edges: c.edges, edgeCount: c.edges.times.length })),
      })
      expect(report.call.reasons.length, gone).toBeGreaterThan(0)
      if (gone !== 'READ_DATA' && gone !== 'STEP' && gone !== 'DIRECTION') expect(report.totals.good, gone).toBe(18)
    }
  })
})

describe('what a person writes', () => {
  it('a specification with anything in any place is taken or refused in a sentence', () => {
    const example = exampleSpec('3.5in')
    const paths = (x: unknown, at: string[]): string[][] =>
      typeof x === 'object' && x !== null && !Array.isArray(x)
        ? Object.entries(x).flatMap(([k, v]) => (k.startsWith('//') ? [] : paths(v, [...at, k])))
        : [at]
    const all = paths(example, [])
    fc.assert(
      fc.property(
        fc.constantFrom(...all),
        fc.oneof(fc.jsonValue(), fc.double(), fc.constant(undefined)),
        (path, value) => {
          const changed = structuredClone(example)
          const parent = path
            .slice(0, -1)
            .reduce<Record<string, unknown>>((o, k) => o[k] as Record<string, unknown>, changed)
          parent[path.at(-1)!] = value
          try {
            readSpec(changed)
          } catch (error) {
            expect(error).toBeInstanceOf(InputError)
            expect((error as Error).message).toMatch(/expected/)
          }
        },
      ),
      { numRuns: 200 },
    )
    for (const bad of [null, 7, 'drive', [], { heads: {} }, { disk: [] }])
      expect(() => readSpec(bad)).toThrow(InputError)
  })
  it('a sweep table with anything in it is judged or refused in a sentence', () => {
    fc.assert(
      fc.property(
        fc.array(
          fc.tuple(
            fc.integer({ min: -50, max: 50 }),
            fc.oneof(fc.integer({ min: -2, max: 13 }), fc.string({ maxLength: 4 })),
          ),
          { maxLength: 6 },
        ),
        rows => {
          try {
            expect(
              judgeSweep(
                readSweep(['position,lower_good,lower_expected', ...rows.map(([p, g]) => `${p},${g},11`)].join('\n')),
              ).call.reasons.length,
            ).toBeGreaterThan(0)
          } catch (error) {
            expect(error).toBeInstanceOf(InputError)
          }
        },
      ),
      { numRuns: 60 },
    )
  })
})
