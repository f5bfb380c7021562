import { appendFileSync, existsSync, readdirSync, readFileSync, rmSync } from 'node:fs'
import { join } from 'node:path'
import type { Db } from '../../database/db'
import { CONTENTS } from './tables'
import type { DataFolder } from '../data-folder'
import { inSlices } from './in-slices'

const LIST = /^\.import-.*\.files$/
/** Rows that are taken out at once. */
const ROWS = 100

/** Where the files are listed that an import brings, before they have their names. */
export const fileList = (folder: DataFolder, importId: string): string => join(folder.root, `.import-${importId}.files`)

/** Notes a file that an import is about to bring. */
export const noteFile = (list: string, path: string): void => appendFileSync(list, `${path}\n`)

function* takeOut(db: Db, importId: string): Generator<void> {
  const client = db.$client
  const drives = client.prepare('select drive_id from arriving where import_id = ?').pluck().all(importId) as string[]
  const lifted = (sql: string, ...params: unknown[]) => {
    client.exec('insert into erasing (id) values (1)')
    const { changes } = client.prepare(sql).run(...params)
    client.exec('delete from erasing')
    return changes
  }
  for (const drive of drives) {
    while (
      lifted(
        'delete from log_chain where entry in (select entry from log_chain where drive_id = ? limit ?)',
        drive,
        ROWS,
      )
    )
      yield
    while (
      lifted(
        'delete from log_entries where seq in (select seq from log_entries where drive_id = ? limit ?)',
        drive,
        ROWS,
      )
    )
      yield
    client.prepare('delete from log_heads where drive_id = ?').run(drive)
    client.prepare('delete from drives where id = ?').run(drive)
    client.prepare('delete from arriving where drive_id = ?').run(drive)
    yield
  }
}

/** Takes everything out again that an import has brought so far. */
export async function withdraw(db: Db, folder: DataFolder, importId: string): Promise<void> {
  await inSlices(db.$client, takeOut(db, importId))
  dropFiles(db, folder, fileList(folder, importId))
}

/** Files that an import brought, and that no row names, as it came to nothing. */
function dropFiles(db: Db, folder: DataFolder, list: string): void {
  if (!existsSync(list)) return
  for (const path of readFileSync(list, 'utf8').split('\n')) {
    const place = CONTENTS.find(c => path.startsWith(`${c.folder}/`))
    const sha = path.slice((place?.folder.length ?? 0) + 1)
    if (!place || !/^[0-9a-f]{64}$/.test(sha)) continue
    if (db.$client.prepare(`select 1 from ${place.table} where sha = ?`).get(sha)) continue
    rmSync(join(folder[place.folder], sha), { force: true })
  }
  rmSync(list, { force: true })
}

/** What imports left that a killed server did not end. At start, before anything else runs. */
export async function sweepImports(db: Db, folder: DataFolder): Promise<void> {
  const left = db.$client.prepare('select distinct import_id from arriving').pluck().all() as string[]
  for (const id of left) await withdraw(db, folder, id)
  for (const name of readdirSync(folder.root)) if (LIST.test(name)) dropFiles(db, folder, join(folder.root, name))
}
