import { appendFileSync, existsSync, readdirSync, readFileSync, rmSync } from 'node:fs'
import { join } from 'node:path'
import type { Db } from '../../database/db'
import { contentPath, type DataFolder } from '../data-folder'
import { withLogUnlocked } from '../with-log-unlocked'
import { contentAt } from './tables'
import { inSlices, type Between } from './in-slices'

const LIST = /^\.import-.*\.files$/
/** Rows that are taken out at once. */
const ROWS = 100

/** Where the files are listed that an import brings, before they have their names. */
export const fileList = (folder: DataFolder, importId: string): string => join(folder.root, `.import-${importId}.files`)

/** Notes a file that an import is about to bring. */
export const noteFile = (list: string, path: string): void => appendFileSync(list, `${path}\n`)

const LINKS = 'delete from log_chain where entry in (select entry from log_chain where drive_id = ? limit ?)'
const ENTRIES = 'delete from log_entries where seq in (select seq from log_entries where drive_id = ? limit ?)'

function* withdrawn(db: Db, importId: string): Generator<void> {
  const client = db.$client
  const drives = client.prepare('select drive_id from arriving where import_id = ?').pluck().all(importId) as string[]
  const remove = (sql: string, drive: string) => withLogUnlocked(db, () => client.prepare(sql).run(drive, ROWS).changes)
  for (const drive of drives) {
    for (const sql of [LINKS, ENTRIES]) while (remove(sql, drive)) yield
    client.prepare('delete from log_heads where drive_id = ?').run(drive)
    client.prepare('delete from drives where id = ?').run(drive)
    client.prepare('delete from arriving where drive_id = ?').run(drive)
    yield
  }
}

/** Takes everything out again that an import has brought so far. */
export async function withdraw(db: Db, folder: DataFolder, importId: string, between?: Between): Promise<void> {
  await inSlices(db.$client, withdrawn(db, importId), between)
  dropFiles(db, folder, fileList(folder, importId))
}

/** Files that an import brought, and that no row names, as it came to nothing. */
function dropFiles(db: Db, folder: DataFolder, list: string): void {
  if (!existsSync(list)) return
  for (const path of readFileSync(list, 'utf8').split('\n')) {
    const content = contentAt(path)
    if (!content) continue
    const { place, sha } = content
    if (db.$client.prepare(`select 1 from ${place.table} where sha = ?`).get(sha)) continue
    rmSync(contentPath(folder[place.folder], sha), { force: true })
  }
  rmSync(list, { force: true })
}

/** What imports left that a killed server did not end. At start, before anything else runs. */
export async function sweepImports(db: Db, folder: DataFolder): Promise<void> {
  const left = db.$client.prepare('select distinct import_id from arriving').pluck().all() as string[]
  for (const id of left) await withdraw(db, folder, id)
  for (const name of readdirSync(folder.root)) if (LIST.test(name)) dropFiles(db, folder, join(folder.root, name))
}
