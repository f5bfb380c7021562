import { describe, expect, it } from 'vitest'
import { answerBits, weighFaults, worthOf, type CheckModel, type Hypothesis } from '../../../src/diagnosis/engine'

/**
 * The circuit of three multipliers and two adders of de Kleer and Williams, “Diagnosing multiple faults”, Artificial
 * Intelligence 32 (1987): X = A·C, Y = B·D, Z = C·E, F = X + Y, G = Y + Z, with inputs 3, 2, 2, 3, 3; F = 10 and G = 12
 * measured where 12 and 12 were due. Results from memory of the paper. A broken part may give anything.
 */
const PARTS = ['M1', 'M2', 'M3', 'A1', 'A2'] as const
const PRIOR = 0.01
type Values = Readonly<Record<'X' | 'Y' | 'Z' | 'F' | 'G', number | null>>

/** What the parts that work say of every value, the measured ones given; null where they contradict each other. */
function settle(broken: readonly number[], measured: Partial<Values>): Values | null {
  const works = (name: (typeof PARTS)[number]) => !broken.includes(PARTS.indexOf(name))
  const known: Record<string, number | null> = { X: null, Y: null, Z: null, F: null, G: null, ...measured }
  const set = (name: string, value: number): boolean => {
    if (known[name] !== null && known[name] !== undefined) return known[name] === value
    known[name] = value
    return true
  }
  const sum = (a: string, b: string, c: string): boolean => {
    const [x, y, z] = [known[a]!, known[b]!, known[c]!]
    if (x !== null && y !== null) return set(c, x + y)
    if (x !== null && z !== null) return set(b, z - x)
    return y !== null && z !== null ? set(a, z - y) : true
  }
  for (let round = 0; round < 4; round++) {
    const ok =
      (!works('M1') || set('X', 6)) &&
      (!works('M2') || set('Y', 6)) &&
      (!works('M3') || set('Z', 6)) &&
      (!works('A1') || sum('X', 'Y', 'F')) &&
      (!works('A2') || sum('Y', 'Z', 'G'))
    if (!ok) return null
  }
  return known as unknown as Values
}

const SEEN = { F: 10, G: 12 }
const posterior = weighFaults(
  {
    faults: PARTS.length,
    logPrior: set => set.length * Math.log(PRIOR) + (PARTS.length - set.length) * Math.log(1 - PRIOR),
    logLikelihood: set => (settle(set, SEEN) ? 0 : -Infinity),
  },
  2,
)
const named = (h: Hypothesis) => h.faults.map(f => PARTS[f]!)

/** A value as a check: each value that some set predicts is an answer; where nothing predicts one, some other value. */
function probe(name: 'X' | 'Y' | 'Z'): CheckModel {
  const values = [...new Set(posterior.hypotheses.map(h => settle(h.faults, SEEN)![name]).filter(v => v !== null))]
  return {
    answers: values.length + 1,
    minutes: 1,
    risk: () => 0,
    chance: (answer, set) => {
      const said = settle(set, SEEN)![name]
      return Number(said === null ? answer === values.length : said === values[answer])
    },
  }
}

describe('three multipliers and two adders (de Kleer and Williams, 1987)', () => {
  it('finds the four smallest explanations and no other', () => {
    const smallest = posterior.hypotheses.filter(
      h =>
        !posterior.hypotheses.some(o => o.faults.length < h.faults.length && o.faults.every(f => h.faults.includes(f))),
    )
    expect(
      smallest
        .map(named)
        .map(n => n.sort().join(' '))
        .sort(),
    ).toEqual(['A1', 'A2 M2', 'M1', 'M2 M3'])
  })
  it('two single faults are equally likely, and hold nearly everything', () => {
    const single = posterior.hypotheses.filter(h => h.faults.length === 1)
    expect(single.map(named).flat().sort()).toEqual(['A1', 'M1'])
    expect(single[0]!.weight).toBeCloseTo(single[1]!.weight, 12)
    expect(posterior.bySize[1]).toBeGreaterThan(0.9)
  })
  it('X is the best value to measure: about 1.04 bit, Y 0.08 and Z 0.05', () => {
    const decision = posterior.hypotheses.map((_, i) => i)
    const bits = (name: 'X' | 'Y' | 'Z') => {
      const check = probe(name)
      return answerBits(worthOf(posterior.hypotheses, decision, check).chances)
    }
    expect(bits('X')).toBeGreaterThan(bits('Y'))
    expect(bits('Y')).toBeGreaterThan(bits('Z'))
    expect(bits('X')).toBeCloseTo(1.04, 2)
    expect(bits('Y')).toBeCloseTo(0.08, 2)
    expect(Math.abs(bits('Z') - 0.05)).toBeLessThan(0.007)
  })
})
