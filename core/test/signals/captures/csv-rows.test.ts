import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { read } from '../../helpers'

/** A row: a time as a recorder may write it, later than the one before, and a cell for each of two channels. */
const rows = fc.array(
  fc.record({
    after: fc.integer({ min: 1, max: 5_000_000 }),
    a: fc.constantFrom('0', '1', '', 'x', 'high', ' 1'),
    b: fc.constantFrom('0', '1', ''),
    time: fc.constantFrom(
      (ns: number) => (ns / 1e9).toFixed(9),
      (ns: number) => (ns / 1e9).toExponential(12),
      (ns: number) => ` ${(ns / 1e9).toFixed(9)}`,
      (ns: number) => `0000${(ns / 1e9).toFixed(9)}0000000000`,
    ),
    end: fc.constantFrom('\n', '\r\n', '\r'),
    blank: fc.constantFrom('', '', '', '\n', '# a remark\n'),
  }),
  { minLength: 3, maxLength: 60 },
)

/** Plain rows first, more than the head of a file that settles the layout: what follows may go the short way. */
const begin = (quoted: boolean) =>
  Array.from({ length: 400 }, (_, i) => `${cell(((i + 1) / 1e9).toFixed(9), quoted)},${i % 2},${(i >> 1) % 2}\n`).join(
    '',
  )
const cell = (time: string, quoted: boolean) => (quoted ? `"${time}"` : time)

describe('rows of the usual kind', () => {
  it('are read as they are by the whole parser, which reads every row whose time is quoted', async () => {
    await fc.assert(
      fc.asyncProperty(rows, fc.integer({ min: 40, max: 4000 }), async (list, chunk) => {
        const text = (quoted: boolean) => {
          let ns = 1000
          const body = list.map(r => {
            ns += r.after
            return `${r.blank}${cell(r.time(ns), quoted)},${r.a},${r.b}${r.end}`
          })
          return `time [s],A,B\n${begin(quoted)}${body.join('')}`
        }
        const [short, whole] = await Promise.all([
          read('edges.csv', text(false), {}, chunk),
          read('edges.csv', text(true), {}, chunk),
        ])
        expect(short.durationS).toBe(whole.durationS)
        expect(short.channels).toEqual(whole.channels)
      }),
      { numRuns: 150 },
    )
  })

  it('are read so where they hold voltages, too', async () => {
    const volts = fc.constantFrom(
      (v: number) => v.toFixed(4),
      (v: number) => v.toExponential(6),
      (v: number) => ` ${v.toFixed(3)}`,
      (v: number) => `+${Math.abs(v).toFixed(3)}`,
      () => '',
    )
    const list = fc.array(fc.record({ volts, end: fc.constantFrom('\n', '\r\n', '\r') }), {
      minLength: 400,
      maxLength: 900,
    })
    await fc.assert(
      fc.asyncProperty(list, fc.integer({ min: 40, max: 4000 }), async (rows, chunk) => {
        const text = (quoted: boolean) => {
          const body = rows.map((r, i) => {
            const volts = i % 100 < 5 ? 4.8 + (i % 7) / 90 : (i % 11) / 60 - 0.1
            return `${cell((i / 1000).toFixed(4), quoted)},${i < 60 ? volts.toFixed(4) : r.volts(volts)}${i < 60 ? '\n' : r.end}`
          })
          return `time [s],A\n${body.join('')}`
        }
        const [short, whole] = await Promise.all([
          read('scope.csv', text(false), {}, chunk),
          read('scope.csv', text(true), {}, chunk),
        ])
        expect(short).toEqual(whole)
      }),
      { numRuns: 40 },
    )
  })

  it.each([
    ['0.000000401,7,1', '"7" in column "A"'],
    ['0.0000004.02,1,1', 'is not a time'],
    ['0.000000001,1,1', 'time runs backwards'],
  ])('%s among them is refused by line', async (row, says) => {
    const text = `time [s],A,B\n${begin(false)}0.000000401,1,1\n${row}\n0.1,0,0\n`
    // In pieces: the first ones settle the layout.
    const reading = () => read('edges.csv', text, {}, 512)
    await expect(reading()).rejects.toThrow(says)
    await expect(reading()).rejects.toMatchObject({ where: { line: 403 } })
  })
})
