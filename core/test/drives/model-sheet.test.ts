import { describe, expect, it } from 'vitest'
import {
  checkModelSheet,
  emptySheet,
  familyKey,
  mergedSheets,
  modelKey,
  pointId,
  readModelSheet,
  type ModelSheet,
} from '../../src/drives/models'

const M80 = { mechanism: '3.5in', maker: 'Staithe', model: 'M80' } as const
const point = (id: string, more: Partial<ModelSheet['points'][number]> = {}) => ({
  id,
  name: id,
  state: '',
  unit: 'V' as const,
  part: null,
  expected: null,
  ...more,
})

describe('the key of a model', () => {
  it('is the same however it is written, and another for another type, maker or revision', () => {
    expect(modelKey({ ...M80, model: 'm-80 ' })).toBe(modelKey(M80))
    expect(modelKey({ ...M80, maker: 'STAITHE' })).toBe(modelKey(M80))
    for (const other of [
      { model: 'M81' },
      { maker: 'Fennick' },
      { mechanism: '5.25in-96' as const },
      { model: 'M80B' },
    ])
      expect(modelKey({ ...M80, ...other })).not.toBe(modelKey(M80))
    // Suffix letters differ between makers' revisions (common practice).
    expect(familyKey({ ...M80, model: 'M80B' })).toBe(familyKey(M80))
    expect(familyKey({ ...M80, model: 'M81' })).not.toBe(familyKey(M80))
  })
  it('is not known where no model is: nothing is identical to it', () => {
    expect(modelKey({ ...M80, model: ' - ' })).toBeNull()
    expect(familyKey({ ...M80, model: '' })).toBeNull()
  })
})

describe('a model sheet', () => {
  it('goes out as JSON and comes in as it was', () => {
    const sheet: ModelSheet = {
      ...emptySheet(M80),
      points: [point('ic3-pin-4', { expected: { value: 0.2, from: 'SK-09' }, part: 'line-driver' })],
      pins: [{ plug: 'P3', pin: '1', signal: '5 V', from: 'SK-09' }],
      memory: [{ topic: 'opening', text: 'Four screws.', from: 'SK-09' }],
    }
    expect(readModelSheet(JSON.stringify(sheet))).toEqual(sheet)
  })
  it.each([
    [{ mechanism: '4in' }, /a drive type is one of/],
    [{ model: '' }, /the model is left out/],
    [{ version: 2 }, /version 1/],
    [{ points: [{ ...point('a'), unit: 'furlong' }] }, /a unit is one of V/],
    [{ points: [point('a'), point('a')] }, /“a” is there twice/],
    [{ points: [point('Has Space')] }, /small letters/],
    [{ pins: [{ plug: 'P1', pin: '', signal: 'x', from: '' }] }, /a pin is left out/],
    [{ memory: [{ topic: 'weather', text: 'x', from: '' }] }, /a topic is one of/],
    [{ extra: 1 }, /unspecified keys|extra/],
  ])('%j is refused by its field', (part, says) => {
    expect(() => checkModelSheet({ ...emptySheet(M80), ...part })).toThrow(says)
  })
  it('is refused where it is no JSON or no sheet at all', () => {
    expect(() => readModelSheet('{', 'a.json')).toThrow(/a\.json: it is not JSON/)
    expect(() => readModelSheet('[]')).toThrow()
    expect(() => readModelSheet('null')).toThrow()
  })
  it('names its points by what they are and when, in letters, digits and hyphens', () => {
    expect(pointId('IC3 pin 4', 'motor on, disk in')).toBe('ic3-pin-4-motor-on-disk-in')
    expect(pointId('R12 – upper', '')).toBe('r12-upper')
    expect(pointId('„“', '')).toBe('')
  })
  it('is merged with another without losing what is known: the own one first', () => {
    const mine: ModelSheet = {
      ...emptySheet(M80),
      points: [point('a', { expected: { value: 1, from: 'here' } }), point('b')],
      memory: [{ topic: 'traps', text: 'Mind the ribbon.', from: 'here' }],
    }
    const other: ModelSheet = {
      ...emptySheet(M80),
      points: [point('a', { expected: { value: 9, from: 'there' }, part: 'fuse' }), point('c')],
      memory: [
        { topic: 'traps', text: 'mind the ribbon.', from: 'there' },
        { topic: 'belt', text: '250 mm.', from: 'there' },
      ],
      pins: [{ plug: 'P1', pin: '2', signal: 'index', from: 'there' }],
    }
    const both = mergedSheets(mine, other)
    expect(both.points.map(p => p.id).sort()).toEqual(['a', 'b', 'c'])
    expect(both.points.find(p => p.id === 'a')).toMatchObject({ expected: { value: 1, from: 'here' }, part: 'fuse' })
    expect(both.memory.map(m => m.text).sort()).toEqual(['250 mm.', 'Mind the ribbon.'])
    expect(both.pins).toHaveLength(1)
    expect(checkModelSheet(both)).toEqual(both)
  })
})
