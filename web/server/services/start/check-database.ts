import type Database from 'better-sqlite3'
import { closeSync, existsSync, openSync, readdirSync, readFileSync, readSync, statSync } from 'node:fs'
import { join } from 'node:path'
import { SHA_256 } from '../../../shared/patterns'
import type { DataFolder } from '../data-folder'
import { newestGoodBackup } from './good-backups'
import { openToLook } from './open-to-look'
import { unsound } from './sound'
import { StartProblem } from './start-problem'

const HEADER = 'SQLite format 3\0'
/** A larger database is not read through at start: that is left to a check that runs while the server answers. */
const MOST_READ_THROUGH = 256 * 1024 ** 2

/**
 * Looks whether the database of a data folder may be opened, without changing anything.
 * @param migrations folder of those that this version knows
 * @throws StartProblem where it is missing though other things are there, damaged, newer, or another program's
 */
export function checkDatabase(folder: DataFolder, migrations: string): void {
  if (!existsSync(folder.database) || statSync(folder.database).size === 0) return checkNothingLost(folder)
  if (headerOf(folder.database) !== HEADER) throw damaged(folder, 'its first bytes are not those of a database')
  let db: Database.Database | null = null
  try {
    db = openToLook(folder.database)
    checkOurs(db, folder, migrations)
    if (statSync(folder.database).size <= MOST_READ_THROUGH) {
      const fault = unsound(db)
      if (fault) throw damaged(folder, fault)
    }
  } catch (error) {
    throw isDamage(error) ? damaged(folder, (error as Error).message) : error
  } finally {
    db?.close()
  }
}

/** Whether an error of the database says that its file is damaged. */
export const isDamage = (error: unknown): boolean =>
  /^SQLITE_(?:CORRUPT|NOTADB)/.test((error as { code?: string } | null)?.code ?? '')

export function damaged(folder: DataFolder, why: string): StartProblem {
  return new StartProblem(
    `The database ${folder.database} is damaged (${why}). It was left as it is. ${wayBack(folder)}`,
  )
}

function headerOf(path: string): string {
  const file = openSync(path, 'r')
  try {
    const start = Buffer.alloc(HEADER.length)
    readSync(file, start, 0, start.length, 0)
    return start.toString('latin1')
  } finally {
    closeSync(file)
  }
}

/** An empty workshop is begun only where nothing of an older one lies about. */
function checkNothingLost(folder: DataFolder): void {
  const count = (place: string, pattern: RegExp) => readdirSync(place).filter(n => pattern.test(n)).length
  const there = [
    [count(folder.captures, SHA_256), 'recordings'],
    [count(folder.photos, SHA_256), 'photos'],
    [count(folder.backups, /\.sqlite$/), 'backups'],
  ].filter(([n]) => n !== 0)
  if (there.length === 0) return
  throw new StartProblem(
    `The database ${folder.database} is missing, but ${there.map(([n, what]) => `${n} ${what}`).join(', ')} ` +
      `of a workshop are there. No empty database was put in its place. ${wayBack(folder)}`,
  )
}

function checkOurs(db: Database.Database, { database }: DataFolder, migrations: string): void {
  const tables = new Set(
    (db.prepare("select name from sqlite_master where type = 'table'").all() as { name: string }[]).map(t => t.name),
  )
  if (tables.size === 0) return
  if (!tables.has('__drizzle_migrations') || !tables.has('log_entries'))
    throw new StartProblem(`${database} is the database of another program. It was not changed.`)
  const { entries } = JSON.parse(readFileSync(join(migrations, 'meta/_journal.json'), 'utf8')) as {
    entries: { when: number }[]
  }
  const { made } = db.prepare('select max(created_at) as made from __drizzle_migrations').get() as { made: number }
  if (made > Math.max(...entries.map(e => e.when)))
    throw new StartProblem(
      `The database ${database} was made by a newer version of Wobrin. It was not changed. Start that version.`,
    )
}

/** How to put the newest good backup back. */
export function wayBack(folder: DataFolder): string {
  const backup = newestGoodBackup(folder)
  return backup
    ? `The newest good backup is ${backup}. To put it back: npx wobrin restore ${backup} --data ${folder.root}`
    : `No good backup is in ${folder.backups}.`
}
