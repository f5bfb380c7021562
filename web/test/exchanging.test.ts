import { describe, expect, it } from 'vitest'
import { complaintsOf } from '../../core/src/bench/case'
import { inMachine } from '../../core/src/log'
import { exchangeSchema } from '../shared/exchange'
import { newDrive, uuid, workshop } from './helpers'

const NOW = '2026-03-01T10:00:00Z'
const [OLD, NEW, THIRD] = [uuid(1), uuid(2), uuid(3)]

async function bench() {
  const w = await workshop()
  const model = { mechanism: '3.5in', maker: 'Fennick', model: '40A' } as const
  w.drives.receive(newDrive({ tag: 'SK-31', host: 'Tide logger', goal: 'others', ...model }), NOW, OLD, {
    complaints: ['reads-nothing'],
    found: [],
  })
  w.drives.receive(newDrive({ tag: 'SK-40', ...model }), NOW, NEW)
  w.drives.receive(newDrive({ tag: 'SK-50', ...model }), NOW, THIRD)
  const exchange = (from: string, by: string, id = uuid(900)) =>
    w.exchanging.exchange(from, exchangeSchema.cast({ id, at: NOW, by, remark: '' }))
  return { ...w, exchange }
}

describe('a whole drive replaced', () => {
  it('is on both logs, brings host and level along, and counts once when it is sent again', async () => {
    const w = await bench()
    const entry = w.exchange(OLD, NEW)
    expect(inMachine(w.drives.log(OLD)).replacedBy?.drive).toEqual({ id: NEW, tag: 'SK-40' })
    expect(inMachine(w.drives.log(NEW)).replaces?.drive).toEqual({ id: OLD, tag: 'SK-31' })
    expect(w.drives.get(NEW)).toMatchObject({ host: 'Tide logger', goal: 'others' })
    const count = w.drives.log(NEW).length
    expect(w.exchange(OLD, NEW)).toEqual(entry)
    expect(w.drives.log(NEW)).toHaveLength(count)
    expect(complaintsOf(w.drives.get(NEW), w.drives.log(NEW))).toMatchObject([{ id: 'reads-nothing', state: 'open' }])
  })
  it('is refused where it cannot be, and nothing is kept then', async () => {
    const w = await bench()
    w.exchange(OLD, NEW)
    const count = w.drives.log(THIRD).length
    expect(() => w.exchange(OLD, THIRD, uuid(901))).toThrow(/SK-40 is/)
    expect(() => w.exchange(THIRD, NEW, uuid(902))).toThrow(/place of SK-31/)
    expect(w.drives.log(THIRD)).toHaveLength(count)
    expect(() => exchangeSchema.validateSync({ id: uuid(1), at: NOW, by: 'x' })).toThrow(/Choose the drive/)
  })
  it('takes what was likely outside the drive along, and leaves the drive that came out what is told since', async () => {
    const w = await bench()
    w.exchange(OLD, NEW)
    expect(Object.keys(w.exchanging.beside(w.drives.get(NEW), {}).carried ?? {}).length).toBeGreaterThan(0)
    expect(w.exchanging.beside(w.drives.get(OLD), {})).toEqual({})
    expect(w.exchanging.evidence(w.drives.get(OLD))).toEqual([])
    expect(w.exchanging.evidence(w.drives.get(NEW))).toEqual([])
  })
})
