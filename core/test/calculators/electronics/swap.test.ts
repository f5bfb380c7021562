import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { swapCalculator, trialsWanted } from '../../../src/calculators/electronics'
import { fisherFewer } from '../../../src/base/numbers'
import { judgeCalculator, type Calculator } from '../../../src/calculators/calculator'

const call = (sum: Calculator, typed: Record<string, string>) => judgeCalculator(sum, typed).result!.call

describe('Fisher’s exact test', () => {
  // Fisher, The Design of Experiments (1935): all four cups of four told apart by chance in 1 of 70 cases.
  it('the tea tasting', () => {
    expect(fisherFewer(4, 4, 0, 4)).toBeCloseTo(1 / 70, 12)
    // The same book: three or more right of four comes by chance in 17 of 70.
    expect(fisherFewer(3, 4, 1, 4)).toBeCloseTo(17 / 70, 12)
  })
  it('against counting every way to deal the failures', () => {
    const small = fc
      .record({ n1: fc.integer({ min: 1, max: 5 }), n2: fc.integer({ min: 1, max: 5 }) })
      .chain(({ n1, n2 }) => fc.record({ n1: fc.constant(n1), n2: fc.constant(n2), f1: fc.nat(n1), f2: fc.nat(n2) }))
    fc.assert(
      fc.property(small, ({ n1, n2, f1, f2 }) => {
        const n = n1 + n2
        let [ways, few] = [0, 0]
        for (let m = 0; m < 2 ** n; m++) {
          const bits = [...Array(n).keys()].filter(i => (m >> i) & 1)
          if (bits.length !== f1 + f2) continue
          ways++
          if (bits.filter(i => i >= n1).length <= f2) few++
        }
        expect(fisherFewer(f1, n1, f2, n2)).toBeCloseTo(few / ways, 10)
      }),
      { numRuns: 100 },
    )
  })
})

describe('a part swapped', () => {
  const before = { beforeFails: '8', beforeTrials: '10' }
  it('is to blame only when the fault comes back with it', () => {
    const cured = { ...before, afterFails: '0', afterTrials: '10' }
    expect(call(swapCalculator, cured)).toMatchObject({
      kind: 'unknown',
      next: 'Put the old part back: does the fault come back?',
    })
    expect(call(swapCalculator, { ...cured, backFails: '7', backTrials: '10' }).kind).toBe('mend')
    expect(call(swapCalculator, { ...cured, backFails: '0', backTrials: '10' }).reasons[0]).toMatch(/it was a contact/)
    expect(call(swapCalculator, { ...before, afterFails: '8', afterTrials: '10' })).toMatchObject({ kind: 'leave' })
    expect(
      call(swapCalculator, { beforeFails: '0', beforeTrials: '10', afterFails: '0', afterTrials: '10' }).kind,
    ).toBe('unknown')
  })
  // Common practice, no source: a burnt, shorted or leaking part is never put back to see whether the fault returns.
  it('a damaged part is not put back', () => {
    const cured = { ...before, afterFails: '0', afterTrials: '10', old: 'damaged' }
    expect(call(swapCalculator, cured)).toMatchObject({
      kind: 'mend',
      next: expect.stringMatching(/^Keep the good part/),
    })
    expect(call(swapCalculator, { ...cured, afterFails: '8' }).next).toMatch(/^Leave the good part in/)
  })
  it('says how many more trials would settle it, and that many do', () => {
    const thin = call(swapCalculator, { beforeFails: '3', beforeTrials: '10', afterFails: '0', afterTrials: '4' })
    const more = Number(/^(\d+) more trials/.exec(thin.next)![1])
    expect(fisherFewer(3, 10, 0, 4 + more)).toBeLessThan(0.05)
    expect(fisherFewer(3, 10, 0, 4 + more - 1)).toBeGreaterThanOrEqual(0.05)
    expect(trialsWanted(3, 10)).toBe(4 + more)
  })
  it('more failures than trials are named', () => {
    expect(() =>
      judgeCalculator(swapCalculator, { beforeFails: '12', beforeTrials: '10', afterFails: '0', afterTrials: '1' }),
    ).toThrow(/12 failures in 10 trials/)
  })
})
