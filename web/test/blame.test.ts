import { describe, expect, it } from 'vitest'
import { whoIsToBlame, ZONE_NAMES } from '../../core/src/proof'
import { crossReadSchema } from '../shared/blame'
import { diskSchema, type DiskInput } from '../shared/disks'
import { newDrive, uuid, workshop } from './helpers'

const NOW = '2026-03-01T10:00:00Z'
const disk = (part: object = {}) =>
  diskSchema.cast({
    name: 'Harbour A',
    mechanism: '3.5in',
    writer: 'an identical drive',
    writtenAt: '2026-01-31',
    proof: 'instrument',
    ...part,
  }) as DiskInput
const all = (good: number) =>
  ([0, 1] as const).flatMap(head => ZONE_NAMES.map(zone => ({ head, zone, good, sectors: 9 })))
const input = (n: number, part: object = {}) =>
  crossReadSchema.validateSync({ id: uuid(n), at: NOW, disk: uuid(10), places: all(9), ...part })

async function ready() {
  const w = await workshop()
  for (const [n, tag, mechanism] of [
    [1, 'SK-09', '3.5in'],
    [2, 'SK-10', '3.5in-eject'],
    [3, 'SK-05', '5.25in-48'],
  ] as const)
    w.drives.receive(newDrive({ tag, mechanism }), NOW, uuid(n))
  w.disks.put(uuid(10), disk(), NOW)
  w.disks.put(uuid(11), disk({ name: 'Found in a drawer', writer: '', proof: 'none' }), NOW)
  return w
}

describe('reads across the bench', () => {
  it('go on the log of the drive that read, and make the bench of their family', async () => {
    const w = await ready()
    const entry = w.blame.keep(uuid(1), input(40, { places: all(3) }))
    expect(entry).toMatchObject({
      title: 'Harbour A read: 18 of 54 sectors',
      call: { kind: 'unknown' },
      station: 'prove',
    })
    expect(w.blame.keep(uuid(1), input(40)).seq).toBe(entry.seq)
    w.blame.keep(uuid(2), input(41, { places: all(3) }))
    w.blame.keep(uuid(1), input(42, { disk: uuid(11) }))
    const view = w.blame.view()
    expect(view).toMatchObject({ family: '3.5-inch', families: ['3.5-inch'] })
    expect(view.drives.map(d => d.name)).toEqual(['SK-09', 'SK-10'])
    expect(new Set(view.disks.map(d => d.writer))).toEqual(new Set(['an identical drive', null]))
    const { blamed } = whoIsToBlame(view.reads, view.disks, view.drives)
    expect(blamed[0]!.who).toMatch(/Harbour A|an identical drive/)
  })
  it('leave the bench when they are taken back', async () => {
    const w = await ready()
    const { id } = w.blame.keep(uuid(1), input(40))
    expect(w.blame.view().reads).toHaveLength(6)
    w.drives.append({
      id: uuid(60),
      driveId: uuid(1),
      at: NOW,
      kind: 'taken-back',
      station: 'prove',
      title: 'x',
      detail: '',
      call: null,
      observations: [],
      evidence: null,
      data: null,
      takesBack: id,
    })
    expect(w.blame.view().reads).toHaveLength(0)
  })
  it('a family that is not there falls back to one that is', async () => {
    const w = await ready()
    expect(w.blame.view('Cartridge').family).toBe('3.5-inch')
    expect((await workshop()).blame.view()).toMatchObject({ disks: [], drives: [], reads: [], families: [] })
  })
  it.each([
    [1, { disk: uuid(99) }, /unknown disk/],
    [3, {}, /Harbour A does not go into SK-05/],
    [
      1,
      { places: [{ head: 0, zone: 'outer', good: 10, sectors: 9 }] },
      /lower head, outer: 10 of 9 sectors cannot have read/,
    ],
    [
      1,
      {
        places: [
          { head: 0, zone: 'outer', good: 9, sectors: 9 },
          { head: 0, zone: 'outer', good: 9, sectors: 9 },
        ],
      },
      /lower head, outer is given twice/,
    ],
  ])('drive %i, %j is refused and the log stays as it was', async (drive, part, says) => {
    const w = await ready()
    expect(() => w.blame.keep(uuid(drive), input(40, part))).toThrow(says)
    expect(w.drives.log(uuid(drive))).toHaveLength(1)
  })
  it.each([
    { places: [] },
    { places: [{ head: 2, zone: 'outer', good: 9, sectors: 9 }] },
    { places: [{ head: 0, zone: 'rim', good: 9, sectors: 9 }] },
    { places: [{ head: 0, zone: 'outer', good: -1, sectors: 9 }] },
    { places: [{ head: 0, zone: 'outer', good: 1.5, sectors: 9 }] },
    { disk: 'x' },
  ])('%j is no read', part => {
    expect(() => input(40, part)).toThrow()
  })
})
