import { describe, expect, it } from 'vitest'
import { writersCalculator } from '../../../src/calculators/alignment'
import { judgeCalculator, rowKey } from '../../../src/calculators/calculator'

const judged = (rows: readonly (readonly [writer: string, middle: string, within?: string])[], mechanism = '3.5in') =>
  judgeCalculator(writersCalculator, {
    mechanism,
    ...Object.fromEntries(
      rows.flatMap(([writer, middle, within], i) => [
        [rowKey({ key: 'disks' }, i, 'writer'), writer],
        [rowKey({ key: 'disks' }, i, 'middle'), middle],
        [rowKey({ key: 'disks' }, i, 'within'), within ?? ''],
      ]),
    ),
  }).result!

const offset = (r: ReturnType<typeof judged>) => r.observations[0]!

describe('offset by factory-written disks', () => {
  it('is not known from fewer than three writers, however many their disks', () => {
    const r = judged([
      ['A', '30'],
      ['a ', '31'],
      ['B', '29'],
      ['B', '30'],
    ])
    expect(r.call.kind).toBe('unknown')
    expect(offset(r).value).toBe('not known')
  })

  it('lies on the other side of where the ranges have their middles, and says which way to move', () => {
    const r = judged([
      ['A', '58', '5'],
      ['B', '64', '5'],
      ['C', '61', '5'],
      ['D', '60', '5'],
    ])
    expect(r.call.kind).toBe('nudge')
    expect(offset(r).value).toBeCloseTo(-60.7, 0)
    expect(r.call.next).toContain('towards the hub')
    expect(r.call.reasons[0]).toContain('towards the edge')
  })

  it('is left where the whole interval costs little, and open where it is wide', () => {
    const near = judged([
      ['A', '3', '5'],
      ['B', '-4', '5'],
      ['C', '2', '5'],
      ['D', '0', '5'],
    ])
    expect(near.call.kind).toBe('leave')
    const wide = judged([
      ['A', '60', '5'],
      ['B', '-40', '5'],
      ['C', '20', '5'],
    ])
    expect(wide.call.kind).toBe('unknown')
    expect(wide.call.next).toMatch(/more writers?/)
  })

  it('gives many disks of one writer one voice', () => {
    const one = judged([
      ['A', '10', '6'],
      ['B', '20', '6'],
      ['C', '30', '6'],
    ])
    const many = judged([
      ...Array.from({ length: 8 }, () => ['A', '10', '6'] as const),
      ['B', '20', '6'],
      ['C', '30', '6'],
    ])
    // Eight disks are known better, but pull no harder than their writer may.
    expect(Math.abs(Number(offset(many).value) - Number(offset(one).value))).toBeLessThan(3)
  })

  it('names a writer that is none of the others', () => {
    const r = judged([
      ['A', '2', '4'],
      ['B', '-3', '4'],
      ['C', '1', '4'],
      ['D', '0', '4'],
      ['written at home', '95', '4'],
    ])
    expect(r.call.reasons.join(' ')).toContain('“written at home” stands far from all others')
  })
})
