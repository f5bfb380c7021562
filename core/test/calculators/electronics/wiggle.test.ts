import { describe, expect, it } from 'vitest'
import { wiggleChance, wiggleCalculator } from '../../../src/calculators/electronics'
import { upperTail } from '../../../src/base/numbers'
import { Random } from '../../../src/simulator'
import { judgeCalculator } from '../../../src/calculators/calculator'

const call = (typed: Record<string, string>) => judgeCalculator(wiggleCalculator, typed).result!.call
const base = { rest: '2', restTime: '60', each: '20' }

describe('the wiggle test', () => {
  // By hand: three heads of three throws come one time in eight; two or more of three, four times in eight.
  it('binomial tails by hand', () => {
    expect(upperTail(3, 3, 0.5)).toBeCloseTo(0.125, 12)
    expect(upperTail(2, 3, 0.5)).toBeCloseTo(0.5, 12)
    expect(upperTail(0, 3, 0.5)).toBe(1)
    expect(upperTail(4, 3, 0.5)).toBe(0)
    // Worked: 2 errors in 60 s at rest, 9 in 20 s moved: P(X ≥ 9 | 11, 1/4) = 0.00013, times four wires.
    const exact = [9, 10, 11].reduce((s, k) => s + [55, 11, 1][k - 9]! * 0.25 ** k * 0.75 ** (11 - k), 0)
    expect(wiggleChance(9, 20, 2, 60, 4)).toBeCloseTo(4 * exact, 10)
  })

  it('names the wire and how sure; two that share something; or none', () => {
    expect(call({ ...base, wire1: '1', wire2: '9', wire3: '0', wire4: '1' })).toMatchObject({
      kind: 'mend',
      reasons: [
        'Wire 2 makes errors when it is moved: 9 in 20 s.',
        'The odds that this is chance are below 1 in 1000.',
      ],
    })
    expect(call({ ...base, wire1: '12', wire2: '11', wire3: '0' }).reasons[0]).toMatch(
      /Wires 1 and 2 .* what they share is loose/,
    )
    expect(call({ ...base, wire1: '1', wire2: '1' }).kind).toBe('leave')
    expect(call({ ...base, rest: '0', wire1: '1', wire2: '0' })).toMatchObject({
      kind: 'unknown',
      next: 'Move each for longer than 20 s.',
    })
    expect(call({ ...base, wire1: '0', after: '20' }).reasons[0]).toBe(
      'It reads worse after moving than before: 20 errors in place of 2.',
    )
    expect(call(base).kind).toBe('unknown')
    expect(call({ ...base, wire1: '9', joint: 'crimp' }).next).toMatch(/pierced the sheath/)
    expect(() => judgeCalculator(wiggleCalculator, { ...base, each: '0' })).toThrow(
      'each: Each wire moved for cannot be 0; expected more than 0.',
    )
  })

  it('accuses a sound wire in at most one test in a hundred', () => {
    const random = new Random(9)
    const poisson = (mean: number) => {
      let k = 0,
        p = random.next()
      while (p > Math.exp(-mean)) {
        k++
        p *= random.next()
      }
      return k
    }
    let accused = 0
    for (let i = 0; i < 2000; i++) {
      const wires = Array.from({ length: 4 }, () => poisson(1))
      const rest = poisson(3)
      if (wires.some(w => wiggleChance(w, 20, rest, 60, 4) < 0.01)) accused++
    }
    expect(accused / 2000).toBeLessThanOrEqual(0.01)
  })
})
