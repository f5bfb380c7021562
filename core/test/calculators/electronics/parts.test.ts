import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import {
  boardCalculator,
  capacitorFitCalculator,
  detectorCalculator,
  E12,
  E6,
  nearest,
  pullUpsFor,
  shoppingList,
} from '../../../src/calculators/electronics'
import { judgeCalculator, type Calculator } from '../../../src/calculators/calculator'

const call = (sum: Calculator, typed: Record<string, string>) => judgeCalculator(sum, typed).result!.call

describe('preferred values', () => {
  // IEC 60063: E12 is 10 12 15 18 22 27 33 39 47 56 68 82; E6 every other of them.
  it('E6 is every other of E12, and each is its own nearest', () => {
    expect(E12.filter((_, i) => i % 2 === 0)).toEqual([...E6])
    for (const e of E12) expect(nearest(E12, e * 1000)).toBeCloseTo(e * 1000, 9)
    expect(nearest(E12, 9300)).toBe(10_000)
  })
})

describe('a replacement detector', () => {
  const TTL = { low: 0.8, high: 2 }
  it('every pull-up of the range is sure of both levels with the reserves, and just outside it none is', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 1e-4, max: 5e-3, noNaN: true }),
        fc.double({ min: 1e-8, max: 2e-5, noNaN: true }),
        (lit, dark) => {
          const r = pullUpsFor(lit, dark, 5, TTL)
          const sure = (ohms: number) =>
            5 - (lit / 2) * ohms <= TTL.low + 1e-9 && 5 - dark * 3 * ohms >= TTL.high - 1e-9
          if (!r) {
            for (const ohms of [1e3, 1e4, 3e4, 1e5]) expect(sure(ohms)).toBe(false)
            return
          }
          for (const ohms of [r.least, r.best, r.most]) expect(sure(ohms)).toBe(true)
          expect(sure(r.least * 0.99)).toBe(false)
          if (r.most < 100_000) expect(sure(r.most * 1.01)).toBe(false)
        },
      ),
      { numRuns: 300 },
    )
  })
  // Common practice, no source: at least 0.2 mA lit is a good one. Ohm's law by hand: (5 − 0.8) V ÷ 0.1 mA = 42 kΩ.
  it('the least good detector wants 42 kΩ', () => {
    expect(pullUpsFor(0.2e-3, 0, 5, TTL)!.least).toBeCloseTo(42_000, 6)
    expect(call(detectorCalculator, { lit: '0.2 mA', pull: '10k' })).toMatchObject({
      kind: 'nudge',
      reasons: [expect.stringMatching(/too strong for it/)],
    })
    expect(call(detectorCalculator, { lit: '0.2 mA', pull: '47k' }).kind).toBe('leave')
    expect(call(detectorCalculator, { lit: '6 µA' })).toMatchObject({
      kind: 'mend',
      reasons: [expect.stringMatching(/no pull-up makes it sure/)],
    })
    expect(call(detectorCalculator, { lit: '1 mA', pull: '10k', looks: 'differs' }).kind).toBe('mend')
    expect(call(detectorCalculator, { lit: '1 mA', pull: '10k', legs: 'swapped' }).kind).toBe('nudge')
    expect(call(detectorCalculator, { lit: '1 mA', pull: '10k', ledNm: '950', seesNm: '570' }).kind).toBe('unknown')
  })
})

describe('a replacement capacitor', () => {
  // Common practice, no source: same value, equal or higher voltage, fits the height, polarity marked.
  const fits = { marked: '10u', value: '10', volts: '16', newVolts: '25' }
  it('serves, or says what is wrong with it', () => {
    expect(call(capacitorFitCalculator, fits).kind).toBe('leave')
    expect(call(capacitorFitCalculator, { ...fits, newVolts: '10' })).toMatchObject({
      kind: 'stop',
      reasons: [expect.stringMatching(/may burst/)],
    })
    expect(call(capacitorFitCalculator, { ...fits, value: '4u7' }).kind).toBe('mend')
    expect(call(capacitorFitCalculator, { ...fits, value: '22', use: 'timing' }).reasons[0]).toMatch(
      /changes it by 120 %/,
    )
    expect(call(capacitorFitCalculator, { ...fits, polarity: 'unknown' }).kind).toBe('stop')
    // By what stands on its line, not by what the old part was rated: 16 V does on a 5 V line, not on a 12 V one.
    expect(call(capacitorFitCalculator, { ...fits, kind: 'tantalum' }).kind).toBe('unknown')
    expect(call(capacitorFitCalculator, { ...fits, kind: 'tantalum', line: '5' }).kind).toBe('leave')
    expect(
      call(capacitorFitCalculator, { ...fits, newVolts: '16', volts: '16', kind: 'tantalum', line: '12' }).next,
    ).toMatch(/24 V or more/)
  })
  it('too tall, it is laid flat where there is room beside its pads', () => {
    const tall = { ...fits, kind: 'leaded', height: '11', diameter: '5', above: '6' }
    expect(call(capacitorFitCalculator, { ...tall, beside: '15' })).toMatchObject({
      kind: 'nudge',
      reasons: ['Standing it is 5 mm too tall; laid flat it takes 5 mm of height and 14 mm of length.'],
    })
    expect(call(capacitorFitCalculator, { ...tall, beside: '12' }).reasons[0]).toMatch(/lying it needs 14 mm/)
    expect(call(capacitorFitCalculator, { ...tall, diameter: '8', beside: '20' }).reasons[0]).toMatch(
      /lying it is still 8 mm tall/,
    )
    expect(call(capacitorFitCalculator, { ...tall, kind: 'smd', beside: '20' }).reasons[0]).toMatch(
      /cannot be laid flat/,
    )
    expect(call(capacitorFitCalculator, tall).kind).toBe('unknown')
  })
})

describe('a board of capacitors', () => {
  const rows = (list: readonly Record<string, string>[]) =>
    Object.fromEntries(list.flatMap((r, i) => Object.entries(r).map(([k, v]) => [`caps.${i}.${k}`, v])))
  it('judges each, and puts together what is to buy', () => {
    const typed = rows([
      { name: 'C1', marked: '10u', volts: '16', reading: '1.22u', where: 'in' },
      { name: 'C2', marked: '10u', volts: '16', leaks: 'yes' },
      { name: 'C3', marked: '47u', volts: '6.3', reading: '46', esr: '0.5' },
      { name: 'C4', marked: '22u', volts: '12', reading: '3' },
      { name: 'C5', marked: '10', reading: '7', where: 'in' },
    ])
    const { result } = judgeCalculator(boardCalculator, typed)
    expect(result!.call).toMatchObject({
      kind: 'mend',
      reasons: ['3 of 5 want replacing: C1, C2, C4.', '1 cannot be judged in circuit: C5.'],
    })
    expect(result!.table!.rows).toEqual([
      [2, '10 µF', '16 V or more', 'C1, C2'],
      [1, '22 µF', '16 V or more', 'C4'],
    ])
  })
  it('a row that is still being typed is left out; a place that stands twice is said', () => {
    expect(judgeCalculator(boardCalculator, rows([{ name: 'C1' }])).needed).toEqual(['capacitor'])
    expect(() =>
      judgeCalculator(
        boardCalculator,
        rows([
          { name: 'C1', marked: '10' },
          { name: 'C1', marked: '10' },
        ]),
      ),
    ).toThrow(/C1 stands twice in the list/)
    expect(() => judgeCalculator(boardCalculator, { 'caps.3.marked': 'ten' })).toThrow(
      /^caps\.3\.marked: “ten” cannot be read as marked/,
    )
    expect(judgeCalculator(boardCalculator, rows([{ marked: '10000000', reading: '9' }])).doubts[0]).toMatch(
      /^capacitor 1: Marked of 10000000 µF is far from usual/,
    )
  })
  it('buys for each part once, whatever the list', () => {
    const part = fc.record({
      marked: fc.constantFrom(1, 4.7, 10, 22, 47, 100),
      volts: fc.constantFrom(undefined, 6.3, 10, 16, 25),
    })
    fc.assert(
      fc.property(fc.array(part, { maxLength: 30 }), parts => {
        const list = shoppingList(parts.map((p, i) => ({ ...p, name: `C${i}` })))
        expect(list.reduce((n, [count]) => n + count, 0)).toBe(parts.length)
        expect(new Set(list.map(([, value, volts]) => `${value} ${volts}`)).size).toBe(list.length)
      }),
    )
  })
})
