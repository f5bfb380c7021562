import { describe, expect, it } from 'vitest'
import { holderOf, serialBusCalculator } from '../../../src/calculators/electronics'
import { judgeCalculator } from '../../../src/calculators/calculator'

const call = (values: Record<string, string>) => judgeCalculator(serialBusCalculator, values).result!.call

describe('a serial bus at rest', () => {
  it('all high: leave it; a line that is low is held by the side on which it is low alone', () => {
    expect(
      call({ 'attention-both': '4.8', 'clock-both': '4.7', 'data-both': '4.8', 'reset-both': '4.9' }),
    ).toMatchObject({ kind: 'leave', reasons: ['All four lines idle high, as they should.'] })
    expect(call({ 'data-both': '0.1' })).toMatchObject({
      kind: 'unknown',
      next: expect.stringContaining('with the cable off'),
    })
    expect(call({ 'data-both': '0.1', 'data-drive': '0.1', 'data-host': '4.8' }).reasons[0]).toBe(
      'Data is held low by the drive.',
    )
    expect(call({ 'clock-both': '0.2', 'clock-drive': '4.9', 'clock-host': '0.1' }).reasons[0]).toContain('by the host')
    expect(call({ 'reset-both': '0.1', 'reset-drive': '0.1' }).reasons[0]).toContain('processor stands still')
    expect(call({ 'data-both': '0.1', 'data-drive': '4.9', 'data-host': '4.8' }).reasons[0]).toContain(
      'the cable shorts it',
    )
    expect(call({ 'data-both': '1.4' }).kind).toBe('unknown')
  })
  // TTL data books: 0.8 V is the highest low, 2.0 V the least high.
  it('levels as in the data books, and every combination has one answer', () => {
    for (const a of ['low', 'high', 'between', 'not measured'] as const)
      for (const b of ['low', 'high', 'between', 'not measured'] as const)
        for (const c of ['low', 'high', 'between', 'not measured'] as const) expect(holderOf(a, b, c)).toBeTruthy()
    expect(call({ 'data-both': '0.79' }).kind).toBe('unknown')
    expect(call({ 'data-both': '2.0' }).kind).toBe('leave')
  })
})
