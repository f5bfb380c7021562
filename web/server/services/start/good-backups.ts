import Database from 'better-sqlite3'
import { readdirSync, statSync } from 'node:fs'
import { join } from 'node:path'
import type { DataFolder } from '../data-folder'

/** What a database is called that gave way to a backup: it is kept, and never put back by itself. */
export const BEFORE_RESTORE = 'before-restore-'

/** Names of backups, the newest first. Half-made ones have other names. */
export function backupNames({ backups }: DataFolder): string[] {
  return readdirSync(backups)
    .filter(n => n.endsWith('.sqlite') && !n.startsWith('.'))
    .map(name => ({ name, at: statSync(join(backups, name)).mtimeMs }))
    .sort((a, b) => b.at - a.at || b.name.localeCompare(a.name))
    .map(b => b.name)
}

/** Null where a file is a sound database of a workshop, else what is wrong with it. */
export function faultOf(path: string): string | null {
  let db: Database.Database | null = null
  try {
    db = new Database(path, { readonly: true, fileMustExist: true })
    const said = String(db.pragma('quick_check(1)', { simple: true }))
    if (said !== 'ok') return said.replace(/\s+/g, ' ')
    db.prepare('select count(*) from log_entries').get()
    return null
  } catch (error) {
    return (error as Error).message
  } finally {
    db?.close()
  }
}

/** Name of the newest backup that is sound; null where none is. */
export const newestGoodBackup = (folder: DataFolder): string | null =>
  backupNames(folder).find(name => !name.startsWith(BEFORE_RESTORE) && faultOf(join(folder.backups, name)) === null) ??
  null
