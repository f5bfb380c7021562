import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import {
  bitsOf,
  chanceOf,
  cheapest,
  PROCESSOR_PROBES,
  PROCESSOR_SUSPECTS,
  processorCalculator,
  swapCalculator,
  trialsWanted,
  weighed,
  type Probe,
  type ProcessorTest,
  type Suspect,
} from '../../../src/calculators/electronics'
import { fisherFewer } from '../../../src/base/numbers'
import { Random } from '../../../src/simulator'
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

describe('which measurement next', () => {
  type T = 'a' | 'b'
  const probes: Probe<T>[] = [
    { id: 'a', minutes: 1, outcomes: ['x', 'y'] },
    { id: 'b', minutes: 4, outcomes: ['x', 'y', 'z'] },
  ]
  const suspect = (id: string, odds: number, shows: Suspect<T>['shows']): Suspect<T> => ({
    id,
    label: id,
    cure: '',
    odds,
    shows,
  })
  // Shannon 1948: a measurement that splits evenly tells one bit; one that shows the same of all tells none.
  it('bits of a plain split, of none, and of an uneven one', () => {
    // With 5 % of slips the plain split is Shannon's binary symmetric channel: 1 − h(0.05) bits.
    const h = (p: number) => -p * Math.log2(p) - (1 - p) * Math.log2(1 - p)
    expect(bitsOf([suspect('1', 1, { a: ['x'] }), suspect('2', 1, { a: ['y'] })], probes[0]!)).toBeCloseTo(
      1 - h(0.05),
      12,
    )
    expect(bitsOf([suspect('1', 1, { a: ['x'] }), suspect('2', 1, { a: ['x'] })], probes[0]!)).toBeCloseTo(0, 12)
    // Three to one: the outcome is x in 0.75 × 0.95 + 0.25 × 0.05 of all cases.
    expect(bitsOf([suspect('1', 3, { a: ['x'] }), suspect('2', 1, { a: ['y'] })], probes[0]!)).toBeCloseTo(
      h(0.725) - h(0.05),
      12,
    )
    // What shows anything tells nothing.
    expect(bitsOf([suspect('1', 1, {}), suspect('2', 1, {})], probes[0]!)).toBeCloseTo(0, 12)
  })
  // Bayes' rule by hand: one that says what comes is worth more than one that may show anything.
  it('shares are odds times chances, and what may show anything pays for it', () => {
    const [sure, vague] = [suspect('sure', 1, { b: ['x'] }), suspect('vague', 1, {})]
    const [first, second] = weighed([vague, sure], probes, { b: 'x' })
    expect([first!.id, second!.id]).toEqual(['sure', 'vague'])
    expect(first!.share).toBeCloseTo(0.95 / (0.95 + 1 / 3), 12)
    const [kept] = weighed([sure, vague], probes, { b: 'y' })
    expect(kept!.id).toBe('vague')
    expect(weighed([sure, vague], probes, { b: 'y' })[1]!.against).toEqual(['b'])
  })
  it('a long measurement must tell more', () => {
    const three = [
      suspect('1', 1, { a: ['x'], b: ['x'] }),
      suspect('2', 1, { a: ['y'], b: ['y'] }),
      suspect('3', 1, { a: ['y'], b: ['z'] }),
    ]
    expect(cheapest(three, probes, {})!.id).toBe('a')
    expect(cheapest(weighed(three, probes, { a: 'y' }), probes, { a: 'y' })!.id).toBe('b')
    expect(cheapest(three.slice(0, 1), probes, {})).toBeNull()
  })
})

describe('a drive with its own processor', () => {
  const measure = (typed: Record<string, string>) => judgeCalculator(processorCalculator, typed).result!
  // Common practice, no source: an address line that neither swings nor sits at a level points to an open output; a
  // chip with a dark spot is shorted.
  it('the trade’s facts', () => {
    const between = measure({ supply: 'good', reset: 'good', clock: 'good', heat: 'good', bus: 'between', irq: 'good' })
    expect(between.call).toMatchObject({ kind: 'mend', reasons: [expect.stringMatching(/open output on an address/)] })
    expect(measure({ supply: 'low' }).call).toMatchObject({
      kind: 'mend',
      reasons: [expect.stringMatching(/misleads/)],
    })
    expect(measure({ supply: 'good', reset: 'held', heat: 'good', irq: 'still' }).call.reasons[0]).toMatch(/reset/)
  })
  // An address line is driven by the processor itself: an output that is open in it shows between levels, and another
  // processor cures it (common practice, no source).
  it('an address line between levels that a new processor cures is no contradiction', () => {
    const { call: said, lines } = measure({
      supply: 'good',
      reset: 'good',
      clock: 'good',
      heat: 'good',
      bus: 'between',
      cpu: 'cures',
    })
    expect(said.kind).toBe('mend')
    expect(said.next).toMatch(/processor/)
    expect(lines[0]!.note).toBe('agrees with everything that was measured')
  })
  it('lines told one by one are named, and make the line that stands out count', () => {
    const lines = { 'lines.0.name': 'A3', 'lines.0.shows': 'swings', 'lines.1.name': 'A7', 'lines.1.shows': 'between' }
    const { call: said } = measure({ supply: 'good', reset: 'good', clock: 'good', heat: 'good', ...lines })
    expect(said.kind).toBe('mend')
    expect(said.reasons[0]).toContain('A7 between levels')
    expect(said.reasons[0]).not.toContain('A3')
  })
  it('one slip of the probe does not strike out the true cause; several are named as a contradiction', () => {
    const ram = { supply: 'good', reset: 'good', clock: 'good', ram: 'cures' }
    expect(measure({ ...ram, bus: 'stuck', rom: 'same' }).call.reasons[0]).not.toMatch(/No single fault/)
    const torn = measure({ supply: 'good', reset: 'held', clock: 'still', heat: 'hot', bus: 'good', ram: 'cures' })
    expect(torn.call).toMatchObject({ kind: 'unknown', reasons: [expect.stringMatching(/No single fault/)] })
  })
  it('following what it asks for, what it is sure of is right, for a good part of all minutes less', () => {
    const random = new Random(77)
    const [minutes, sure]: [number[], boolean[]] = [[], []]
    for (const truth of PROCESSOR_SUSPECTS)
      for (let round = 0; round < 20; round++) {
        const measured: Partial<Record<ProcessorTest, string>> = {}
        let spent = 0
        for (;;) {
          const left = weighed(PROCESSOR_SUSPECTS, PROCESSOR_PROBES, measured)
          const next = cheapest(left, PROCESSOR_PROBES, measured)
          if (left[0]!.share >= 0.8) sure.push(left[0]!.id === truth.id)
          if (left[0]!.share >= 0.8 || !next) break
          let luck = random.next()
          measured[next.id] = next.outcomes.find(o => (luck -= chanceOf(truth, next, o)) < 0) ?? next.outcomes.at(-1)!
          spent += next.minutes
        }
        minutes.push(spent)
      }
    expect(sure.filter(Boolean).length / sure.length).toBeGreaterThan(0.75)
    // Trying everything would take all of the minutes for each fault.
    const all = PROCESSOR_PROBES.reduce((s, p) => s + p.minutes, 0)
    expect(minutes.reduce((a, b) => a + b, 0) / minutes.length).toBeLessThan(all * 0.7)
  })
  it('the first thing asked for is done with a meter or a finger', () => {
    expect(
      PROCESSOR_PROBES.find(p => p.id === cheapest(PROCESSOR_SUSPECTS, PROCESSOR_PROBES, {})!.id)!.minutes,
    ).toBeLessThanOrEqual(2)
  })
})
