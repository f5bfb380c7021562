import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { marginalsOf, searchPosterior, type JointModel } from '../../../src/base/inference'

const modelOf = (sizes: number[], start: number[], logOf: (c: readonly number[]) => number): JointModel => ({
  sizes,
  start,
  along: (config, v) => Float64Array.from({ length: sizes[v]! }, (_, s) => logOf(config.with(v, s))),
})

/** Every configuration, one after the other. */
function* everyConfig(sizes: readonly number[]): Generator<number[]> {
  const config = sizes.map(() => 0)
  for (;;) {
    yield [...config]
    let v = 0
    while (v < sizes.length && ++config[v]! === sizes[v]) config[v++] = 0
    if (v === sizes.length) return
  }
}

export function enumerated(sizes: readonly number[], logOf: (c: readonly number[]) => number): number[][] {
  const sums = sizes.map(n => Array<number>(n).fill(0))
  let total = 0
  for (const c of everyConfig(sizes)) {
    const p = Math.exp(logOf(c))
    total += p
    for (const [v, s] of c.entries()) sums[v]![s]! += p
  }
  return sums.map(row => row.map(x => x / total))
}

describe('the chest clinic of Lauritzen and Spiegelhalter, J. R. Statist. Soc. B 50 (1988)', () => {
  // asia, tub, smoke, lung, bronc, either, xray, dysp; state 0 is “no”, 1 “yes”. Tables as in the paper.
  const yes = (p: number, s: number | undefined) => Math.log(s === 1 ? p : 1 - p)
  const joint = ([asia, tub, smoke, lung, bronc, either, xray, dysp]: readonly number[]) =>
    yes(0.01, asia) +
    yes(asia ? 0.05 : 0.01, tub) +
    yes(0.5, smoke) +
    yes(smoke ? 0.1 : 0.01, lung) +
    yes(smoke ? 0.6 : 0.3, bronc) +
    (either === Number(tub === 1 || lung === 1) ? 0 : -Infinity) +
    yes(either ? 0.98 : 0.05, xray) +
    yes(either ? (bronc ? 0.9 : 0.7) : bronc ? 0.8 : 0.1, dysp)
  const sizes = Array<number>(8).fill(2)
  // Beginning and way to a state that a logical node forbids: both of its neighbours are met by pairs.
  const soft = (c: readonly number[]) => Math.max(joint(c), -60)

  it('gives the marginals that are published for it before any evidence', () => {
    const m = enumerated(sizes, joint)
    const published = {
      tub: [1, 0.0104],
      lung: [3, 0.055],
      bronc: [4, 0.45],
      either: [5, 0.0648],
      xray: [6, 0.1103],
      dysp: [7, 0.436],
    } as const
    for (const [v, p] of Object.values(published)) expect(m[v]![1]).toBeCloseTo(p, 4)
  })

  it('is found by the search as by enumeration: a visitor to Asia, short of breath', () => {
    const evidence = (c: readonly number[]) => (c[0] === 1 && c[7] === 1 ? soft(c) : -Infinity)
    // The logical node is folded into its parents, as a search by single changes cannot pass through what is
    // impossible.
    const free = [0, 1, 2, 3, 4, 6]
    const fold = (c: readonly number[]) => {
      const full = [c[0]!, c[1]!, c[2]!, c[3]!, c[4]!, Number(c[1] === 1 || c[3] === 1), c[5]!, 1]
      return evidence(full)
    }
    const exact = enumerated(sizes, evidence)
    const found = marginalsOf(
      searchPosterior(
        modelOf(
          free.map(() => 2),
          [1, 0, 0, 0, 0, 0],
          fold,
        ),
        256,
      ),
      free.map(() => 2),
    )
    for (const [i, v] of free.entries()) expect(found[i]![1]).toBeCloseTo(exact[v]![1]!, 6)
    // Published in the paper for this patient: tuberculosis 0.0878, lung cancer 0.0998, bronchitis 0.8114 (figures
    // from memory).
    expect(found[1]![1]).toBeCloseTo(0.0878, 3)
    expect(found[3]![1]).toBeCloseTo(0.0998, 3)
    expect(found[4]![1]).toBeCloseTo(0.8114, 3)
  })
})

describe('a search for the posterior', () => {
  it('is exact where it may look everywhere, on any small table', () => {
    fc.assert(
      fc.property(fc.array(fc.double({ min: -4, max: 0, noNaN: true }), { minLength: 24, maxLength: 24 }), table => {
        const sizes = [2, 3, 4]
        const logOf = (c: readonly number[]) => table[c[0]! + 2 * c[1]! + 6 * c[2]!]!
        const found = marginalsOf(searchPosterior(modelOf(sizes, [0, 0, 0], logOf), 24), sizes)
        for (const [v, row] of enumerated(sizes, logOf).entries())
          for (const [s, p] of row.entries()) expect(found[v]![s]).toBeCloseTo(p, 9)
      }),
      { numRuns: 50 },
    )
  })

  it('leaves variables that nothing is known of as they were, however little it looks into', () => {
    const sizes = Array<number>(20).fill(2)
    const found = marginalsOf(
      searchPosterior(
        modelOf(
          sizes,
          sizes.map(() => 0),
          c => c.reduce((l, s) => l + Math.log(s ? 0.2 : 0.8), 0),
        ),
        3,
      ),
      sizes,
    )
    for (const row of found) expect(row[1]).toBeCloseTo(0.2, 9)
  })

  it('weighs ways that end in the same place once', () => {
    const found = searchPosterior(
      modelOf([2, 2], [0, 0], () => 0),
      10,
    )
    expect(found).toHaveLength(4)
    expect(new Set(found.map(f => f.config.join())).size).toBe(4)
  })
})
