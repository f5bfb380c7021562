import { existsSync, mkdirSync, mkdtempSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { describe, expect, it } from 'vitest'
import { BackupService } from '../server/services/backups'
import { openDataFolder } from '../server/services/data-folder'
import { SecondPlace } from '../server/services/second-place'
import { restoreBackup } from '../server/services/start'
import { verifyFolder } from '../server/tools/verify-folder'
import { chunks, newDrive, note, recording, uuid, workshop } from './helpers'

const NOW = '2026-03-01T09:00:00.000Z'
const fresh = (name: string) => mkdtempSync(join(tmpdir(), `wobrin-${name}-`))

async function filled() {
  const w = await workshop()
  const kept = await w.captures.keep('a.vcd', chunks(recording()))
  w.drives.receive(newDrive(), NOW, uuid(1))
  return { w, kept }
}

describe('a second place for backups', () => {
  it('holds a whole workshop: a new machine begins from it, with recordings', async () => {
    const { w, kept } = await filled()
    const place = fresh('second')
    const backups = new BackupService(w.folder, w.db, () => place)
    const made = await backups.make(NOW)
    expect(backups.secondState()).toEqual({ at: NOW, files: 1, problem: null })
    const there = join(place, 'wobrin')
    expect(readdirSync(join(there, 'captures'))).toEqual([kept.sha])
    rmSync(w.root, { recursive: true, force: true })

    const anew = openDataFolder(fresh('anew'))
    const restored = restoreBackup(anew, NOW, join(there, 'backups', made.name))
    expect(restored).toMatchObject({ drives: 1, kept: null })
    expect((await verifyFolder(anew)).problems).toEqual([])
  })

  it('copies each recording once, leaves out what is damaged, clears what was half made, and rotates', async () => {
    const { w, kept } = await filled()
    const place = fresh('second')
    const second = new SecondPlace(w.folder, place)
    const { name } = await w.backups.make(NOW, 'daily')
    expect(await second.take(name)).toEqual({ backup: name, copied: 1, files: 1 })
    writeFileSync(join(w.folder.captures, 'b'.repeat(64)), 'not what its name says')
    const captures = join(place, 'wobrin', 'captures')
    writeFileSync(join(captures, '.making-x'), 'half')
    const mine = join(captures, kept.sha)
    const before = readFileSync(mine)
    await second.take(name)
    expect(readdirSync(captures)).toEqual([kept.sha])
    expect(readFileSync(mine).equals(before)).toBe(true)
    const later = await w.backups.make('2026-03-01T18:00:00.000Z', 'daily')
    await second.take(later.name)
    // Both are of one day by the clock of the disk: the later one stays.
    expect(readdirSync(join(place, 'wobrin', 'backups')).filter(n => n.startsWith('daily-'))).toEqual([later.name])
  })

  it('a disk that is not there is said, and the backup itself stands', async () => {
    const { w } = await filled()
    const gone = join(fresh('gone'), 'not-mounted')
    const backups = new BackupService(w.folder, w.db, () => gone)
    const made = await backups.make(NOW)
    expect(existsSync(join(w.folder.backups, made.name))).toBe(true)
    expect(existsSync(gone)).toBe(false)
    expect(backups.secondState()!.problem).toMatch(/was not copied to .*there is no folder .*not-mounted/)
  })

  it('is neither a part of a path nor the data folder itself', async () => {
    const { w } = await filled()
    mkdirSync(join(w.root, 'inside'))
    for (const [path, says] of [
      ['backups', /not a full path/],
      [join(w.root, 'inside'), /lies in the data folder/],
      [w.root, /lies in the data folder/],
    ] as const)
      expect(() => new SecondPlace(w.folder, path)).toThrow(says)
  })

  it('a database that gave way is whole when it comes back, with what stood in its write-ahead log alone', async () => {
    const { w } = await filled()
    const made = await w.backups.make(NOW)
    w.drives.append(note(uuid(1), uuid(2)))
    // The server was killed: its last writes are in the log beside the database.
    const { kept } = restoreBackup(w.folder, NOW, made.name)
    const back = restoreBackup(w.folder, '2026-03-01T10:00:00.000Z', kept!)
    expect(back.entries).toBe(2)
  })
})
