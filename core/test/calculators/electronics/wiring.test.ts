import { describe, expect, it } from 'vitest'
import {
  cutList,
  jointCalculator,
  leastPull,
  supplyCalculator,
  wiresCalculator,
} from '../../../src/calculators/electronics'
import { motorCalculator } from '../../../src/calculators/mechanics'
import { awgArea, judgeCalculator, readQuantity, type Calculator } from '../../../src/calculators/calculator'

const call = (sum: Calculator, typed: Record<string, string>) => judgeCalculator(sum, typed).result!.call
const rows = (list: readonly Record<string, string>[]) =>
  Object.fromEntries(list.flatMap((r, i) => Object.entries(r).map(([k, v]) => [`wires.${i}.${k}`, v])))

describe('wire list', () => {
  const loom = [
    { name: 'Plug 1 to board 5 V', colour: 'red', length: '300', wire: '20 AWG', current: '0.6', rail: '5' },
    { name: 'Plug 2 to ground', colour: 'black', length: '300', wire: '20 AWG', current: '1.2', rail: '5' },
    { name: 'Plug 4 to motor', colour: 'yellow', length: '350', wire: '20 AWG', current: '0.9', rail: '12' },
  ]
  it('adds up what is to cut, and says which wire is too thin', () => {
    const { result } = judgeCalculator(wiresCalculator, rows(loom))
    expect(result!.call.kind).toBe('leave')
    expect(result!.table!.rows).toEqual([
      [1, '0.518 mm²', 'black', '0.33 m'],
      [1, '0.518 mm²', 'red', '0.33 m'],
      [1, '0.518 mm²', 'yellow', '0.39 m'],
    ])
    expect(call(wiresCalculator, rows([{ ...loom[0]!, wire: '28 AWG' }])).reasons[0]).toMatch(/make 0\.081 mm² warm/)
    expect(call(wiresCalculator, rows([{ ...loom[0]!, wire: '24 AWG', length: '2 m' }])).reasons[0]).toMatch(
      /loses \d+\.\d % of 5 V/,
    )
    expect(call(wiresCalculator, rows([loom[0]!, { ...loom[1]!, colour: 'Red' }])).reasons).toEqual([
      'Two wires have one colour.',
    ])
    expect(() => judgeCalculator(wiresCalculator, rows([loom[0]!, loom[0]!]))).toThrow(/stands twice/)
  })
  it('a wire that is called too thin is thick enough at the area that is named', () => {
    const thin = call(wiresCalculator, rows([{ ...loom[0]!, wire: '26 AWG', length: '1000' }]))
    const area = /Take ([\d.]+) mm²/.exec(thin.next)![1]!
    expect(call(wiresCalculator, rows([{ ...loom[0]!, wire: `${Number(area) * 1.01}`, length: '1000' }])).kind).toBe(
      'leave',
    )
  })
  it('pieces of one wire and colour are one line', () => {
    expect(
      cutList([
        { area: 0.5, colour: 'Red', length: 100 },
        { area: 0.5, colour: 'red', length: 200 },
        { area: 0.2, colour: 'red', length: 50 },
      ]),
    ).toEqual([
      { area: 0.5, colour: 'Red', pieces: 2, total: 330 },
      { area: 0.2, colour: 'red', pieces: 1, total: 55 },
    ])
  })
})

describe('crimp and joint', () => {
  // UL 486A, from memory: a crimp on 20 AWG stands 13 lb, on 18 AWG 20 lb.
  it('least pull by gauge', () => {
    expect(leastPull(awgArea(20)) / 4.4482216).toBeCloseTo(13, 9)
    expect(leastPull(awgArea(18)) / 4.4482216).toBeCloseTo(20, 9)
    // Between two gauges the thinner one's pull is asked.
    expect(leastPull(0.6) / 4.4482216).toBeCloseTo(13, 9)
    expect(leastPull(0.01) / 4.4482216).toBeCloseTo(3, 9)
  })
  // Common practice, no source: a crimp that pierced the sheath fails years later.
  it('judges by look, pull and resistance', () => {
    expect(call(jointCalculator, { looks: 'sheath' })).toMatchObject({
      kind: 'mend',
      reasons: [expect.stringMatching(/works for years, then fails/), ...[]],
    })
    expect(call(jointCalculator, { looks: 'clean' }).kind).toBe('unknown')
    expect(
      call(jointCalculator, { kind: 'crimp', looks: 'clean', wire: '20 AWG', pull: '13 lb', held: 'yes' }).kind,
    ).toBe('leave')
    expect(call(jointCalculator, { kind: 'crimp', wire: '20 AWG', pull: '30', held: 'no' }).reasons[0]).toBe(
      'It came off at 30 N; 57.8 N is the least.',
    )
    expect(call(jointCalculator, { kind: 'solder', looks: 'clean', drop: '30 mV', current: '1' }).reasons[0]).toMatch(
      /30 mΩ; 10 mΩ is the most/,
    )
    expect(call(jointCalculator, { kind: 'solder', looks: 'clean', drop: '3 mV', current: '1' }).kind).toBe('leave')
  })
})

describe('motor leads', () => {
  const alike = { volts1: '12', volts2: '12', speed1: '2000', speed2: '2000', shaft1: '2', shaft2: '2' }
  // Common practice, no source: leads that are too short are extended with 20 AWG, tied well clear of the belt.
  it('too short, they are lengthened with 20 AWG; too near the belt, they are tied away', () => {
    expect(call(motorCalculator, { ...alike, lead: '80', reach: '140' })).toMatchObject({
      kind: 'nudge',
      reasons: ['Its leads are 60 mm short.'],
      next: expect.stringMatching(/Lengthen each by 66 mm with 20 AWG/),
    })
    expect(call(motorCalculator, { ...alike, lead: '150', reach: '140' }).kind).toBe('leave')
    expect(call(motorCalculator, { ...alike, leads1: '2', leads2: '4' }).reasons[0]).toBe(
      'It has 4 leads in place of 2: it is driven in another way.',
    )
    expect(call(motorCalculator, { ...alike, order: 'unknown' }).kind).toBe('unknown')
    expect(call(motorCalculator, { ...alike, clear: '2' }).reasons[0]).toMatch(/the belt would catch it/)
    expect(call(motorCalculator, { ...alike, lead: '80', reach: '600', wire: '0.03', startAmps: '1' }).kind).toBe(
      'mend',
    )
  })
})

describe('supplies', () => {
  it('drives on one motor line start together', () => {
    const two = { draw12: '0.5', has12: '1.6', drives: '2' }
    expect(call(supplyCalculator, { ...two, together: 'no' }).kind).not.toBe('stop')
    expect(call(supplyCalculator, { ...two, together: 'yes' })).toMatchObject({
      kind: 'stop',
      reasons: ['12 V gives 1.6 A and 1.80 A are needed at start.'],
    })
  })
  it('an old supply’s capacitors are looked at first', () => {
    const good = { draw12: '0.5', has12: '3', draw5: '0.4', has5: '5' }
    expect(call(supplyCalculator, { ...good, age: '30' }).kind).toBe('mend')
    expect(call(supplyCalculator, { ...good, age: '30', capacitors: 'new' }).kind).toBe('leave')
  })
})

describe('a thread wrapped round a pulley', () => {
  // Ten turns of a thread round 62 mm are π × 620 = 1947.8 mm.
  it('gives its diameter', () => {
    expect(readQuantity('1947.8 round 10', 'diameter', 'x')).toBeCloseTo(62, 2)
    expect(readQuantity('76.68 in round 10', 'diameter', 'x')).toBeCloseTo(62, 1)
    expect(readQuantity('62', 'diameter', 'x')).toBe(62)
    expect(() => readQuantity('1948 round', 'diameter', 'x')).toThrow(/thread wrapped round it/)
    expect(readQuantity('13 lb', 'force', 'x')).toBeCloseTo(57.83, 2)
  })
})
