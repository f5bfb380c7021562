import { describe, expect, it } from 'vitest'
import { CALCULATORS } from '../../core/src/calculators/registry'
import { calculatorEntry } from '../../core/src/bench/entries'
import { pulleysFrom } from '../app/utils/pulleys-from'
import { sumInputSchema } from '../shared/log-input'
import { uuid } from './helpers'

const REAL = { id: 'd', simulated: false }
const input = (instrument: string, values: Record<string, string>) => ({
  id: uuid(1),
  at: '2026-03-01T10:00:00Z',
  instrument,
  values,
  remark: '',
})

describe('sums on the log', () => {
  it('are worked out by the server from what was typed, and keep it', () => {
    const e = calculatorEntry(
      input('capacitor', { marked: '10u', reading: '1.22u', where: 'in', esr: ' ', colour: 'blue' }),
      REAL,
    )
    expect(e).toMatchObject({
      kind: 'measurement',
      station: 'electronics',
      title: 'Capacitor, 10 µF: 1.22 µF',
      call: { kind: 'mend' },
      data: { type: 'sum', instrument: 'capacitor', values: { marked: '10u', reading: '1.22u', where: 'in' } },
    })
  })

  it('keep every row of a list', () => {
    const e = calculatorEntry(
      input('board', {
        'caps.0.name': 'C1',
        'caps.0.marked': '10u',
        'caps.0.leaks': 'yes',
        'caps.7.marked': '22u',
        'caps.99.marked': '22u',
      }),
      REAL,
    )
    expect(e).toMatchObject({
      call: { kind: 'mend' },
      data: { values: { 'caps.0.name': 'C1', 'caps.0.marked': '10u', 'caps.0.leaks': 'yes', 'caps.7.marked': '22u' } },
    })
  })

  it.each<[string, Record<string, string>, RegExp]>([
    ['belt', { motor: '9' }, /^motor|^flywheel: Flywheel, Between centres, Belt section are left out/],
    [
      'lead',
      { length: '100', wire: 'thick', current: '1' },
      /^wire: “thick” cannot be read as wire; expected a gauge or an area/,
    ],
    ['anvil', {}, /there is no instrument “anvil”; expected one of belt, /],
  ])('%s with %j is refused in a sentence', (instrument, values, sentence) => {
    expect(() => calculatorEntry(input(instrument, values), REAL)).toThrow(sentence)
  })

  it('what comes in is checked', async () => {
    await expect(sumInputSchema.validate({ ...input('belt', {}), values: { motor: 9 } })).rejects.toThrow(
      'The values are words',
    )
    await expect(sumInputSchema.validate({ ...input('belt', {}), values: [] })).rejects.toThrow('The values are words')
    await expect(sumInputSchema.validate({ ...input('belt', {}), values: { motor: 'x'.repeat(81) } })).rejects.toThrow(
      'at most 80 characters',
    )
    expect((await sumInputSchema.validate(input('belt', { motor: '9' }))).values).toEqual({ motor: '9' })
  })

  it('the belt gives its sizes to Speed at the belt’s middle', () => {
    expect(pulleysFrom({ motor: '9', flywheel: '62', centre: '70', section: '1.2' })).toEqual({
      motorPulleyMm: 10.2,
      flywheelMm: 63.2,
      beltLengthMm: expect.closeTo(265.5, 0),
    })
    expect(() => pulleysFrom({ motor: '9' })).toThrow(/cannot be read as flywheel/)
  })

  it('every instrument has a page’s worth of words', () => {
    for (const s of CALCULATORS) expect(s.purpose).toMatch(/\.$/)
  })
})
