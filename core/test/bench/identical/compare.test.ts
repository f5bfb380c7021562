import { describe, expect, it } from 'vitest'
import { driveCase } from '../../../src/bench/case'
import { readingEntry } from '../../../src/bench/entries'
import {
  compareDrives,
  comparedReadings,
  isShownToWork,
  likenessOf,
  whatItWas,
  type LoggedDrive,
} from '../../../src/bench/identical'
import { walk } from '../../../src/bench/stations'
import { findCheck, PARTS } from '../../../src/diagnosis'
import { recordReading } from '../../../src/diagnosis/readings'
import { emptySheet, type ModelSheet } from '../../../src/drives/models'
import type { LogEntry } from '../../../src/log'
import { driveFacts, entry, found } from '../../log'

const M80 = { mechanism: '3.5in', maker: 'Staithe', model: 'M80' } as const
const drive = (id: string, part = {}) => driveFacts({ ...M80, id, tag: id.toUpperCase(), ...part })
let n = 0
const read = (key: string, value: string | number, more: object = {}): LogEntry =>
  entry({
    ...readingEntry({ id: `c${++n}`, at: '2026-03-01T10:00:00Z', remark: '', key, value, ...more }, drive('a')),
  })
const at = (value: number | string, unit = 'V', more: object = {}) =>
  read('point.ic2-pin-8', value, { label: 'IC2 pin 8', unit, ...more })
const sheet: ModelSheet = {
  ...emptySheet(M80),
  points: [{ id: 'ic2-pin-8', name: 'IC2 pin 8', state: '', unit: 'V', part: 'line-driver', expected: null }],
}
const compare = (mine: LogEntry[], other: LogEntry[]) =>
  compareDrives({ drive: drive('a'), log: mine }, { drive: drive('b'), log: other }, sheet)
const rowOf = (mine: LogEntry[], other: LogEntry[], key: string) => compare(mine, other).find(r => r.key === key)!

describe('a drive beside another', () => {
  it('shows each thing once, with both values and whether they differ', () => {
    expect(rowOf([at(4.8)], [at(0.15)], 'point.ic2-pin-8')).toMatchObject({
      group: 'points',
      label: 'IC2 pin 8',
      part: 'line-driver',
      mine: { says: '4.8 V' },
      other: { says: '0.15 V' },
      differs: true,
    })
    expect(rowOf([], [at(0.15)], 'point.ic2-pin-8')).toMatchObject({ mine: null, differs: null })
    expect(rowOf([], [], 'point.ic2-pin-8')).toMatchObject({ mine: null, other: null, differs: null })
  })
  it('takes a difference inside the tolerances of two sound drives for none', () => {
    const differs = (a: number, b: number, more = {}) => rowOf([at(a, 'V', more)], [at(b)], 'point.ic2-pin-8').differs
    expect(differs(4.8, 4.9)).toBe(false)
    expect(differs(4.8, 4.4)).toBe(true)
    // Read badly, the same difference says nothing.
    expect(differs(4.8, 4.4, { uncertainty: 0.5 })).toBe(false)
    expect(rowOf([at(4.8, 'V')], [at(4800, 'mV')], 'point.ic2-pin-8').differs).toBe(true)
  })
  it('compares words, findings and marks, what differs first, and leaves complaints out', () => {
    const colour = (value: string) => read('point.wire-p3', value, { label: 'Wire to P3', unit: '' })
    expect(rowOf([colour('White')], [colour('white ')], 'point.wire-p3').differs).toBe(false)
    const mark = (state: string) =>
      entry({
        kind: 'as-found',
        data: {
          type: 'as-found',
          item: {
            kind: 'strap',
            name: 'DS1',
            state,
            detail: '',
            colour: '',
            from: '',
            to: '',
            measured: '',
            behind: null,
            mark: null,
          },
        },
      } as Partial<LogEntry>)
    const rows = compare(
      [found('headclean.brown'), found('smell.none'), mark('set'), read('complaint.reads-nothing', 'seen')],
      [found('headclean.clean'), found('smell.none'), mark('open')],
    )
    expect(rows.filter(r => r.differs).map(r => r.key)).toEqual(['headclean', 'strap ds1'])
    expect(rows.at(-1)).toMatchObject({ key: 'smell', differs: false })
    expect(rows.some(r => r.key.startsWith('complaint'))).toBe(false)
  })
  it('counts the last value of each, and none that was taken back', () => {
    const wrong = at(0.1)
    const log = [at(4.7), wrong, entry({ kind: 'taken-back', takesBack: wrong.id })]
    expect(rowOf(log, [at(4.7)], 'point.ic2-pin-8').differs).toBe(false)
  })
})

describe('what differs, as evidence', () => {
  const complaint = read('complaint.change-unseen', 'seen')
  const shareOf = (also: ReturnType<typeof comparedReadings>) => {
    const d = drive('a')
    const { diagnosis } = driveCase(d, [complaint], walk(d, [complaint], 0), { also })
    return diagnosis.causes.filter(c => c.fault.startsWith('line-driver.')).reduce((s, c) => s + c.probability, 0)
  }
  it('makes the part that its test point tells of likelier, and what agrees less likely', () => {
    const differs = comparedReadings(compare([at(4.8)], [at(0.15)]))
    const same = comparedReadings(compare([at(4.8)], [at(4.8)]))
    expect(differs).toMatchObject([{ key: 'compare.line-driver', value: 'differs', source: 'meter' }])
    expect(same).toMatchObject([{ value: 'same' }])
    expect(shareOf(differs)).toBeGreaterThan(1.5 * shareOf([]))
    expect(shareOf(same)).toBeLessThan(shareOf([]))
  })
  it('says nothing where one of them was not read, or where nobody said what the point tells of', () => {
    expect(comparedReadings(compare([at(4.8)], []))).toEqual([])
    const nameless = { ...sheet, points: [{ ...sheet.points[0]!, part: null }] }
    const rows = compareDrives({ drive: drive('a'), log: [at(1)] }, { drive: drive('b'), log: [at(4)] }, nameless)
    expect(comparedReadings(rows)).toEqual([])
  })
  it('has a check for each part, that nobody is asked for', () => {
    for (const p of PARTS) expect(findCheck(`compare.${p.id}`)).toMatchObject({ compares: p.id, ask: false })
  })
})

describe('drives of one model', () => {
  it('are identical, or of another revision, or neither', () => {
    expect(likenessOf(drive('a'), drive('b'))).toBe('identical')
    expect(likenessOf(drive('a'), drive('b', { model: 'M80C' }))).toBe('another revision')
    expect(likenessOf(drive('a'), drive('b', { model: 'M90' }))).toBeNull()
    expect(likenessOf(drive('a'), drive('a'))).toBeNull()
    expect(likenessOf(drive('a', { model: '' }), drive('b', { model: '' }))).toBeNull()
  })
  it('are a standard only where they were shown to work', () => {
    const works = (log: LogEntry[]) => isShownToWork({ drive: drive('b'), log })
    const whole = read('read.lower.outer', 18, { of: 18 })
    expect(works([])).toBe(false)
    expect(works([whole])).toBe(true)
    expect(works([whole, read('read.upper.outer', 3, { of: 18 })])).toBe(false)
    expect(works([whole, read('complaint.reads-sometimes', 'seen')])).toBe(false)
  })
  it('tell what they turned out to have', () => {
    const log = [
      read('complaint.reads-nothing', 'seen'),
      read('read.lower.outer', 0, { of: 18 }),
      found('headclean.brown'),
      read('after.clean.heads', 'cures'),
      read('read.lower.outer', 18, { of: 18 }),
      read('complaint.reads-nothing', 'cured'),
    ]
    const other: LoggedDrive = { drive: drive('b'), log }
    expect(whatItWas([other])).toMatchObject([{ tag: 'B', cause: expect.stringMatching(/head is dirty/) }])
    expect(whatItWas([{ drive: drive('b'), log: log.slice(0, 3) }])).toEqual([])
  })
})

describe('a reading at a test point', () => {
  it('is a number in its unit with the uncertainty of its way, or any word, and calls for nothing by itself', () => {
    const r = recordReading({ key: 'point.r12', value: '9,9', unit: 'kΩ', label: 'R12' }, drive('a'))
    expect(r).toMatchObject({ title: 'R12: 9.9 kΩ', call: null, data: { value: 9.9, unit: 'kΩ', uncertainty: 0.099 } })
    expect(recordReading({ key: 'point.wire', value: 'red', source: 'hand' }, drive('a')).data.value).toBe('red')
  })
  it.each([
    [{ key: 'point.r12', value: 'ten', unit: 'kΩ' }, /“ten” cannot be/],
    [{ key: 'point.r12', value: 1, unit: 'furlong' }, /there is no reading/],
    [{ key: 'point.R 12', value: 1, unit: 'V' }, /there is no reading/],
    [{ key: 'point.wire', value: ' ' }, /nothing was given/],
  ])('%j is refused', (input, says) => {
    expect(() => recordReading(input, drive('a'))).toThrow(says)
  })
})
