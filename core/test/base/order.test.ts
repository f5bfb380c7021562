import { describe, expect, it } from 'vitest'
import fc from 'fast-check'
import { byText } from '../../src/base/order'

describe('order of texts', () => {
  it('moments stand in the order of time', () => {
    const times = fc.array(fc.date({ noInvalidDate: true, min: new Date(0), max: new Date('2100-01-01') }))
    fc.assert(
      fc.property(times, dates => {
        const sorted = dates.map(d => d.toISOString()).sort(byText)
        expect(sorted.map(s => Date.parse(s))).toEqual(dates.map(Number).sort((a, b) => a - b))
      }),
    )
  })
  it('one is before, with or after another, and the other way round', () => {
    expect([byText('a', 'b'), byText('b', 'a'), byText('a', 'a'), byText('', 'a')]).toEqual([-1, 1, 0, -1])
  })
})
