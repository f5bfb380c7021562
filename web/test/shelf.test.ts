import { describe, expect, it } from 'vitest'
import { DRIVES, HOSTS } from '../../core/src/drives/hosts'
import { BeltShelf } from '../server/services/belt-shelf'
import { ProfileService } from '../server/services/profiles'
import { calculatorEntry, hostFitEntry } from '../../core/src/bench/entries'
import { beltSchema } from '../shared/belts'
import { hostFitInputSchema } from '../shared/profiles'
import { newDrive, uuid, workshop } from './helpers'

const NOW = '2026-03-01T10:00:00Z'
const belt = (part: object = {}) =>
  beltSchema.cast({ name: 'Bag 3', insideMm: 248, sectionMm: 1.2, material: 'square', ...part })

describe('the belt shelf', () => {
  it('orders for open drives whose belt was worked out and not settled, and nothing else', async () => {
    const { db, drives } = await workshop()
    const shelf = new BeltShelf(db, drives)
    const sizes = { motor: '9', flywheel: '62', centre: '70', section: '1.2' }
    for (const [i, tag] of ['A', 'B', 'C', 'D'].entries()) drives.receive(newDrive({ tag }), NOW, uuid(i + 1))
    const say = (n: number, drive: number, values: Record<string, string>) =>
      drives.append(
        calculatorEntry(
          { id: uuid(n), at: NOW, instrument: 'belt', values, remark: '' },
          { id: uuid(drive), simulated: false },
        ),
      )
    say(11, 1, sizes)
    say(12, 2, { ...sizes, centre: '70.4' })
    say(13, 3, { ...sizes, candidate: '248.8' })
    say(14, 4, sizes)
    drives.append({
      id: uuid(20),
      driveId: uuid(4),
      at: NOW,
      kind: 'released',
      station: 'release',
      title: 'Released',
      detail: '',
      call: null,
      observations: [],
      evidence: null,
      data: { type: 'release', outcome: 'released' },
      takesBack: null,
    })
    const { orders, drives: wanted } = shelf.view()
    expect(orders).toEqual([{ insideMm: 249, sectionMm: 1.2, material: 'square', drives: ['A', 'B'] }])
    expect(wanted.map(d => [d.need.drive, d.settled, d.closed])).toEqual([
      ['A', false, false],
      ['B', false, false],
      ['C', true, false],
      ['D', false, true],
    ])
    // One at hand serves one of the two; the other stays to be ordered.
    shelf.put(uuid(30), belt({ insideMm: 249 }), NOW)
    expect(shelf.view()).toMatchObject({ served: [{ drive: 'A', belt: uuid(30) }], orders: [{ drives: ['B'] }] })
    shelf.put(uuid(30), belt({ insideMm: 249, gone: 'used up' }), NOW)
    // Taken back, it wants nothing any more.
    drives.append({
      id: uuid(21),
      driveId: uuid(1),
      at: NOW,
      kind: 'taken-back',
      station: 'drive-train',
      title: 'Taken back',
      detail: '',
      call: null,
      observations: [],
      evidence: null,
      data: null,
      takesBack: uuid(11),
    })
    expect(shelf.view().orders[0]!.drives).toEqual(['B'])
  })

  it('a belt sent twice is one; one used up stays, with what became of it', async () => {
    const { db, drives } = await workshop()
    const shelf = new BeltShelf(db, drives)
    shelf.put(uuid(1), belt(), NOW)
    shelf.put(uuid(1), belt(), NOW)
    expect(shelf.put(uuid(1), belt({ gone: 'used up' }), '2026-04-01T10:00:00Z')).toMatchObject({
      gone: 'used up',
      addedAt: NOW,
    })
    expect(shelf.view().belts).toHaveLength(1)
  })

  it.each([
    [{ name: '  ' }, 'Give it a name'],
    [{ insideMm: -3 }, '40 mm or more'],
    [{ insideMm: 'long' }, 'a number of millimetres'],
    [{ sectionMm: 90 }, 'at most 6 mm'],
    [{ material: 'string' }, 'material'],
  ])('%j is refused in a sentence', async (part, sentence) => {
    await expect(
      beltSchema.validate({ name: 'Bag 3', insideMm: 248, sectionMm: 1.2, material: 'square', ...part }),
    ).rejects.toThrow(sentence)
  })
})

describe('profiles of hosts and drives', () => {
  it('are kept, changed and removed; what is none is refused by its field', async () => {
    const { db } = await workshop()
    const profiles = new ProfileService(db)
    profiles.put(uuid(1), HOSTS[0], NOW)
    profiles.put(uuid(1), { ...HOSTS[0], name: 'Ours' }, NOW)
    expect(profiles.list().map(p => ('name' in p.profile ? p.profile.name : ''))).toEqual(['Ours'])
    expect(() => profiles.put(uuid(2), { ...DRIVES[0], pins: 20 }, NOW)).toThrow(
      /fixed\.lines\[\d\]\.pin: pin \d+ of a plug with 20/,
    )
    expect(profiles.list()).toHaveLength(1)
    profiles.remove(uuid(1))
    expect(() => profiles.remove(uuid(1))).toThrow('There is no such profile.')
  })

  it('a host fit on the log is worked out by the server and carries its profiles', async () => {
    const input = await hostFitInputSchema.validate({ id: uuid(1), at: NOW, host: HOSTS[0], drive: DRIVES[0] })
    expect(hostFitEntry(input, { id: 'd', simulated: false })).toMatchObject({
      kind: 'measurement',
      station: 'electronics',
      title: 'Fit for Expects disk change on 34, motor by its own line: complete',
      call: { kind: 'nudge' },
      detail: expect.stringMatching(/^Select strap: select 1; /),
      data: { type: 'host-fit', cable: 'straight', host: { name: HOSTS[0]!.name } },
    })
    expect(() => hostFitEntry({ ...input, host: DRIVES[0] as never }, { id: 'd', simulated: false })).toThrow(
      /a profile of a host/,
    )
    expect(() =>
      hostFitEntry({ ...input, drive: { format: 'wobrin-drive-profile' } as never }, { id: 'd', simulated: false }),
    ).toThrow(/expected/)
  })
})
