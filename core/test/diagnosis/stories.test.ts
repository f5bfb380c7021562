import { describe, expect, it } from 'vitest'
import { diagnose, readCase } from '../../src/diagnosis'

type Reading = readonly [key: string, value: number | string, unit?: string, source?: string]

function told(mechanism: string, complaints: string[], readings: Reading[] = [], more: object = {}) {
  const list = readings.map(([key, value, unit = '', source = 'hand']) => ({ key, value, unit, source }))
  return diagnose(readCase({ mechanism, complaints, readings: list, ...more }))
}
const top = (d: ReturnType<typeof told>) => d.causes[0]?.fault
const share = (d: ReturnType<typeof told>, fault: string) => d.causes.find(c => c.fault === fault)?.probability ?? 0

/** Common practice throughout: what a restorer would say of each. */
describe('from complaint to cause', () => {
  it('what stands first masks what stands behind: no spin says nothing of the heads', () => {
    const still = told('3.5in', ['no-spin'])
    const blind = told('3.5in', ['no-spin'], [['read.lower.outer', 0, '%', 'host']])
    expect(Math.abs(share(blind, 'lower-head.dirty') - share(still, 'lower-head.dirty'))).toBeLessThan(0.02)
    expect(blind.causes.slice(0, 4).map(c => c.fault)).toEqual(still.causes.slice(0, 4).map(c => c.fault))
  })
  it('a blind protect sensor always protects on 5.25-inch, and never on 8-inch', () => {
    expect(share(told('5.25in-48', ['always-protected']), 'protect-sensor.dirty')).toBeGreaterThan(0.2)
    expect(share(told('5.25in-48', ['never-protected']), 'protect-sensor.dirty')).toBeLessThan(0.05)
    expect(top(told('8in', ['never-protected']))).toBe('protect-sensor.dirty')
    expect(share(told('8in', ['always-protected']), 'protect-sensor.dirty')).toBeLessThan(0.05)
  })
  it('spins for ever with its lamp on: the data cable is reversed; never on a serial drive', () => {
    const d = told('5.25in-48', ['spins-always', 'lamp-codes'])
    expect(top(d)).toBe('interface-cable.reversed')
    expect(d.call).toBe('mend')
    const serial = told('5.25in-serial', ['spins-always'])
    expect(serial.causes.map(c => c.fault)).not.toContain('interface-cable.reversed')
    expect(serial.causes.slice(0, 6).map(c => c.fault)).toEqual(
      expect.arrayContaining(['reset.held', 'processor.dead']),
    )
  })
  it('an address line between levels is its open output, often the processor', () => {
    const d = told(
      '5.25in-serial',
      ['not-recognised', 'spins-always'],
      [
        ['supply.5v', 5.02, 'V', 'meter'],
        ['processor.reset', 'good', '', 'meter'],
        ['processor.clock', 'good', '', 'probe'],
        ['processor.bus', 'between', '', 'probe'],
        ['swap.processor', 'cures'],
      ],
    )
    expect(['address-line.open', 'processor.dead']).toContain(top(d))
    expect(share(d, 'address-line.open') + share(d, 'processor.dead')).toBeGreaterThan(0.8)
  })
  it('motorised eject: the gearbox is looked at first, and teeth missing are mended at once', () => {
    const d = told('3.5in-eject', ['no-eject'])
    expect(d.next[0]!.check).toBe('found.gears')
    const seen = told('3.5in-eject', ['no-eject'], [], { found: ['gears.teeth'] })
    expect(seen.mendNow).toBe('eject-gear.stripped')
    expect(seen.call).toBe('mend')
  })
  it('one side reads: the heads are cleaned before anything is measured', () => {
    const d = told('5.25in-48', ['reads-one-side'], [['read.lower.outer', 100, '%', 'host']], {
      features: { heads: 2 },
    })
    expect(top(d)).toBe('upper-head.dirty')
    expect(d.next[0]!.check).toBe('after.clean.heads')
    const cured = told('5.25in-48', ['reads-one-side'], [['after.clean.heads', 'cures']], { features: { heads: 2 } })
    expect(share(cured, 'upper-head.dirty') + share(cured, 'lower-head.dirty')).toBeGreaterThan(0.85)
  })
  it('cleaned without a change, the coil decides between head and amplifier', () => {
    const before: Reading[] = [
      ['read.lower.outer', 0, '%', 'host'],
      ['read.lower.inner', 0, '%', 'host'],
      ['read.upper.outer', 100, '%', 'host'],
      ['read.upper.inner', 100, '%', 'host'],
      ['after.clean.heads', 'same'],
    ]
    const open = told('3.5in', ['reads-one-side'], [...before, ['ohms.lower.read', 1e6, 'Ω', 'meter']])
    expect(top(open)).toBe('lower-head.dead')
    const right = told('3.5in', ['reads-one-side'], [...before, ['ohms.lower.read', 12, 'Ω', 'meter']])
    expect(share(right, 'lower-head.dead')).toBeLessThan(share(open, 'lower-head.dead') / 3)
  })
  it('a click of a cartridge drive stops: no cartridge that matters goes in', () => {
    const d = told('cartridge', ['noise-click'], [['see.spin', 'yes']])
    expect(top(d)).toBe('cartridge-heads.torn')
    expect(d.call).toBe('stop')
    expect(d.todo).toMatch(/^No disk/)
  })
  it('a drive that works on another host is not mended', () => {
    const d = told('3.5in', ['reads-nothing'], [['drive.elsewhere', 'works', '', 'host']])
    const inside = d.causes.filter(c => /head|sensor|screw|rail/.test(c.part)).reduce((s, c) => s + c.probability, 0)
    const outside = d.causes
      .filter(c =>
        ['host', 'interface-cable', 'straps', 'supply', 'power-cable', 'disk', 'terminator', 'writer'].includes(c.part),
      )
      .reduce((s, c) => s + c.probability, 0)
    expect(outside).toBeGreaterThan(3 * inside)
  })
  it('that it worked once does not clear a fault that comes and goes', () => {
    const d = told(
      '3.5in',
      ['reads-sometimes'],
      [
        ['see.steady', 'always', '', 'host'],
        ['press.connector', 'changes'],
      ],
    )
    expect(['connector.oxidised', 'interface-cable.crimp', 'power-cable.crimp']).toContain(top(d))
  })
  it('leaked capacitors are likelier in a drive of 1990 than of 1982', () => {
    const made = (era: number) => share(told('3.5in', ['spins-uneven'], [], { era }), 'capacitor.leaked')
    expect(made(1990)).toBeGreaterThan(2 * made(1982))
  })
  it('two faults that explain what neither does alone come first as a pair', () => {
    const d = told('3in', ['always-protected', 'spins-slow'], [], { found: ['pin.missing', 'belt.slack'] })
    expect(d.pairs[0]!.faults).toEqual(['belt.slack', 'protect-pin.missing'])
    expect(d.pairs[0]!.probability).toBeGreaterThan(0.4)
  })
  it('readings that cannot both be right are named', () => {
    const d = told(
      '3.5in',
      [],
      [
        ['ohms.motor', 1e6, 'Ω', 'meter'],
        ['see.spin', 'yes'],
        ['speed.mean', 300, 'r/min', 'recording'],
      ],
    )
    expect(d.contradictions[0]!.readings).toContain('ohms.motor')
  })
  it('what explains nothing in the list lets the unlisted grow', () => {
    const plain = told('3.5in', ['reads-nothing'])
    const odd = told('3.5in', [
      'reads-nothing',
      'no-lamp',
      'ejects-by-itself',
      'noise-rattle',
      'always-protected',
      'wrong-density',
    ])
    expect(odd.unknown).toBeGreaterThan(plain.unknown * 5)
  })
})

describe('evidence in time', () => {
  it('a reading after a treatment is a later state, not a contradiction', () => {
    const d = told(
      '3.5in',
      ['reads-nothing'],
      [
        ['read.lower.outer', 0, '%', 'host'],
        ['after.clean.heads', 'cures'],
        ['read.lower.outer', 100, '%', 'host'],
      ],
    )
    expect(d.contradictions).toEqual([])
    expect(top(d)).toBe('lower-head.dirty')
  })
  it('the same, where a treatment was done and nobody noted its outcome', () => {
    const d = told(
      '3.5in',
      [],
      [
        ['read.lower.outer', 0, '%', 'host'],
        ['read.lower.outer', 100, '%', 'host'],
      ],
      { done: ['clean.heads'] },
    )
    expect(d.contradictions).toEqual([])
    expect(top(d)).toBe('lower-head.dirty')
  })
  it('without anything done they contradict each other', () => {
    const d = told(
      '3.5in',
      [],
      [
        ['speed.mean', 300, 'r/min', 'recording'],
        ['speed.mean', 250, 'r/min', 'recording'],
      ],
    )
    expect(d.contradictions.length).toBeGreaterThan(0)
  })
  it('the same said twice by one method counts once', () => {
    const once = told('3in', ['no-spin'], [['see.motor-runs', 'runs']])
    const thrice = told(
      '3in',
      ['no-spin'],
      [
        ['see.motor-runs', 'runs'],
        ['see.motor-runs', 'runs'],
        ['see.motor-runs', 'runs'],
      ],
    )
    expect(thrice.causes).toEqual(once.causes)
  })
  it('what was done is not proposed again', () => {
    const d = told('3.5in', ['reads-nothing'], [], { done: ['clean.heads', 'another.disk'] })
    expect(d.next.map(n => n.check)).not.toContain('after.clean.heads')
    expect(d.next.map(n => n.check)).not.toContain('after.another.disk')
  })
})

describe('a case that cannot be read', () => {
  it.each([
    [{ mechanism: '3.5', complaints: [] }, /there is no drive type "3\.5"; expected one such as 3\.5in/],
    [{ mechanism: '3.5in', complaints: ['no-spinn'] }, /complaints\[0\].*expected one such as no-spin/],
    [{ mechanism: '3.5in', found: ['belt.go'] }, /found\[0\].*one such as belt\.go/],
    [{ mechanism: '3.5in', readings: [{ key: 'supply.5', value: 5 }] }, /readings\[0\]\.key.*supply\.5v/],
    [
      { mechanism: '3.5in', readings: [{ key: 'swap.disk', value: 'better!' }] },
      /value of swap\.disk "better!"; expected one such as better/,
    ],
    [{ mechanism: '3.5in', readings: [{ key: 'supply.5v', value: Number.NaN }] }, /is not a number/],
    [{ mechanism: '3.5in', done: ['clean.head'] }, /done\[0\].*clean\.heads/],
    [{ mechanism: '3.5in', checks: [{ check: 'see.spin', answer: 'maybe' }] }, /answer to see\.spin/],
    [{ mechanism: '3.5in', complaints: 'dead' }, /complaints is not a list/],
    [{ mechanism: '3.5in', era: 'old' }, /names no year/],
    [[], /not an object/],
  ])('%j', (input, says) => {
    expect(() => diagnose(readCase(input))).toThrow(says)
  })
})

describe('findings of which several may hold', () => {
  it('teeth missing and a tab loose speak for both faults, not one against the other', () => {
    const d = told('3.5in-eject', ['no-eject'], [], { found: ['gears.teeth', 'gears.tab'] })
    expect(d.pairs[0]!.faults).toEqual(['eject-gear.stripped', 'gear-housing.loose'])
    expect(d.pairs[0]!.probability).toBeGreaterThan(0.5)
    expect(d.reasons[0]).toMatch(/^Two faults together/)
    expect(d.contradictions).toEqual([])
  })
})
