import { describe, expect, it } from 'vitest'
import { readingEntry } from '../../core/src/bench/entries'
import { emptySheet } from '../../core/src/drives/models'
import { BlameService } from '../server/services/blame'
import { DiskShelf } from '../server/services/disk-shelf'
import { IdenticalService } from '../server/services/identical'
import { ProfileService } from '../server/services/profiles'
import { newDrive, uuid, workshop } from './helpers'

const NOW = '2026-03-01T10:00:00Z'
const M80 = { mechanism: '3.5in', maker: 'Staithe', model: 'M80' } as const

describe('drives of one model on file', () => {
  it('are found, the identical ones that work first, with their sheet; what differs is told as evidence', async () => {
    const { db, drives } = await workshop()
    const profiles = new ProfileService(db)
    const identical = new IdenticalService(db, drives, profiles)
    const all = [
      { tag: 'A', model: 'M80' },
      { tag: 'B', model: 'm 80' },
      { tag: 'C', model: 'M80C' },
      { tag: 'D', model: 'M80' },
      { tag: 'E', model: 'Q1' },
    ]
    for (const [i, d] of all.entries()) drives.receive(newDrive({ ...M80, ...d }), NOW, uuid(i + 1))
    let n = 100
    const read = (drive: number, key: string, value: number, more: object = {}) =>
      drives.append(readingEntry({ id: uuid(n++), at: NOW, remark: '', key, value, ...more }, drives.get(uuid(drive))))
    read(4, 'read.lower.outer', 18, { of: 18 })
    const point = { label: 'IC2 pin 8', unit: 'V' }
    read(1, 'point.ic2-pin-8', 4.8, point)
    read(4, 'point.ic2-pin-8', 0.2, point)
    // The one that was not shown to work is no standard, though it reads the same.
    read(2, 'point.ic2-pin-8', 4.8, point)

    const mine = drives.get(uuid(1))
    expect(identical.view(mine)).toMatchObject({
      sheet: null,
      drives: [
        { tag: 'D', likeness: 'identical', works: true },
        { tag: 'B', likeness: 'identical', works: false },
        { tag: 'C', likeness: 'another revision' },
      ],
    })
    expect(identical.evidence(mine)).toEqual([])
    profiles.put(
      uuid(50),
      {
        ...emptySheet({ ...M80, model: 'M-80' }),
        points: [{ id: 'ic2-pin-8', name: 'IC2 pin 8', state: '', unit: 'V', part: 'line-driver', expected: null }],
      },
      NOW,
    )
    expect(identical.evidence(mine)).toMatchObject([{ key: 'compare.line-driver', value: 'differs' }])
    expect(identical.evidence(drives.get(uuid(5)))).toEqual([])
    expect(identical.view(drives.get(uuid(2))).sheet).toMatchObject({ id: uuid(50) })
    // What was read of disks elsewhere is another thing, and does not mind.
    expect(new BlameService(db, drives, new DiskShelf(db, drives)).elsewhere(uuid(1))).toEqual([])
  })
  it('keep no sheet that is none', async () => {
    const { db } = await workshop()
    const profiles = new ProfileService(db)
    expect(() => profiles.put(uuid(1), { ...emptySheet(M80), model: '' }, NOW)).toThrow(/model is left out/)
    expect(profiles.list()).toEqual([])
  })
})
