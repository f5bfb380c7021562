import { describe, expect, it } from 'vitest'
import { findCalculator } from '../../src/calculators/registry'
import {
  calculatorAnswers,
  calculatorView,
  fieldsFrom,
  judgedCalculator,
  plainCase,
  readCase,
} from '../../src/diagnosis'

const measure = (typed: Record<string, string>) => judgedCalculator(findCalculator('processor'), typed).result!
const good = { supply: 'good', reset: 'good', clock: 'good', heat: 'good' }

describe('a drive with its own processor, judged by the engine', () => {
  // Common practice, no source: an address line that neither swings nor sits at a level points to an open output; a
  // line of the reset that stays active holds everything behind it; a low supply misleads.
  it('the trade’s facts', () => {
    expect(measure({ ...good, bus: 'between', irq: 'good' }).lines[0]!.label).toMatch(/address line/)
    expect(measure({ supply: 'good', heat: 'good', reset: 'held', irq: 'still' }).lines[0]!.label).toMatch(/reset/i)
    expect(measure({ ...good, clock: 'still', irq: 'still' }).lines[0]!.label).toMatch(/clock/i)
    const low = measure({ supply: 'low' })
    expect(low.lines[0]!.label).toMatch(/supply|regulator|capacitor|crimp|plug/i)
  })
  it('a swap that cures names the part', () => {
    expect(measure({ ...good, bus: 'good', ram: 'cures' }).lines[0]!.label).toMatch(/memory/i)
    expect(measure({ ...good, bus: 'good', ram: 'same', port: 'cures' }).lines[0]!.label).toMatch(/port chip/i)
  })
  it('lines told one by one are named, and make the line that stands out count', () => {
    const lines = { 'lines.0.name': 'A3', 'lines.0.shows': 'swings', 'lines.1.name': 'A7', 'lines.1.shows': 'between' }
    const { call, lines: causes } = measure({ ...good, ...lines, bus: 'good' })
    expect(causes[0]!.label).toMatch(/address line/)
    expect(call.reasons.join(' ')).toContain('A7 between levels')
    expect(call.reasons.join(' ')).not.toContain('A3')
  })
  it('asks for the cheapest measurement first, and knows what else stands on the log', () => {
    expect(measure({ heat: 'good' }).call.next).toMatch(/Measure|Probe|Look|See|Unplug|Count/)
    const warm = readCase({ mechanism: '5.25in-serial', found: ['caps.leaking'], complaints: ['not-recognised'] })
    const alone = judgedCalculator(findCalculator('processor'), { reset: 'held' }, null).result!
    const known = judgedCalculator(findCalculator('processor'), { reset: 'held' }, warm).result!
    expect(known.lines).not.toEqual(alone.lines)
  })
})

describe('what is typed into a calculator is evidence of the one model', () => {
  const first = (calculator: string, typed: Record<string, string>, call: 'mend' | 'leave' | null = null) =>
    calculatorView(calculator, typed, call, readCase({ mechanism: '3.5in', complaints: ['always-protected'] }))
      ?.causes[0]?.fault
  it('a line that stays low with the cable off is held by its driver', () => {
    const held = { line: 'write-protect', expected: 'high', now: 'low', cable: 'low' }
    expect(first('logic', held)).toBe('line-driver.shorted:write-protect')
    expect(first('logic', { ...held, line: '' })).toBeUndefined()
  })
  it('a switch by its place, a part by its swap, a wire by its wiggle', () => {
    expect(first('switch', { place: 'protect' }, 'mend')).toMatch(/^protect-switch/)
    expect(first('swap', { part: 'protect-switch' }, 'mend')).toMatch(/^protect-switch/)
    expect(calculatorAnswers('swap', { part: 'disk' }, 'leave')).toEqual([
      { key: 'swap.disk', value: 'same', unit: '' },
    ])
    expect(calculatorAnswers('wiggle', {}, 'mend')).toEqual([{ key: 'wiggle.wire', value: 'changes', unit: '' }])
  })
  it('volts of a sensor and of a serial bus, with their unit or without', () => {
    expect(calculatorAnswers('sensor', { which: 'index', litVolts: '0.2 V', darkVolts: '0,4' }, null)).toEqual([
      { key: 'sensor.index.lit', value: 0.2, unit: 'V' },
      { key: 'sensor.index.shaded', value: 0.4, unit: 'V' },
    ])
    expect(calculatorAnswers('serial-bus', { 'data-drive': '0.1' }, null)).toEqual([
      { key: 'serial.data.drive', value: 0.1, unit: 'V' },
    ])
    const view = calculatorView('serial-bus', { 'data-drive': '0.1' }, null, plainCase('5.25in-serial'))!
    expect(view.causes.slice(0, 3).map(c => c.fault)).toContain('bus-driver.held')
  })
  it('what was not typed, or is no answer, says nothing', () => {
    expect(calculatorView('belt', { motor: '9' }, null, plainCase('8in'))).toBeNull()
    expect(calculatorAnswers('processor', { reset: '' }, null)).toEqual([])
    expect(calculatorAnswers('serial-bus', { 'data-drive': 'high?' }, null)).toEqual([])
  })
})

describe('a calculator opens with what other readings gave', () => {
  it('in its own words', () => {
    const read = new Map<string, string | number>([
      ['supply.5v', 'low'],
      ['processor.clock', 'still'],
      ['swap.memory', 'same'],
      ['serial.data.drive', 4.9],
    ])
    expect(fieldsFrom('processor', read)).toEqual({ supply: 'low', clock: 'still', ram: 'same' })
    expect(fieldsFrom('serial-bus', read)).toEqual({ 'data-drive': '4.9' })
    expect(fieldsFrom('belt', read)).toEqual({})
  })
})
