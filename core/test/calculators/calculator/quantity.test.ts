import { describe, expect, it } from 'vitest'
import { awgArea, awgDiameter, judgeCalculator, readQuantity, type Quantity } from '../../../src/calculators/calculator'
import { CALCULATORS } from '../../../src/calculators/registry'

describe('quantities as people type them', () => {
  it.each<[string, Quantity, number]>([
    ['62', 'length', 62],
    ['6,2 cm', 'length', 62],
    ['1/4 in', 'length', 6.35],
    ['1 1/2 in', 'length', 38.1],
    ['0.25"', 'length', 6.35],
    ['40 thou', 'length', 1.016],
    ['4k7', 'resistance', 4700],
    ['4.7 k', 'resistance', 4700],
    ['220', 'resistance', 220],
    ['220R', 'resistance', 220],
    ['0R22', 'resistance', 0.22],
    ['1M', 'resistance', 1e6],
    ['10 kΩ', 'resistance', 10_000],
    ['47 ohms', 'resistance', 47],
    ['10u', 'capacitance', 10],
    ['10', 'capacitance', 10],
    ['100n', 'capacitance', 0.1],
    ['4u7', 'capacitance', 4.7],
    ['10 µF', 'capacitance', 10],
    ['1.22uF', 'capacitance', 1.22],
    ['150 mV', 'voltage', 0.15],
    ['1,2 V', 'voltage', 1.2],
    ['0.2mA', 'current', 0.0002],
    ['6 µA', 'current', 6e-6],
    ['0.5', 'current', 0.5],
    ['20 AWG', 'wire', 0.5176],
    ['awg 24', 'wire', 0.2047],
    ['0.5 mm2', 'wire', 0.5],
    ['300 r/min', 'speed', 300],
    ['250 ms', 'time', 0.25],
    ['2 min', 'time', 120],
    ['20 %', 'share', 20],
    ['2', 'count', 2],
  ])('%s as %s', (text, quantity, value) => {
    const got = readQuantity(text, quantity, 'Value')
    expect(got / value).toBeCloseTo(1, 3)
  })

  it.each<[string, Quantity]>([
    ['', 'length'],
    ['wide', 'length'],
    ['4k7k', 'resistance'],
    ['5 furlong', 'length'],
    ['1.2.3', 'voltage'],
    ['2.5', 'count'],
    ['NaN', 'speed'],
    ['1/0 in', 'length'],
  ])('“%s” is no %s, said in a sentence', (text, quantity) => {
    expect(() => readQuantity(text, quantity, 'Motor pulley')).toThrow(
      /^Motor pulley: “.*” cannot be read as motor pulley; expected .*\.$/,
    )
  })

  // ASTM B258: 20 AWG has 0.812 mm and (with copper at 20 °C) 33.3 Ω/km; 10 AWG 2.588 mm; 36 AWG 0.127 mm by
  // definition.
  it('gauges are those of ASTM B258', () => {
    expect(awgDiameter(20)).toBeCloseTo(0.812, 3)
    expect(awgDiameter(10)).toBeCloseTo(2.588, 3)
    expect(awgDiameter(36)).toBe(0.127)
    expect(1000 / 58 / awgArea(20)).toBeCloseTo(33.3, 1)
  })
})

describe('sums, whatever is typed', () => {
  it('have fields of their own, with a unit, with choices or in words', () => {
    for (const s of CALCULATORS) {
      expect(new Set(s.fields.map(f => f.key)).size).toBe(s.fields.length)
      for (const f of s.fields)
        expect([f.quantity, f.choices, f.words].filter(Boolean), `${s.id} ${f.key}`).toHaveLength(1)
      expect(s.formulas.length).toBeGreaterThan(0)
    }
  })

  it('say what is still needed, and ask about numbers that look like another unit', () => {
    const sensor = CALCULATORS.find(s => s.id === 'sensor')!
    expect(
      judgeCalculator(
        CALCULATORS.find(s => s.id === 'detector')!,
        { pull: '22k' },
      ),
    ).toMatchObject({ result: null, needed: ['Current, lit'] })
    expect(judgeCalculator(sensor, { lit: '0.3 mA', pull: '22' }).doubts).toEqual([
      'Pull-up of 22 Ω is far from usual (1000 to 200000 Ω): is that the unit you meant?',
    ])
    expect(judgeCalculator(sensor, { lit: '0.3 mA', pull: '22k' }).doubts).toEqual([])
    expect(
      judgeCalculator(
        CALCULATORS.find(s => s.id === 'supply')!,
        {},
      ),
    ).toMatchObject({ result: null, needed: ['anything that is known of it'] })
    expect(() => judgeCalculator(sensor, { lit: '-1 mA', pull: '22k' })).toThrow(
      'lit: Detector current, lit cannot be -1 mA; expected more than 0.',
    )
    expect(() => judgeCalculator(sensor, { lit: 'bright', pull: '22k' })).toThrow(/^lit: “bright” cannot be read/)
    expect(() => judgeCalculator(sensor, { lit: '1 mA', pull: '22k', logic: 'steam' })).toThrow(
      'logic: “steam” is not a choice for logic it drives; expected standard TTL, low-power Schottky TTL, low-power Schottky, Schmitt trigger, CMOS or comparator, 5 V.',
    )
  })
})
