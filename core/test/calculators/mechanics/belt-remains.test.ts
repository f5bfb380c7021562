import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { beltRemainsCalculator, lengthByRemains, pathByThread } from '../../../src/calculators/mechanics'
import { judgeCalculator } from '../../../src/calculators/calculator'

const judge = (values: Record<string, string>) =>
  judgeCalculator(beltRemainsCalculator, { section: '1.2', material: 'square', ...values }).result!

describe('a belt whose pulleys nobody can measure', () => {
  it('a thread round two pulleys gives the path of the machine-design handbook’s open belt', () => {
    // Open belt, length ≈ 2C + π(D + d)/2 + (D − d)²/4C, from machine-design handbooks; exact where D = d. A thread of
    // thickness w runs on pulleys that are larger by w, a belt of section t on pulleys that are larger by t.
    const open = (C: number, D: number, d: number) => 2 * C + (Math.PI * (D + d)) / 2 + (D - d) ** 2 / (4 * C)
    fc.assert(
      fc.property(
        fc.double({ min: 8, max: 20, noNaN: true }),
        fc.double({ min: 1, max: 1.5, noNaN: true }),
        fc.double({ min: 0.1, max: 0.5, noNaN: true }),
        fc.double({ min: 0.8, max: 3, noNaN: true }),
        (d, ratio, w, t) => {
          const [D, C] = [d * ratio, 70]
          const thread = open(C, D + w, d + w)
          expect(pathByThread(thread, w, t)).toBeCloseTo(open(C, D + t, d + t), 6)
        },
      ),
    )
  })
  it('an old belt is poor evidence: the range is wider than what serves, and the thread narrows it', () => {
    const wide = (v: Record<string, string>) => {
      const { leastMm, mostMm } = lengthByRemains(valuesOf(v))
      return mostMm - leastMm
    }
    const valuesOf = (v: Record<string, string>) =>
      Object.fromEntries(Object.entries({ section: '1.2', ...v }).map(([k, x]) => [k, Number.isNaN(+x) ? x : +x]))
    expect(wide({ old: '268', state: 'sticky' })).toBeGreaterThan(wide({ old: '268', state: 'elastic' }))
    expect(wide({ old: '268', state: 'slack', thread: '268', thick: '0.3' })).toBeLessThanOrEqual(
      wide({ thread: '268', thick: '0.3' }),
    )
  })
  it('an old belt that grew by a twentieth was shorter by as much', () => {
    const { leastMm, mostMm } = lengthByRemains({ section: 1.2, old: 268, state: 'slack' })
    const grownBy5 = 268 / 1.05 - Math.PI * 1.2
    expect(leastMm).toBeLessThan(grownBy5)
    expect(mostMm).toBeGreaterThan(grownBy5)
  })
  it('judges one at hand, and says which way it is off', () => {
    const base = { thread: '268', thick: '0.3' }
    expect(judge({ ...base, candidate: '253' }).call.kind).toBe('leave')
    expect(judge({ ...base, candidate: '235' }).call).toMatchObject({ kind: 'mend', next: /longer/ })
    expect(judge({ ...base, candidate: '270' }).call).toMatchObject({ kind: 'mend', next: /shorter/ })
  })
  it('a reinforced belt hardly stretches: the thread has to fit it almost exactly', () => {
    const width = (material: string) => {
      const { leastMm, mostMm } = lengthByRemains({ section: 0.6, material, thread: 400 })
      return (mostMm - leastMm) / 400
    }
    expect(width('reinforced')).toBeLessThan(0.02)
    expect(width('square')).toBeGreaterThan(0.04)
  })
  it('readings that do not agree decide nothing; nothing at all is refused in a sentence', () => {
    expect(judge({ thread: '268', old: '320', state: 'elastic' }).call).toMatchObject({
      kind: 'unknown',
      next: /again/,
    })
    expect(() => judge({})).toThrow(/nothing tells its length/)
  })
})
