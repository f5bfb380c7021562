import { describe, expect, it } from 'vitest'
import { gearModule, gearSum, motorSum } from '../../src/drivetrain'
import { judgeSum, type Sum } from '../../src/sums'

const call = (sum: Sum, typed: Record<string, string>) => judgeSum(sum, typed).result!.call
const alike = { volts1: '12', volts2: '12', speed1: '2400', speed2: '2400', shaft1: '2', shaft2: '2' }

describe('motor for motor', () => {
  // Common practice, no source: same voltage, speed, shaft, mounting and wiring, even if the suffix differs.
  it('alike in what matters, it may go in', () => {
    expect(call(motorSum, alike)).toMatchObject({
      kind: 'leave',
      reasons: ['Alike in 3 of 6 sizes that were compared: a suffix alone need not matter.'],
    })
    expect(call(motorSum, { volts1: '12', volts2: '12' }).kind).toBe('unknown')
  })

  it('names each difference, the gravest first, and the way round it', () => {
    expect(call(motorSum, { ...alike, volts2: '9' })).toMatchObject({
      kind: 'stop',
      reasons: ['Voltage: 9 in place of 12.'],
    })
    expect(call(motorSum, { ...alike, speed2: '2460' })).toMatchObject({
      kind: 'nudge',
      reasons: ['It is 2.5 % faster: the trimmer makes that good.'],
    })
    // By hand: 9 mm × 2400 ÷ 3000 = 7.2 mm.
    expect(call(motorSum, { ...alike, speed2: '3000', pulley: '9' })).toMatchObject({
      kind: 'mend',
      next: 'A pulley of 7.2 mm makes up for it.',
    })
    expect(call(motorSum, { ...alike, turns1: 'left', turns2: 'right', kind: 'brushed' })).toMatchObject({
      kind: 'nudge',
    })
    expect(call(motorSum, { ...alike, turns1: 'left', turns2: 'right', kind: 'brushless' })).toMatchObject({
      kind: 'mend',
    })
    expect(call(motorSum, { ...alike, tacho1: 'yes', tacho2: 'no', shaft2: '2.3' }).reasons).toEqual([
      'Shaft: 2.3 in place of 2.',
      'The board expects a tachometer winding, and this one has none.',
    ])
    expect(call(motorSum, { ...alike, height1: '20', height2: '24', body1: '30', body2: '36' }).reasons).toEqual([
      'It is taller and wider than its place.',
    ])
    expect(call(motorSum, { ...alike, draw: '0.2', drawUsual: '0.1' }).reasons[0]).toMatch(/2\.0 times the usual/)
  })
})

describe('gears', () => {
  // ISO 53: outside diameter = module × (teeth + 2); a 20-tooth gear of module 0.5 has 11 mm.
  it('module from the outside', () => expect(gearModule(11, 20)).toBeCloseTo(0.5, 12))

  it('count-in equals count-out before a good gear goes in', () => {
    const good = { teeth1: '20', outside1: '11', teeth2: '20', outside2: '11' }
    expect(call(gearSum, { ...good, broken: '2', found: '2' }).kind).toBe('leave')
    expect(call(gearSum, { ...good, broken: '2', found: '1' })).toMatchObject({
      kind: 'stop',
      reasons: ['1 of 2 broken teeth are still inside: they break the next gear.'],
    })
    expect(call(gearSum, { ...good, broken: '1', found: '3' })).toMatchObject({
      kind: 'unknown',
      reasons: [expect.stringMatching(/another gear has lost some/)],
    })
    expect(call(gearSum, { ...good, teeth2: '22' }).kind).toBe('mend')
    expect(call(gearSum, { ...good, outside2: '13.2' }).reasons[0]).toMatch(/Its module is 0\.60 mm in place of 0\.50/)
    expect(call(gearSum, { ...good, run: '0.1', stall: '0.12' }).reasons[0]).toMatch(/the motor is weak/)
    expect(call(gearSum, { teeth1: '20' }).kind).toBe('unknown')
    expect(() => judgeSum(gearSum, { teeth1: '2' })).toThrow('teeth1: a gear of 2 teeth; expected 4 or more.')
  })
})
