import { describe, expect, it } from 'vitest'
import { partsOf } from '../../src/proof'
import { MECHANISM_IDS, type MechanismId } from '../../src/drives'
import type { Call } from '../../src/base/observations'
import { entry, found } from '../log'

const facts = (mechanism: MechanismId) => ({ mechanism, features: null, simulated: false })
const measured = (data: object, kind: Call['kind'], title = 'measured') =>
  entry({ kind: 'measurement', title, call: { kind, reasons: ['so it is'], next: '' }, data: data as never })
const of = (log: Parameters<typeof partsOf>[1], id: string, mechanism: MechanismId = '3.5in') =>
  partsOf(facts(mechanism), log).find(p => p.id === id)

describe('what is still good in a drive', () => {
  it('a part that an instrument tested comes before one that was looked at, before one that nobody knows; bad ones last', () => {
    const list = partsOf(facts('3.5in'), [
      found('heads.whole'),
      found('arm.missing'),
      measured({ type: 'speed', rpm: 300, simulated: false }, 'leave', '300 r/min'),
    ])
    expect(list.map(p => (p.good ? p.state : 'bad'))).toEqual(
      [...list.map(p => (p.good ? p.state : 'bad'))].sort(
        (a, b) =>
          ['tested', 'looked at', 'not known', 'bad'].indexOf(a) -
          ['tested', 'looked at', 'not known', 'bad'].indexOf(b),
      ),
    )
    expect(list.find(p => p.id === 'motor')).toMatchObject({ state: 'tested', says: '300 r/min' })
    expect(list.find(p => p.id === 'heads')).toMatchObject({ state: 'looked at' })
    expect(list.find(p => p.id === 'arm')).toMatchObject({ good: false, says: expect.stringContaining('missing') })
  })
  it('an adjustment is no fault; a fault in a part’s path leaves it uncleared, not condemned', () => {
    expect(of([measured({ type: 'speed', simulated: false }, 'nudge')], 'motor')).toMatchObject({ state: 'tested' })
    expect(of([measured({ type: 'speed', simulated: false }, 'mend')], 'motor')).toMatchObject({
      good: true,
      state: 'not known',
      says: 'Not cleared: so it is',
    })
    expect(of([measured({ type: 'speed', simulated: false }, 'unknown')], 'motor')).toMatchObject({
      says: 'Nobody looked at it.',
    })
  })
  it('what the simulated drive did tests nothing, and what was taken back says nothing', () => {
    expect(
      of(
        [measured({ type: 'read-test', simulated: { mechanism: '3.5in', story: 'sound' }, bars: [] }, 'leave')],
        'heads',
      ),
    ).toMatchObject({ state: 'not known' })
    const gone = found('heads.torn')
    expect(of([gone, entry({ kind: 'taken-back', takesBack: gone.id })], 'heads')).toMatchObject({
      good: true,
      state: 'not known',
    })
  })
  it('a later look counts: flag snapped, then rebuilt', () => {
    expect(of([found('flag.snapped')], 'zero')).toMatchObject({ good: false })
    expect(of([found('flag.snapped'), found('flag.rebuilt')], 'zero')).toMatchObject({ good: true, state: 'looked at' })
  })
  it('each class has its own parts, and the plain ones', () => {
    const ids = Object.fromEntries(MECHANISM_IDS.map(m => [m, partsOf(facts(m), []).map(p => p.id)]))
    expect(ids['3in']).toContain('pin')
    expect(ids['3.5in-eject']).toContain('gears')
    expect(ids['3.5in']).not.toContain('gears')
    expect(ids.cartridge).not.toContain('carriage')
    for (const m of MECHANISM_IDS) expect(ids[m]).toEqual(expect.arrayContaining(['heads', 'motor', 'board']))
  })
})
