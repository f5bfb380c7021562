import { describe, expect, it } from 'vitest'
import { foundIds } from '../../core/src/findings'
import { partBackSchema, partUseSchema } from '../shared/parts'
import { spareSchema, type SpareInput } from '../shared/spares'
import { newDrive, say as sayOn, uuid, workshop } from './helpers'

const NOW = '2026-03-01T10:00:00Z'
const NOW_MS = Date.parse(NOW)
const [ASKS, WORKS, OTHER] = [uuid(1), uuid(2), uuid(3)]

/** SK-31 asks for a disk-in switch; SK-40 of the same model is in use; SK-50 is of another type. */
async function bench() {
  const w = await workshop()
  const model = { mechanism: '3.5in', maker: 'Fennick', model: '40A' } as const
  w.drives.receive(newDrive({ tag: 'SK-31', ...model }), NOW, ASKS)
  w.drives.receive(newDrive({ tag: 'SK-40', ...model }), NOW, WORKS)
  w.drives.receive(newDrive({ tag: 'SK-50', mechanism: '3.5in-eject', maker: 'Staithe', model: 'E80' }), NOW, OTHER)
  let n = 500
  const say = (driveId: string, input: object) =>
    sayOn(w, driveId, { id: uuid(n++), at: NOW, station: 'look', ...input })
  const find = (driveId: string, finding: string, place: string | null = null) =>
    say(driveId, { kind: 'finding', finding: { finding, place } })
  const spare = (id: string, input: Partial<SpareInput>) =>
    w.spares.put(
      id,
      spareSchema.cast({ name: 'bag 3', part: 'disk-in-switch', ...input }) as SpareInput,
      w.places.used(id),
      NOW,
    )
  const fit = (driveId: string, input: object) =>
    w.fitting.fit(driveId, partUseSchema.cast({ id: uuid(n++), at: NOW, ...input }))
  const best = async () => (await w.wanting.all(NOW_MS)).wants.map(m => [m.want.part, m.best?.offer.place ?? null])
  return { ...w, say, find, spare, fit, best }
}
const SWITCH = { contacts: 'normally open', height: 6.5 }

describe('a want and what serves it', () => {
  it('arises from a finding, is served by the shelf before a drive in use, and is closed when the part is fitted', async () => {
    const w = await bench()
    w.say(WORKS, {
      kind: 'released',
      station: 'release',
      title: 'x',
      outcome: 'released',
      detail: 'It works, I saw it.',
    })
    expect(await w.best()).toEqual([])
    w.find(ASKS, 'switch.broken', 'disk-in')
    expect(await w.best()).toEqual([['disk-in-switch', 'used']])
    w.say(ASKS, { kind: 'part', part: { part: 'disk-in-switch', condition: 'bad', measures: SWITCH } })
    w.spare(uuid(90), { measures: SWITCH })
    expect(await w.best()).toEqual([['disk-in-switch', 'shelf']])
    expect((await w.wanting.search('switch', '', NOW_MS)).items).toMatchObject([{ spare: uuid(90), serves: ['SK-31'] }])
    const entry = w.fit(ASKS, { part: 'disk-in-switch', spare: uuid(90) })
    expect(entry).toMatchObject({ kind: 'part-used', title: 'Disk-in switch “bag 3” fitted' })
    expect(foundIds(w.drives.log(ASKS))).toContain('switch.replaced')
    expect(await w.best()).toEqual([])
    expect((await w.wanting.search('switch', '', NOW_MS)).total).toBe(0)
    expect(() => w.fit(OTHER, { part: 'disk-in-switch', spare: uuid(90) })).toThrow(/“bag 3” is in a drive already/)
    // Taken back, it is on the shelf again, and wanted again.
    w.say(ASKS, { kind: 'taken-back', title: 'x', takesBack: entry.id })
    expect(await w.best()).toEqual([['disk-in-switch', 'shelf']])
  })
  it('is found by measures alone: what contradicts them is left out, what was compared most stands first', async () => {
    const w = await bench()
    const search = async (measures: Record<string, number | string>) =>
      (await w.wanting.search('', '', NOW_MS, { shape: 'switch', measures })).items.map(p => [p.name, p.fit])
    w.spare(uuid(90), { name: 'like it', measures: SWITCH })
    w.spare(uuid(91), { name: 'too high', measures: { ...SWITCH, height: 12 } })
    w.spare(uuid(92), { name: 'nobody knows' })
    w.spare(uuid(93), { name: 'a gear', part: 'gears' })
    const found = await search({ height: 6.5 })
    expect(found.map(f => f[0])).toEqual(['like it', 'nobody knows'])
    expect(found[1]![1]).toMatch(/^Compare first: /)
    expect((await search({ height: 12, contacts: 'normally closed' })).map(f => f[0])).toEqual(['nobody knows'])
    expect((await w.wanting.search('', '', NOW_MS)).items.every(p => p.fit === null)).toBe(true)
  })
  it('keeps no photo that was never sent', async () => {
    const w = await bench()
    expect(() => w.spare(uuid(90), { photo: 'a'.repeat(64) })).toThrow(/no such photo/)
  })
  it('a bag of three serves three times and no more; fewer than went out cannot be kept', async () => {
    const w = await bench()
    w.spare(uuid(90), { pieces: 2 })
    for (const drive of [ASKS, OTHER]) w.fit(drive, { part: 'disk-in-switch', spare: uuid(90) })
    expect(() => w.fit(WORKS, { part: 'disk-in-switch', spare: uuid(90) })).toThrow(/in a drive already/)
    expect(() => w.spare(uuid(90), { pieces: 1 })).toThrow(/2 of it went into drives already; expected at least 2/)
  })
  it('what nothing serves is ordered once for all who want it', async () => {
    const w = await bench()
    for (const [drive, volts] of [
      [ASKS, 16],
      [OTHER, 35],
    ] as const)
      w.say(drive, { kind: 'part', part: { part: 'capacitor', condition: 'bad', measures: { value: 10, volts } } })
    const { order } = await w.wanting.all(NOW_MS)
    expect(order).toMatchObject({
      proved: true,
      items: [{ measures: 'capacitance 10 µF, rated voltage 35 V', wants: { length: 2 } }],
    })
  })
  it('a drive that has left wants nothing', async () => {
    const w = await bench()
    w.find(ASKS, 'switch.broken', 'disk-in')
    w.say(ASKS, { kind: 'released', station: 'release', title: 'x', outcome: 'returned', detail: 'Too dear.' })
    expect(await w.best()).toEqual([])
  })
})

describe('a part that a drive lends', () => {
  it('leaves a debt on the lender until it is back; then the borrower wants one again', async () => {
    const w = await bench()
    w.find(ASKS, 'switch.broken', 'disk-in')
    w.fit(ASKS, { part: 'disk-in-switch', drive: WORKS, remark: 'until the order comes' })
    const { debts } = await w.wanting.all(NOW_MS)
    expect(debts).toMatchObject([{ label: 'Disk-in switch', lender: { tag: 'SK-40' }, to: { tag: 'SK-31' } }])
    expect(() => w.fit(OTHER, { part: 'disk-in-switch', drive: WORKS })).toThrow(/of SK-40: it is in SK-31/)
    expect(() =>
      w.say(WORKS, { kind: 'released', station: 'release', title: 'x', outcome: 'released', detail: '' }),
    ).toThrow(/written reason/)
    const back = (n: number) =>
      w.fitting.giveBack(WORKS, partBackSchema.cast({ id: uuid(n), at: NOW, lent: debts[0]!.lent, how: 'returned' }))
    expect(back(800)).toMatchObject({ title: 'Disk-in switch back from SK-31' })
    expect(back(800).id).toBe(uuid(800))
    expect(() => back(801)).toThrow(/settled already/)
    const after = await w.wanting.all(NOW_MS)
    expect(after.debts).toEqual([])
    expect(after.wants).toMatchObject([
      { want: { drive: { tag: 'SK-31' }, part: 'disk-in-switch', says: 'Disk-in switch went back to SK-40' } },
    ])
  })
  it('is not taken back by one side alone', async () => {
    const w = await bench()
    const fitted = w.fit(ASKS, { part: 'arm', drive: WORKS })
    expect(() => w.say(ASKS, { kind: 'taken-back', title: 'x', takesBack: fitted.id })).toThrow(/cannot be taken back/)
  })
  it('a part that is bad, of the drive itself, or of no drive is not lent', async () => {
    const w = await bench()
    w.find(WORKS, 'arm.bent')
    expect(() => w.fit(ASKS, { part: 'arm', drive: WORKS })).toThrow(/shutter arm of SK-40: .*bent/)
    expect(() => w.fit(ASKS, { part: 'heads', drive: ASKS })).toThrow(/no donor of its own/)
    expect(() => w.fit(ASKS, { part: 'gears', drive: WORKS })).toThrow(/SK-40 has no such part/)
    expect(() => partUseSchema.validateSync({ id: uuid(1), at: NOW, part: 'arm' })).toThrow(/one place/)
  })
})

describe('an archive with parts on the shelf', () => {
  it('carries them to another workshop', async () => {
    const w = await bench()
    w.spare(uuid(90), { measures: SWITCH, place: 'drawer 3' })
    const there = await workshop()
    await there.archives.import((await w.archives.export(NOW)).stream)
    expect(there.spares.list()).toMatchObject([{ id: uuid(90), place: 'drawer 3', measures: SWITCH }])
  })
})
