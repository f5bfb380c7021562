import type Database from 'better-sqlite3'
import { readdirSync, statSync } from 'node:fs'
import { join } from 'node:path'
import type { Backup } from '../../../shared/archive'
import type { DataFolder } from '../data-folder'
import { openToLook } from './open-to-look'
import { countsOf, unsound } from './sound'

/** What a database is called that gave way to a backup: it is kept, and never put back by itself. */
export const BEFORE_RESTORE = 'before-restore-'

/** Backups, the newest first. Half-made ones have other names. */
export const backupsIn = ({ backups }: DataFolder): Backup[] =>
  readdirSync(backups)
    .filter(n => n.endsWith('.sqlite') && !n.startsWith('.'))
    .map(name => {
      const { size, mtime } = statSync(join(backups, name))
      return { name, bytes: size, at: mtime.toISOString() }
    })
    .sort((a, b) => b.at.localeCompare(a.at) || b.name.localeCompare(a.name))

/** Null where a file is a sound database of a workshop, else what is wrong with it. */
export function faultOf(path: string): string | null {
  let db: Database.Database | null = null
  try {
    db = openToLook(path)
    const fault = unsound(db)
    // It is a workshop's, too.
    if (!fault) countsOf(db)
    return fault
  } catch (error) {
    return (error as Error).message
  } finally {
    db?.close()
  }
}

/** Name of the newest backup that is sound; null where none is. */
export const newestGoodBackup = (folder: DataFolder): string | null =>
  backupsIn(folder)
    .map(b => b.name)
    .find(name => !name.startsWith(BEFORE_RESTORE) && faultOf(join(folder.backups, name)) === null) ?? null
