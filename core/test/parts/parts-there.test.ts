import { describe, expect, it } from 'vitest'
import { partsThere, type CaseOfParts } from '../../src/parts'
import { MECHANISM_IDS, type MechanismId } from '../../src/drives'
import type { Call } from '../../src/base/observations'
import { entry, found, withData } from '../log'

const facts = (mechanism: MechanismId) => ({ mechanism, features: null, simulated: false })
const measured = (data: object, kind: Call['kind'], title = 'measured') =>
  entry({ kind: 'measurement', title, call: { kind, reasons: ['so it is'], next: '' }, data: data as never })
type Log = Parameters<typeof partsThere>[1]
const of = (log: Log, id: string, mechanism: MechanismId = '3.5in', known: CaseOfParts | null = null) =>
  partsThere(facts(mechanism), log, known).find(p => p.id === id)

describe('what is known of the parts of a drive', () => {
  it('an instrument tests a part, a look sees it, and what nobody looked at is not known', () => {
    const log = [
      found('heads.whole'),
      found('arm.missing'),
      measured({ type: 'speed', rpm: 300, simulated: false }, 'leave', '300 r/min'),
    ]
    expect(of(log, 'motor')).toMatchObject({ condition: 'good', state: 'tested', says: '300 r/min' })
    expect(of(log, 'heads')).toMatchObject({ condition: 'good', state: 'looked at' })
    expect(of(log, 'arm')).toMatchObject({ good: false, lost: true, says: expect.stringContaining('missing') })
    expect(of(log, 'lamp')).toMatchObject({ condition: 'not known', good: true })
  })
  it('an adjustment is no fault; a fault in a part’s path leaves it uncleared, not condemned', () => {
    expect(of([measured({ type: 'speed', simulated: false }, 'nudge')], 'motor')).toMatchObject({ state: 'tested' })
    expect(of([measured({ type: 'speed', simulated: false }, 'mend')], 'motor')).toMatchObject({
      good: true,
      state: 'not known',
      says: 'Not cleared: so it is',
    })
    expect(of([measured({ type: 'speed', simulated: false }, 'unknown')], 'motor')).toMatchObject({
      condition: 'not known',
    })
  })
  it('what the simulated drive did tests nothing, and what was taken back says nothing', () => {
    const simulated = { type: 'read-test', simulated: { mechanism: '3.5in', story: 'sound' }, bars: [] }
    expect(of([measured(simulated, 'leave')], 'heads')).toMatchObject({ state: 'not known' })
    const gone = found('heads.torn')
    expect(of([gone, entry({ kind: 'taken-back', takesBack: gone.id })], 'heads')).toMatchObject({
      good: true,
      state: 'not known',
    })
  })
  it('a later look counts: flag snapped, then rebuilt', () => {
    expect(of([found('flag.snapped')], 'track-zero-flag')).toMatchObject({ good: false })
    expect(of([found('flag.snapped'), found('flag.rebuilt')], 'track-zero-flag')).toMatchObject({
      good: true,
      state: 'looked at',
    })
  })
  it('a part may be good while the one beside it is bad, and the whole is then bad for it', () => {
    const log = [found('gears.teeth')]
    expect(of(log, 'eject-gear', '3.5in-eject')).toMatchObject({ condition: 'bad' })
    expect(of(log, 'eject-motor', '3.5in-eject')).toMatchObject({ condition: 'not known', good: true })
    expect(of(log, 'gears', '3.5in-eject')).toMatchObject({ condition: 'bad', good: false })
  })
  it('what was seen of the whole holds for its pieces, a fault in it for none of them', () => {
    expect(of([found('gears.whole')], 'gear-housing', '3.5in-eject')).toMatchObject({ state: 'looked at' })
    expect(of([found('heads.torn')], 'upper-head')).toMatchObject({ condition: 'not known' })
  })
  it('a whole of which nobody spoke is as well known as its least known piece', () => {
    const good = (part: string, known: 'tested' | 'looked at') =>
      withData('part', { type: 'part', part, condition: 'good', known, measures: {} })
    const log = [good('track-zero-sensor', 'tested'), good('track-zero-flag', 'looked at')]
    expect(of(log, 'zero')).toMatchObject({ condition: 'good', state: 'looked at' })
    expect(of(log.slice(0, 1), 'zero')).toMatchObject({ condition: 'not known' })
  })
  it('a function that works proves the part that does nothing else, until another one is fitted', () => {
    const works = [{ id: 'home', label: 'Track zero', state: 'works', says: 'Found ten times' }]
    const known = { causes: [], works } as unknown as CaseOfParts
    expect(of([], 'track-zero-sensor', '3.5in', known)).toMatchObject({
      condition: 'good',
      state: 'tested',
      says: 'Track zero: found ten times',
    })
    const fitted = withData('part-used', {
      type: 'part-fitted',
      part: 'track-zero-sensor',
      from: { kind: 'spare', id: 's', name: 'bag 3' },
      known: 'not known',
      measures: {},
    })
    expect(of([fitted], 'track-zero-sensor', '3.5in', known)).toMatchObject({ state: 'not known' })
  })
  it('a suspect is not given away, and says what it is suspected of', () => {
    const causes = [{ fault: 'stepper.weak', part: 'stepper', label: 'The stepper is weak', probability: 0.4, left: 1 }]
    expect(of([], 'stepper', '3.5in', { causes, works: [] } as unknown as CaseOfParts)).toMatchObject({
      condition: 'suspected',
      good: false,
      lost: false,
      says: 'Suspected at 40 %: the stepper is weak.',
    })
  })
  it('what is lent is not there, nor are its pieces, until it is back', () => {
    const lent = withData('part-lent', {
      type: 'part-lent',
      part: 'gears',
      to: { id: 'd2', tag: 'SK-31' },
      fitted: 'f',
    })
    const back = withData('part-back', { type: 'part-back', lent: lent.id, part: 'gears', how: 'returned' })
    expect(of([lent], 'gears', '3.5in-eject')).toMatchObject({ condition: 'lent', says: 'It is in SK-31.' })
    expect(of([lent], 'eject-motor', '3.5in-eject')).toMatchObject({ condition: 'lent', good: false })
    expect(of([lent, back], 'eject-motor', '3.5in-eject')).toMatchObject({ condition: 'not known' })
  })
  it('each type has its own parts, and the plain ones; every piece stands behind its whole', () => {
    const ids = Object.fromEntries(MECHANISM_IDS.map(m => [m, partsThere(facts(m), []).map(p => p.id)]))
    expect(ids['3in']).toContain('pin')
    expect(ids['3.5in-eject']).toEqual(expect.arrayContaining(['gears', 'eject-gear', 'gear-housing', 'eject-motor']))
    expect(ids['3.5in']).not.toContain('gears')
    expect(ids.cartridge).not.toContain('carriage')
    expect(ids['5.25in-serial']).toEqual(expect.arrayContaining(['processor', 'program-memory', 'bus-driver']))
    expect(ids['5.25in-serial']).not.toContain('track-zero-sensor')
    for (const m of MECHANISM_IDS) {
      expect(ids[m]).toEqual(expect.arrayContaining(['heads', 'motor', 'board']))
      for (const p of partsThere(facts(m), []))
        if (p.within) expect(ids[m]!.indexOf(p.within)).toBeLessThan(ids[m]!.indexOf(p.id))
    }
  })
})
