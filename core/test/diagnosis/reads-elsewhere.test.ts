import { describe, expect, it } from 'vitest'
import { diagnose, readCase, readsElsewhere, type DiskInDrive } from '../../src/diagnosis'

const read = (disk: string, drive: string, good: number): DiskInDrive => ({ disk, drive, good, sectors: 100 })
const told = (reads: readonly DiskInDrive[], wrote: readonly string[] = []) =>
  Object.fromEntries(readsElsewhere('here', reads, new Set(wrote)).map(r => [r.key, r.value]))

describe('reads in other drives speak of this one', () => {
  it('a disk that fails here and reads elsewhere is not the disk', () => {
    const reads = [read('a', 'here', 20), read('a', 'other', 100)]
    expect(told(reads)).toEqual({ 'disk.elsewhere': 'reads' })
    const c = readCase({ mechanism: '3.5in', complaints: ['slow-retries'] })
    const disk = (also: ReturnType<typeof readsElsewhere>) =>
      diagnose({ ...c, readings: also }).causes.find(x => x.fault === 'disk.worn')?.probability ?? 0
    expect(disk(readsElsewhere('here', reads, new Set()))).toBeLessThan(disk([]) / 2)
    const fails = [read('a', 'here', 20), read('a', 'other', 30)]
    expect(disk(readsElsewhere('here', fails, new Set()))).toBeGreaterThan(disk([]))
  })
  it('what it wrote and another cannot read is its own fault, and its own reads of it prove nothing', () => {
    expect(told([read('mine', 'here', 100), read('mine', 'other', 10)], ['mine'])).toEqual({
      'written.elsewhere': 'fails',
    })
    expect(told([read('mine', 'other', 99)], ['mine'])).toEqual({ 'written.elsewhere': 'reads' })
  })
  it('counts foreign disks, and says nothing of what was not read', () => {
    expect(told([read('a', 'here', 100), read('b', 'here', 40), read('c', 'here', 95)])).toEqual({
      'disks.tried': 3,
      'disks.read': 2,
    })
    expect(told([])).toEqual({})
    expect(told([{ ...read('a', 'here', 0), sectors: 0 }])).toEqual({})
  })
})
