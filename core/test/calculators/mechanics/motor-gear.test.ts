import { describe, expect, it } from 'vitest'
import { gearModule, moduleFromSpans, gearCalculator, motorCalculator } from '../../../src/calculators/mechanics'
import { judgeCalculator, type Calculator } from '../../../src/calculators/calculator'

const call = (sum: Calculator, typed: Record<string, string>) => judgeCalculator(sum, typed).result!.call
const alike = { volts1: '12', volts2: '12', speed1: '2400', speed2: '2400', shaft1: '2', shaft2: '2' }

describe('motor for motor', () => {
  // Common practice, no source: same voltage, speed, shaft, mounting and wiring, even if the suffix differs.
  it('alike in what matters, it may go in', () => {
    expect(call(motorCalculator, alike)).toMatchObject({
      kind: 'leave',
      reasons: ['Alike in 3 of 6 sizes that were compared: a suffix alone need not matter.'],
    })
    expect(call(motorCalculator, { volts1: '12', volts2: '12' }).kind).toBe('unknown')
  })

  it('names each difference, the gravest first, and the way round it', () => {
    expect(call(motorCalculator, { ...alike, volts2: '9' })).toMatchObject({
      kind: 'stop',
      reasons: ['Voltage: 9 in place of 12.'],
    })
    expect(call(motorCalculator, { ...alike, speed2: '2460' })).toMatchObject({
      kind: 'nudge',
      reasons: ['It is 2.5 % faster: the trimmer makes that good.'],
    })
    // By hand: 9 mm × 2400 ÷ 3000 = 7.2 mm.
    expect(call(motorCalculator, { ...alike, speed2: '3000', pulley: '9' })).toMatchObject({
      kind: 'mend',
      next: 'A pulley of 7.2 mm makes up for it.',
    })
    expect(call(motorCalculator, { ...alike, turns1: 'left', turns2: 'right', kind: 'brushed' })).toMatchObject({
      kind: 'nudge',
    })
    expect(call(motorCalculator, { ...alike, turns1: 'left', turns2: 'right', kind: 'brushless' })).toMatchObject({
      kind: 'mend',
    })
    expect(call(motorCalculator, { ...alike, tacho1: 'yes', tacho2: 'no', shaft2: '2.3' }).reasons).toEqual([
      'Shaft: 2.3 in place of 2.',
      'The board expects a tachometer winding, and this one has none.',
    ])
    expect(call(motorCalculator, { ...alike, height1: '20', height2: '24', body1: '30', body2: '36' }).reasons).toEqual(
      ['It is taller and wider than its place.'],
    )
    expect(call(motorCalculator, { ...alike, draw: '0.2', drawUsual: '0.1' }).reasons[0]).toMatch(
      /2\.0 times the usual/,
    )
  })
})

describe('gears', () => {
  // ISO 53: outside diameter = module × (teeth + 2); a 20-tooth gear of module 0.5 has 11 mm.
  it('module from the outside', () => expect(gearModule(11, 20)).toBeCloseTo(0.5, 12))

  it('count-in equals count-out before a good gear goes in', () => {
    const good = { teeth1: '20', outside1: '11', teeth2: '20', outside2: '11' }
    expect(call(gearCalculator, { ...good, broken: '2', found: '2' }).kind).toBe('leave')
    expect(call(gearCalculator, { ...good, broken: '2', found: '1' })).toMatchObject({
      kind: 'stop',
      reasons: ['1 of 2 broken teeth are still inside: they break the next gear.'],
    })
    expect(call(gearCalculator, { ...good, broken: '1', found: '3' })).toMatchObject({
      kind: 'unknown',
      reasons: [expect.stringMatching(/another gear has lost some/)],
    })
    expect(call(gearCalculator, { ...good, teeth2: '22' }).kind).toBe('mend')
    expect(call(gearCalculator, { ...good, outside2: '13.2' }).reasons[0]).toMatch(
      /Its module is 0\.60 mm in place of 0\.50/,
    )
    // A gear of the same teeth with a profile shift of +0.5: its outside is one module larger, no other gear at all.
    expect(call(gearCalculator, { ...good, outside2: '11.5' })).toMatchObject({
      kind: 'unknown',
      reasons: [expect.stringMatching(/a profile shift does the same/)],
    })
    expect(call(gearCalculator, { ...good, run: '0.1', stall: '0.12' }).reasons[0]).toMatch(/the motor is weak/)
    // The same two by their spans: equal differences are equal teeth.
    const spans = { span1: '2.30', spanMore1: '3.776', span2: '2.471', spanMore2: '3.947' }
    expect(call(gearCalculator, { ...good, outside2: '11.5', ...spans }).reasons[0]).toMatch(/profile-shifted/)
    expect(call(gearCalculator, { teeth1: '20' }).kind).toBe('unknown')
    expect(() => judgeCalculator(gearCalculator, { teeth1: '2' })).toThrow(
      'teeth1: a gear of 2 teeth; expected 4 or more.',
    )
  })

  // Base tangent length of a gear of module 1, 20 teeth, over three: 7.6604 mm in the tables of machine-element
  // handbooks (from memory); over two by their formula W = cos 20° (π (k − ½) + z inv 20°).
  it('the module from spans is the handbook’s', () => {
    const inv = Math.tan(Math.PI / 9) - Math.PI / 9
    const tabled = (over: number, z: number) => Math.cos(Math.PI / 9) * (Math.PI * (over - 0.5) + z * inv)
    expect(tabled(3, 20)).toBeCloseTo(7.6604, 3)
    expect(moduleFromSpans(tabled(2, 20), 7.6604)).toBeCloseTo(1, 3)
    expect(() => judgeCalculator(gearCalculator, { span1: '5', spanMore1: '4' })).toThrow(/spanMore1/)
  })
})
