import { readFileSync } from 'node:fs'
import { describe, expect, it } from 'vitest'
import {
  capacitorCalculator,
  currentFor,
  leadResistance,
  leadCalculator,
  levelAt,
  LOGIC,
  contactsOf,
  contactsSaid,
  nearestE6,
  sensorCalculator,
  supplyCalculator,
  switchCalculator,
} from '../../../src/calculators/electronics'
import { awgArea, judgeCalculator, type Calculator } from '../../../src/calculators/calculator'

const call = (sum: Calculator, typed: Record<string, string>) => judgeCalculator(sum, typed).result!.call
const line = (sum: Calculator, typed: Record<string, string>, label: string) =>
  judgeCalculator(sum, typed).result!.lines.find(l => l.label === label)!.value

describe('supply', () => {
  // Common practice, no source: a drive marked 12 V 0.5 A is happy on 12 V 1 A and 5 V 1 A or more.
  it('the trade’s rule holds', () => {
    expect(call(supplyCalculator, { draw12: '0.5', has12: '1', draw5: '0.5', has5: '1' }).kind).not.toBe('stop')
    expect(call(supplyCalculator, { draw12: '0.5', has12: '1.2', draw5: '0.5', has5: '1' }).kind).toBe('leave')
    // One supply voltage says nothing of the other, unless the drive has none.
    const only12 = { draw12: '0.5', has12: '3' }
    expect(call(supplyCalculator, only12)).toMatchObject({
      kind: 'unknown',
      reasons: [expect.stringMatching(/Of 5 V/)],
    })
    expect(call(supplyCalculator, { ...only12, draw5: '0.4' }).kind).toBe('unknown')
    expect(call(supplyCalculator, { ...only12, draw5: '0' }).kind).toBe('leave')
    expect(call(supplyCalculator, { draw12: '0.5', has12: '0.8' })).toMatchObject({
      kind: 'stop',
      reasons: ['12 V gives 0.8 A and 0.90 A are needed at start.'],
    })
  })
  it('only one of two drives starts at a time', () => {
    expect(line(supplyCalculator, { draw12: '0.5', has12: '3', drives: '2' }, '12 V: needed at start')).toBeCloseTo(
      0.5 + 0.9,
      9,
    )
  })
  it('old capacitors, a least load and ripple are seen', () => {
    const good = { draw12: '0.5', has12: '3', draw5: '0.4', has5: '5' }
    expect(call(supplyCalculator, { ...good, capacitors: 'old' }).kind).toBe('mend')
    expect(call(supplyCalculator, { ...good, least: '1' }).reasons[0]).toMatch(/at least 1 A on 5 V/)
    expect(call(supplyCalculator, { ...good, ripple: '180 mV' }).reasons[0]).toMatch(/180 mV/)
    expect(call(supplyCalculator, { ripple: '180 mV' }).kind).toBe('unknown')
  })
})

describe('lead', () => {
  // ASTM B258 with copper at 20 °C: 20 AWG has 33.3 Ω/km.
  it('a metre of 20 AWG there and back has 66.6 mΩ', () => {
    expect(leadResistance(1000, awgArea(20)) * 1000).toBeCloseTo(66.6, 1)
  })
  it('a thin long lead is too thin, and the call says how thick it should be', () => {
    expect(call(leadCalculator, { length: '150', wire: '20 AWG', current: '0.9' }).kind).toBe('leave')
    const thin = call(leadCalculator, { length: '2 m', wire: '0.05', current: '0.9', rail: '12' })
    expect(thin.kind).toBe('mend')
    const area = /Use ([\d.]+) mm²/.exec(thin.next)![1]!
    expect(
      call(leadCalculator, { length: '2 m', wire: String(Number(area) + 0.01), current: '0.9', rail: '12' }).kind,
    ).toBe('leave')
  })
})

interface NodeCase {
  readonly insideOhm: number | null
  readonly pullOhm: number
  readonly milliamps: number
  readonly volts: number
}

describe('a detector, its pull-up and a logic input', () => {
  // Solved by ngspice on the transistors of a gate's input (core/test/fixtures/sensor-network/make_levels.py).
  const { cases } = JSON.parse(
    readFileSync(new URL('../../fixtures/sensor-network/levels.json', import.meta.url), 'utf8'),
  ) as { cases: NodeCase[] }
  it.each([
    ['no input current', null],
    ['a standard TTL input', 4000],
    ['a low-power Schottky input', 20_000],
  ] as const)('%s: levels as the solver’s', (_, insideOhm) => {
    const mine = cases.filter(c => c.insideOhm === insideOhm)
    expect(mine).toHaveLength(32)
    for (const c of mine) {
      const level = (intoHigh: number) =>
        levelAt(
          {
            supply: 5,
            pull: c.pullOhm,
            input: {
              label: '',
              low: 0.8,
              high: 2,
              ...(insideOhm ? { inside: { typical: insideOhm, least: insideOhm } } : {}),
              intoHigh,
            },
            inside: 'typical',
          },
          c.milliamps / 1000,
        )
      // A high input takes something between nothing and the data books' 40 µA.
      expect(c.volts).toBeLessThanOrEqual(level(0) + 0.1)
      expect(c.volts).toBeGreaterThanOrEqual(Math.min(level(0), level(insideOhm ? 40e-6 : 0)) - 0.1)
    }
  })
  // Data books (from memory): at most 1.6 mA out of a standard input at 0.4 V, 0.4 mA out of a low-power Schottky one.
  it('the largest input current is the data books’', () => {
    for (const [family, milliamps] of [
      ['ttl', 1.6],
      ['ls', 0.4],
    ] as const) {
      const node = { supply: 5, pull: 1e9, input: LOGIC[family], inside: 'least' } as const
      expect(currentFor(node, 0.4) * 1000).toBeCloseTo(milliamps, 2)
    }
  })
})

describe('a sensor in circuit', () => {
  // Common practice, no source: 0.1–0.2 V lit and near 5 V shaded, or the other way round; judge the difference.
  it('is judged by the difference, whichever level is the lit one, without any pull-up', () => {
    expect(call(sensorCalculator, { litVolts: '0.15', darkVolts: '4.9' }).kind).toBe('leave')
    expect(call(sensorCalculator, { litVolts: '4.8', darkVolts: '0.1' }).kind).toBe('leave')
    expect(call(sensorCalculator, { litVolts: '4.8', darkVolts: '4.9' })).toMatchObject({
      kind: 'mend',
      reasons: ['Lit 4.8 V, shaded 4.9 V: the light changes nothing.'],
    })
    expect(call(sensorCalculator, { litVolts: '1.5', darkVolts: '4.9' }).kind).toBe('mend')
    expect(call(sensorCalculator, { litVolts: '0.7', darkVolts: '4.9' }).kind).toBe('unknown')
    expect(call(sensorCalculator, { litVolts: '0.15' })).toMatchObject({
      kind: 'unknown',
      next: 'Measure it shaded too.',
    })
  })
  it('a few microamperes, lit and freed, are a verdict by themselves', () => {
    expect(call(sensorCalculator, { lit: '6 µA' }).kind).toBe('mend')
    expect(call(sensorCalculator, { lit: '0.3 mA' }).kind).toBe('leave')
  })
  it('what drives standard TTL must sink its input current too; a detector of 0.6 mA cannot', () => {
    expect(call(sensorCalculator, { lit: '0.6 mA', pull: '22k', logic: 'ttl' }).kind).toBe('mend')
    expect(call(sensorCalculator, { lit: '0.6 mA', pull: '22k', logic: 'cmos' }).kind).toBe('leave')
    // Not said: not known yet, until the level in circuit settles it.
    expect(call(sensorCalculator, { lit: '0.6 mA', pull: '22k' }).kind).toBe('unknown')
    expect(call(sensorCalculator, { lit: '0.6 mA', pull: '22k', litVolts: '0.15', darkVolts: '4.9' }).kind).toBe(
      'leave',
    )
  })
})

describe('optical sensor', () => {
  // Common practice, no source: at least 0.2 mA lit is good, 6 µA was dead; in circuit 0.1 to 0.2 V lit and near 5 V
  // shaded; the LED drops 1.1 to 1.3 V.
  it('the trade facts hold', () => {
    expect(call(sensorCalculator, { lit: '6 µA', pull: '22k' })).toMatchObject({
      kind: 'mend',
      reasons: ['It passes 6 µA with the light on it: dead.'],
    })
    expect(call(sensorCalculator, { lit: '0.6 mA', pull: '22k', dark: '0.1 µA', led: '1.2', logic: 'cmos' }).kind).toBe(
      'leave',
    )
    const lit = line(sensorCalculator, { lit: '0.6 mA', pull: '22k' }, 'Level when lit') as number
    expect(lit).toBeGreaterThanOrEqual(0.1)
    expect(lit).toBeLessThanOrEqual(0.2)
    expect(line(sensorCalculator, { lit: '0.6 mA', pull: '22k', dark: '1 µA' }, 'Level when shaded')).toBeCloseTo(
      4.978,
      3,
    )
    expect(call(sensorCalculator, { lit: '0.15 mA', pull: '47k' })).toMatchObject({
      kind: 'mend',
      reasons: [expect.stringMatching(/0\.2 mA is the least/), expect.anything()],
    })
    expect(call(sensorCalculator, { lit: '0.6 mA', pull: '22k', led: '0.2' }).reasons[0]).toMatch(/drops 0\.2 V/)
    expect(call(sensorCalculator, { lit: '0.6 mA', pull: '22k', camera: 'dark' }).reasons[0]).toMatch(
      /does not glow in a camera/,
    )
  })
  // Ohm's law by hand: 5 V − 0.2 mA × 10 kΩ = 3 V, no TTL low; 5 V − 0.2 mA × 22 kΩ = 0.6 V is one.
  it('levels by Ohm’s law', () => {
    expect(line(sensorCalculator, { lit: '0.2 mA', pull: '10k' }, 'Level when lit')).toBeCloseTo(3, 9)
    expect(call(sensorCalculator, { lit: '0.2 mA', pull: '10k' }).reasons[0]).toMatch(/never gets low enough/)
    expect(line(sensorCalculator, { lit: '0.2 mA', pull: '22k' }, 'Level when lit')).toBeCloseTo(0.6, 9)
    // Sure today, but with 1.05 times the light it needs: it fails as the LED ages.
    expect(call(sensorCalculator, { lit: '0.2 mA', pull: '22k' }).kind).toBe('unknown')
  })
})

describe('capacitor', () => {
  // Common practice, no source: a 10 µF part reading 1.22 µF is dead, even in circuit.
  it('ten microfarads reading 1.22 are dead in circuit and out of it', () => {
    for (const where of ['in', 'out'])
      expect(call(capacitorCalculator, { marked: '10u', reading: '1.22u', where })).toMatchObject({
        kind: 'mend',
        reasons: [expect.stringMatching(/12 % of its mark: dead/)],
      })
  })
  it('a low reading in circuit is not proof; out of circuit it is', () => {
    expect(call(capacitorCalculator, { marked: '10', reading: '7', where: 'in' }).kind).toBe('unknown')
    expect(call(capacitorCalculator, { marked: '10', reading: '7', where: 'out' }).kind).toBe('mend')
    expect(call(capacitorCalculator, { marked: '10', reading: '9.2', where: 'out', esr: '1.5' }).kind).toBe('leave')
    expect(call(capacitorCalculator, { marked: '10', reading: '9.2', esr: '14' }).reasons[0]).toMatch(/dried out/)
    expect(
      call(capacitorCalculator, { marked: '10', reading: '9.2', where: 'out', series: 'leaky' }).reasons[0],
    ).toMatch(/its series leaks/)
    expect(call(capacitorCalculator, { marked: '10', reading: '9.2', age: '35' })).toMatchObject({
      kind: 'unknown',
      reasons: [expect.stringMatching(/35 years old and its ESR was not measured/)],
    })
    expect(call(capacitorCalculator, { marked: '10', reading: '9.2', esr: '1.5', age: '35' }).kind).toBe('leave')
    expect(call(capacitorCalculator, { marked: '10' }).kind).toBe('unknown')
  })
  // The impedance of everything between the two leads, summed by hand: a dry 10 µF part that has 1 µF left, beside a
  // good 10 µF one and 100 Ω, seen by a meter that takes it at 1 kHz for a capacitor and a resistor in series.
  it('a dead one beside a good one reads well in circuit, and is not called sound', () => {
    const w = 2 * Math.PI * 1000
    const [g, b] = [1 / 100, w * 11e-6]
    const seriesFarads = (g * g + b * b) / (w * b)
    const reads = `${(seriesFarads * 1e6).toFixed(2)}u`
    expect(seriesFarads).toBeGreaterThan(10e-6)
    expect(call(capacitorCalculator, { marked: '10u', reading: reads, where: 'in' }).kind).toBe('unknown')
    expect(call(capacitorCalculator, { marked: '10u', reading: reads, where: 'in', beside: '10u' }).kind).toBe('mend')
    expect(call(capacitorCalculator, { marked: '10u', reading: '10u', where: 'out' }).kind).toBe('leave')
  })
  it('a marking is no measurement: nothing is kept of a part that was not measured', () => {
    expect(judgeCalculator(capacitorCalculator, { marked: '10' }).result!.observations).toEqual([])
    expect(judgeCalculator(capacitorCalculator, { marked: '10', esr: '2' }).result!.observations).toMatchObject([
      { value: 2, unit: 'Ω' },
    ])
  })
  // IEC 60063 E6: 10, 15, 22, 33, 47, 68.
  it('replacements are E6 values', () => {
    expect([9.1, 11, 13, 25, 40, 56, 90].map(nearestE6)).toEqual([10, 10, 15, 22, 47, 47, 100])
    expect(line(capacitorCalculator, { marked: '47', volts: '16' }, 'Replace with')).toBe('47 µF, 16 V or more')
    expect(line(capacitorCalculator, { marked: '100', volts: '16' }, 'Replace with')).toBe('100 µF, 16 V or more')
    expect(line(capacitorCalculator, { marked: '47', volts: '12' }, 'Replace with')).toBe('47 µF, 16 V or more')
  })
})

describe('switch', () => {
  const on = (...pairs: string[]) =>
    Object.fromEntries(['ab', 'bc', 'ac'].map(p => [p, pairs.includes(p)])) as Record<'ab' | 'bc' | 'ac', boolean>
  const asked = (rest: string[], pressed: string[]) => contactsSaid(contactsOf(on(...rest), on(...pressed), 3))
  // Common practice, no source: a small switch may be one contact or two independent ones round a common middle pin,
  // normally open or closed; none may be assumed.
  it('one contact, a changeover, two round the middle pin: each as it is', () => {
    expect(asked(['ab'], ['bc'])).toBe('Changeover: common is B, normally closed A, normally open C.')
    expect(asked([], ['ac'])).toBe('A to C closes when pressed.')
    expect(asked(['ab'], [])).toBe('A to B opens when pressed.')
    expect(asked([], ['ab', 'bc', 'ac'])).toBe(
      'A to B closes when pressed; B to C closes when pressed; A to C closes when pressed.',
    )
    expect(asked(['ac'], ['ac'])).toBe('A to C are joined always.')
  })
  it('what follows is not asked for again, and nothing else is taken for granted', () => {
    // Joined to B both, A and C are joined; A apart from B is apart from C as well.
    expect(contactsOf({ ab: true, bc: true }, { ab: true, bc: false }, 3).open).toEqual([])
    expect(contactsOf({ ab: true }, { bc: true }, 3).open).toHaveLength(4)
    expect(call(switchCalculator, { 'rest-ab': 'yes' })).toMatchObject({
      kind: 'unknown',
      next: 'Measure B to C at rest.',
    })
  })
  it('names a contradiction, and a switch that does nothing', () => {
    expect(call(switchCalculator, { 'rest-ab': 'yes', 'rest-bc': 'yes', 'rest-ac': 'no' })).toMatchObject({
      kind: 'unknown',
      reasons: [expect.stringMatching(/A to C reads open at rest/), expect.anything()],
    })
    expect(call(switchCalculator, { pins: '2', 'rest-ab': 'no', 'pressed-ab': 'no' }).kind).toBe('mend')
    expect(call(switchCalculator, { pins: '2', 'rest-ab': 'no', 'pressed-ab': 'yes' }).kind).toBe('leave')
  })
})
