import { describe, expect, it } from 'vitest'
import { Random } from '../../../src/simulator'
import { afterAnswer, entropyOf, weighFaults, worthOf, type DiagnosisModel } from '../../../src/diagnosis/engine'

/** A small random model: faults with odds, and answers whose chance each fault changes, what stands first masking. */
function randomModel(seed: number, faults: number, answers: number) {
  const random = new Random(seed)
  const odds = Array.from({ length: faults }, () => 0.002 + 0.1 * random.next() ** 3)
  const strength = Array.from({ length: faults }, () => Array.from({ length: answers }, () => random.next() ** 3))
  const chance = Array.from({ length: faults }, () =>
    Array.from({ length: answers }, () => 0.02 + 0.96 * random.next()),
  )
  const likelihood = (set: readonly number[]) =>
    Array.from({ length: answers }, (_, e) =>
      [...set].reverse().reduce((p, f) => strength[f]![e]! * chance[f]![e]! + (1 - strength[f]![e]!) * p, 0.1),
    ).reduce((p, x) => p * x, 1)
  const prior = (set: readonly number[]) => set.reduce((p, f) => p * odds[f]!, 1)
  const model: DiagnosisModel = {
    faults,
    logPrior: set => Math.log(prior(set)),
    logLikelihood: set => Math.log(likelihood(set)),
    logMost: 0,
  }
  return { model, weight: (set: readonly number[]) => prior(set) * likelihood(set) }
}

const subsets = (n: number, most: number): number[][] =>
  Array.from({ length: 2 ** n }, (_, bits) =>
    Array.from({ length: n }, (_, i) => i).filter(i => bits & (1 << i)),
  ).filter(s => s.length <= most)

describe('weighing sets of faults', () => {
  it.each([1, 2, 3, 4])('agrees with plain enumeration of all pairs, seed %i', seed => {
    const { model, weight } = randomModel(seed, 12, 6)
    const posterior = weighFaults(model, 2)
    const all = subsets(12, 2)
    const total = all.reduce((s, set) => s + weight(set), 0)
    for (let f = 0; f < 12; f++) {
      const expected = all.filter(s => s.includes(f)).reduce((s, set) => s + weight(set), 0) / total
      // Pairs that cannot matter are left out; the bound says how much they can hold at most.
      expect(Math.abs(posterior.marginals[f]! - expected)).toBeLessThan(1e-3)
    }
    expect(posterior.hypotheses[0]!.weight).toBeCloseTo(Math.max(...all.map(weight)) / total, 3)
  })
  it('what was left out stays under its bound', () => {
    for (const seed of [5, 6, 7]) {
      const { model, weight } = randomModel(seed, 10, 4)
      const { leftOut, marginals } = weighFaults(model)
      const all = subsets(10, 3)
      const total = all.reduce((s, set) => s + weight(set), 0)
      for (let f = 0; f < 10; f++) {
        const exact = all.filter(s => s.includes(f)).reduce((s, set) => s + weight(set), 0) / total
        expect(Math.abs(marginals[f]! - exact)).toBeLessThanOrEqual(leftOut + 1e-9)
      }
    }
  })
  it.each([8, 9])('pairs that bounds rule out hold no more than is said to be left out, seed %i', seed => {
    const drawn = randomModel(seed, 40, 8)
    // Rare faults, as in drives: few pairs matter.
    const rare = (set: readonly number[]) => -4 * set.length
    const model = { ...drawn.model, logPrior: (set: readonly number[]) => drawn.model.logPrior(set) + rare(set) }
    const log = (set: readonly number[]) => model.logPrior(set) + model.logLikelihood(set)
    const numbers = Array.from({ length: 40 }, (_, i) => i)
    // The least bounds there are: of each first the best of its pairs, and nothing for the second.
    const first = Float64Array.from(numbers, a =>
      numbers.filter(b => b > a).reduce((most, b) => Math.max(most, log([a, b])), -Infinity),
    )
    let weighed = 0
    const logLikelihood = (set: readonly number[]) => {
      if (set.length === 2) weighed++
      return model.logLikelihood(set)
    }
    const bounded = weighFaults({ ...model, logLikelihood, pairBounds: { first, second: new Float64Array(40) } }, 2)
    const whole = weighFaults({ ...model, logMost: undefined }, 2)
    expect(weighed).toBeLessThan((40 * 39) / 2)
    for (let f = 0; f < 40; f++)
      expect(Math.abs(bounded.marginals[f]! - whole.marginals[f]!)).toBeLessThanOrEqual(bounded.leftOut + 1e-9)
  })
  it('a model without faults has nothing but that', () => {
    const posterior = weighFaults({ faults: 0, logPrior: () => 0, logLikelihood: () => 0 })
    expect(posterior.hypotheses).toEqual([{ faults: [], weight: 1 }])
  })
})

describe('what a check is worth', () => {
  const hypotheses = [0, 1, 2, 3].map(f => ({ faults: [f], weight: 0.25 }))
  const exact = {
    answers: 2,
    minutes: 1,
    risk: () => 0,
    chance: (a: number, [f]: readonly number[]) => Number(f! < 2 === (a === 0)),
  }
  it('halves four that are equally likely: one bit; and nothing where both halves are treated alike', () => {
    expect(worthOf(hypotheses, [0, 1, 2, 3], exact).bits).toBeCloseTo(1, 12)
    expect(worthOf(hypotheses, [0, 1, 0, 1], exact).bits).toBeCloseTo(0, 12)
    expect(entropyOf([1, 1, 1, 1])).toBeCloseTo(2, 12)
  })
  it('an answer that settles the case leaves nothing to ask', () => {
    expect(worthOf(hypotheses, [0, 1, 2, 3], { ...exact, settles: 0 }).bits).toBeCloseTo(1.5, 12)
  })
  it('after an answer, Bayes’ rule', () => {
    const slip = { ...exact, chance: (a: number, set: readonly number[]) => 0.8 * exact.chance(a, set) + 0.1 }
    const after = afterAnswer(hypotheses, slip, 0)
    expect(after.slice(0, 2).map(h => h.weight)).toEqual([expect.closeTo(0.45, 12), expect.closeTo(0.45, 12)])
  })
})
