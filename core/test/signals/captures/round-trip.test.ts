import { gzipSync } from 'node:zlib'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { writeCsv, writeVcd, type EdgeList } from '../../../src/signals/captures'
import { channel, read } from '../../helpers'

/** Edge lists on whole microseconds, as any logic analyser gives them. */
const edges = fc
  .record({
    initial: fc.constantFrom(0 as const, 1 as const),
    ticks: fc.uniqueArray(fc.integer({ min: 1, max: 5_000_000 }), { minLength: 0, maxLength: 60 }),
  })
  .map(({ initial, ticks }): EdgeList => ({
    initial,
    times: Float64Array.from(
      ticks.sort((a, b) => a - b),
      t => t / 1e6,
    ),
    gaps: [],
  }))

const channels = fc
  .array(edges, { minLength: 1, maxLength: 5 })
  .map(list => list.map((e, i) => ({ name: `D${i}`, edges: e })))

describe('what is written reads back the same', () => {
  it('as VCD, in chunks of any size, packed or not', async () => {
    await fc.assert(
      fc.asyncProperty(channels, fc.integer({ min: 1, max: 200 }), fc.boolean(), async (written, chunk, packed) => {
        const text = writeVcd(written, { tickNs: 1000 })
        const back = await read('a.vcd', packed ? gzipSync(text) : text, {}, chunk)
        for (const { name, edges: e } of written) {
          const { edges: got } = channel(back, name)
          expect(got!.initial).toBe(e.initial)
          expect(Array.from(got!.times)).toEqual(Array.from(e.times))
        }
      }),
      { numRuns: 120, seed: 31 },
    )
  })

  it('as CSV, with commas, or with semicolons and decimal commas', async () => {
    await fc.assert(
      fc.asyncProperty(channels, fc.integer({ min: 1, max: 200 }), fc.boolean(), async (written, chunk, german) => {
        fc.pre(written.some(c => c.edges.times.length > 0))
        let text = writeCsv(written)
        if (german) text = text.replaceAll(',', ';').replaceAll('.', ',')
        const back = await read('a.csv', text, {}, chunk)
        for (const { name, edges: e } of written) {
          const { edges: got } = channel(back, name)
          expect(got!.times.length).toBe(e.times.length)
          e.times.forEach((t, i) => expect(got!.times[i]).toBeCloseTo(t, 9))
        }
      }),
      { numRuns: 120, seed: 32 },
    )
  })

  it('writes many channels with codes of one and two characters', async () => {
    const many = Array.from({ length: 200 }, (_, i) => ({
      name: `D${i}`,
      edges: { initial: 0 as const, times: Float64Array.from([(i + 1) / 1000]), gaps: [] },
    }))
    const back = await read('many.vcd', writeVcd(many))
    expect(back.channels).toHaveLength(200)
    for (const [i, c] of back.channels.entries()) expect(c.edges!.times[0]).toBeCloseTo((i + 1) / 1000, 9)
  })
})
