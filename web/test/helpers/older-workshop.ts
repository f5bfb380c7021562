import { createHash } from 'node:crypto'
import { mkdirSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import Database from 'better-sqlite3'

const MIGRATIONS = join(import.meta.dirname, '../../server/database/migrations')

interface Journal {
  readonly entries: readonly { readonly tag: string; readonly when: number }[]
}

/**
 * A data folder as an earlier version left it: its database at the first migrations, with one drive and notes on its
 * log. Written with the migrations’ own SQL and nothing of the application.
 * @param steps how many migrations it has had @param notes how many notes are on the log
 */
export function olderWorkshop(root: string, steps: number, notes = 3): void {
  mkdirSync(join(root, 'captures'), { recursive: true })
  const { entries } = JSON.parse(readFileSync(join(MIGRATIONS, 'meta/_journal.json'), 'utf8')) as Journal
  const db = new Database(join(root, 'wobrin.sqlite'))
  db.exec('create table __drizzle_migrations (id integer primary key, hash text not null, created_at numeric)')
  const done = db.prepare('insert into __drizzle_migrations (hash, created_at) values (?, ?)')
  for (const { tag, when } of entries.slice(0, steps)) {
    const sql = readFileSync(join(MIGRATIONS, `${tag}.sql`), 'utf8')
    for (const statement of sql.split('--> statement-breakpoint')) db.exec(statement)
    done.run(createHash('sha256').update(sql).digest('hex'), when)
  }
  const at = '2026-01-05T09:00:00Z'
  const drive = '00000000-0000-4000-8000-00000000000a'
  db.prepare("insert into drives (id, tag, mechanism, received_at) values (?, 'OLD-1', '3.5in', ?)").run(drive, at)
  const add = db.prepare(
    "insert into log_entries (id, drive_id, at, kind, station, title) values (?, ?, ?, ?, 'look', ?)",
  )
  add.run('00000000-0000-4000-8000-0000000000a0', drive, at, 'received', 'Received')
  for (let n = 1; n <= notes; n++)
    add.run(`00000000-0000-4000-8000-${String(n).padStart(12, '0')}`, drive, at, 'note', `Note ${n}`)
  db.close()
}
