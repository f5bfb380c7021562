import { existsSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import Database from 'better-sqlite3'
import { drizzle } from 'drizzle-orm/better-sqlite3'
import { migrate } from 'drizzle-orm/better-sqlite3/migrator'
import type { Db } from '../database/db'
import * as schema from '../database/schema'
import { sweepImports } from './archive/arriving'
import { copyDatabase, makeBackup } from './copy-database'
import { stampOf, type DataFolder } from './data-folder'
import { sealLog } from './seal-log'
import { StartProblem } from './start'
import { upgradeLog } from './upgrade-log'

/** Migrations known to this version that the database has not had. */
function pending(client: Database.Database, migrations: string): number {
  const journal = JSON.parse(readFileSync(join(migrations, 'meta/_journal.json'), 'utf8')) as { entries: unknown[] }
  const has = client.prepare('select name from sqlite_master where name = ?').get('__drizzle_migrations')
  const done = has ? (client.prepare('select count(*) as n from __drizzle_migrations').get() as { n: number }).n : 0
  return journal.entries.length - done
}

const hasColumn = (client: Database.Database, table: string, column: string): boolean =>
  (client.pragma(`table_info(${table})`) as { name: string }[]).some(c => c.name === column)

/**
 * A connection to the workshop's database as every writer has it: write-ahead log with every commit flushed, so that an
 * entry that was acknowledged survives a pulled plug.
 */
export function connect(path: string, options: Database.Options = {}): Database.Database {
  const client = new Database(path, options)
  client.pragma('journal_mode = WAL')
  client.pragma('synchronous = FULL')
  client.pragma('foreign_keys = ON')
  // What is erased leaves nothing in free pages.
  client.pragma('secure_delete = ON')
  return client
}

/** One more connection to the database that the server has open already. */
export const openBeside = (folder: DataFolder): Db =>
  drizzle(connect(folder.database, { fileMustExist: true }), { schema }) as Db

/** A copy of what there was before a migration; it has its name once it is whole. @throws StartProblem */
async function keepBefore(client: Database.Database, { backups }: DataFolder): Promise<void> {
  const name = `before-migration-${stampOf(new Date().toISOString())}.sqlite`
  const fault = await makeBackup(backups, name, to => copyDatabase(client, to))
  if (fault) throw new StartProblem(`The backup before the change to this version is not sound (${fault}).`)
}

/** Opens the workshop's database, backs an older one up and brings it to this version. */
export async function openDatabase(folder: DataFolder, migrations: string): Promise<Db> {
  const existed = existsSync(folder.database)
  const client = connect(folder.database)
  if (existed && pending(client, migrations) > 0) await keepBefore(client, folder)
  const db = drizzle(client, { schema }) as Db
  migrate(db, { migrationsFolder: migrations })
  if (hasColumn(client, 'log_entries', 'evidence')) upgradeLog(client)
  if (hasColumn(client, 'log_chain', 'hash')) sealLog(client)
  if (hasColumn(client, 'arriving', 'import_id')) await sweepImports(db, folder)
  return db
}
