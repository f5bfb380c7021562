import { cpSync, existsSync, mkdtempSync, readdirSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import Database from 'better-sqlite3'
import { expect, it, vi } from 'vitest'
import { openDataFolder, sweepLeftovers } from '../server/services/data-folder'
import { checkDatabase, finishRestore, restoreBackup } from '../server/services/start'
import { newDrive, note, uuid, workshop } from './helpers'

const NOW = '2026-03-01T09:00:00.000Z'
const MIGRATIONS = join(import.meta.dirname, '../server/database/migrations')

/** So many files more get their names; then the program is killed. */
let names = Infinity
vi.mock('node:fs', async original => {
  const fs = await original<typeof import('node:fs')>()
  const renameSync = (from: string, to: string) => {
    if (names-- <= 0) throw new Error('killed')
    fs.renameSync(from, to)
  }
  return { ...fs, renameSync }
})

const entriesIn = (path: string): number => {
  const db = new Database(path)
  try {
    return db.prepare('select count(*) from log_entries').pluck().get() as number
  } finally {
    db.close()
  }
}

/** A folder as a killed server leaves it: what was entered last stands in its write-ahead log alone. */
async function left(): Promise<{ root: string; before: number; backup: string; after: number }> {
  const w = await workshop()
  w.drives.receive(newDrive(), NOW, uuid(1))
  const { name } = await w.backups.make(NOW)
  const after = entriesIn(join(w.folder.backups, name))
  for (let n = 0; n < 5; n++) w.drives.append(note(uuid(1), uuid(100 + n)))
  const root = mkdtempSync(join(tmpdir(), 'wobrin-put-'))
  cpSync(w.root, root, { recursive: true })
  w.db.$client.close()
  return { root, before: after + 5, backup: name, after }
}

it('whenever it is killed, the next start finds what was there, or what was put back', async () => {
  const { root: source, before, backup, after } = await left()
  const found: number[] = []
  for (let many = 0, whole = false; !whole; many++) {
    const root = mkdtempSync(join(tmpdir(), 'wobrin-put-'))
    cpSync(source, root, { recursive: true })
    const folder = openDataFolder(root)
    expect(existsSync(`${folder.database}-wal`)).toBe(true)
    names = many
    try {
      restoreBackup(folder, NOW, backup)
      whole = true
    } catch (error) {
      expect((error as Error).message).toBe('killed')
    }
    names = Infinity
    sweepLeftovers(folder)
    finishRestore(folder)
    checkDatabase(folder, MIGRATIONS)
    found.push(entriesIn(folder.database))
    // What gave way is whole as well, with what stood in its write-ahead log.
    const kept = readdirSync(folder.backups).find(n => /^before-restore-.*\.sqlite$/.test(n))
    if (found.at(-1) === after) expect(entriesIn(join(folder.backups, kept!))).toBe(before)
    else expect(kept).toBeUndefined()
    expect(readdirSync(root).filter(n => n.startsWith('.'))).toEqual([])
    rmSync(root, { recursive: true })
  }
  expect(found.slice(0, 2)).toEqual([before, before])
  expect(found.slice(2).length).toBeGreaterThan(2)
  expect(new Set(found.slice(2))).toEqual(new Set([after]))
}, 60_000)
