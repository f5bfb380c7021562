import Database from 'better-sqlite3'
import { randomUUID } from 'node:crypto'
import { existsSync } from 'node:fs'
import { open, rename, rm } from 'node:fs/promises'
import { join } from 'node:path'
import { setImmediate } from 'node:timers/promises'
import { InputError, LimitError } from '@wobrin/core/base/errors'
import type { Imported } from '../../../shared/archive'
import { SHA_256 } from '../../../shared/patterns'
import { contentPath, type DataFolder } from '../data-folder'
import type { Db } from '../../database/db'
import { Parents } from './parents'
import { openArchive, type OpenArchive } from './read-archive'
import { checkRow } from './check-row'
import type { Between } from './in-slices'
import { fileList, noteFile, withdraw } from './arriving'
import { leaveOutErased } from './erased-in-archive'
import { mergeArchive } from './merge-archive'
import { upgradeRow } from './upgrade-row'
import { CONTENTS, contentAt, TABLES, type ArchiveTable } from './tables'

/** After so much work others are let in: nobody waits for an archive to be read. */
const BREATH_MS = 25
/** Longest line of a table, bytes. */
const MOST_LINE = 16 * 1024 ** 2

/**
 * Reads an archive into a workshop: what is new is added, what is there already is left, and where something is
 * there with other contents
 * nothing at all is changed. An archive read into an empty workshop makes it equal to the one that it came from.
 * @param path of the archive's file @param now when it is read in
 * @param between two transactions, in which others are let in @throws InputError in one sentence
 */
export async function importArchive(
  path: string,
  folder: DataFolder,
  db: Db,
  now: string,
  between?: Between,
): Promise<Imported> {
  const archive = await openArchive(path)
  const id = randomUUID()
  const staged = join(folder.root, `.import-${id}.sqlite`)
  try {
    await stage(archive, staged, folder)
    const { drive, madeAt, missing = [] } = archive.manifest
    const leftOut = leaveOutErased(staged, db, drive !== null)
    try {
      const files = await keepContents(archive, folder, fileList(folder, id), leftOut.contents)
      const tables = await mergeArchive(db, staged, id, now, between)
      return { drive, madeAt, tables, files, missing, erased: leftOut.drives }
    } finally {
      // All that has come goes again where it came to nothing; what has its rows stays.
      await withdraw(db, folder, id, between)
    }
  } finally {
    archive.close()
    for (const end of ['', '-wal', '-shm', '-journal']) await rm(staged + end, { force: true })
  }
}

/**
 * Puts the rows into a database of their own, with the tables and rules of this one, so that what is wrong shows
 * before anything is touched.
 */
async function stage(archive: OpenArchive, path: string, folder: DataFolder): Promise<void> {
  const { files, missing = [] } = archive.manifest
  const listed = new Set([...files, ...missing].map(f => f.path))
  const staging = new Database(path)
  try {
    staging.pragma('journal_mode = OFF')
    staging.pragma('synchronous = OFF')
    staging.exec(`attach '${folder.database.replaceAll("'", "''")}' as own`)
    const makings = staging.prepare("select sql from own.sqlite_master where type = 'table' and name = ?")
    for (const t of TABLES) staging.exec((makings.get(t.table) as { sql: string }).sql)
    // What the merge looks for, so that its last transaction is short.
    staging.exec(
      `create index staged_entries on log_entries (id);
       create index staged_drives on log_entries (drive_id);
       create index staged_erased on log_chain (entry) where erased is not null`,
    )
    staging.exec('detach own')
    staging.pragma('foreign_keys = OFF')
    staging.exec('begin')
    const parents = new Parents(staging)
    let breathed = performance.now()
    for (const t of TABLES) {
      const insert = staging.prepare(
        `insert into ${t.table} (${t.columns.map(c => `"${c}"`).join(', ')}) values (${t.columns.map(() => '?').join(', ')})`,
      )
      for await (const { row: sent, line } of rows(archive.contents(t.file), t)) {
        const row = upgradeRow(t.table, sent, archive.manifest.version)
        checkContentName(t, row, line, listed)
        checkRow(t, row, { file: t.file, line })
        parents.check(t, row, line)
        if (performance.now() - breathed > BREATH_MS) {
          await setImmediate()
          breathed = performance.now()
        }
        try {
          insert.run(...t.columns.map(c => bindable(t, c, row[c])))
        } catch (error) {
          throw new InputError(
            `the row cannot be kept: ${(error as Error).message}`,
            `a row of ${t.table} as it was exported`,
            { file: t.file, line },
          )
        }
      }
    }
    staging.exec('commit')
  } finally {
    staging.close()
  }
}

/** A row that names a file names it by its contents, and the file comes along. */
function checkContentName(
  t: ArchiveTable,
  row: Record<string, unknown>,
  line: number,
  files: ReadonlySet<string>,
): void {
  const place = CONTENTS.find(c => c.table === t.table)
  if (!place) return
  if (typeof row.sha !== 'string' || !SHA_256.test(row.sha))
    throw new InputError('a file is named by something that is not a SHA-256', '64 hexadecimal digits', {
      file: t.file,
      line,
    })
  const path = `${place.folder}/${row.sha}`
  if (!files.has(path))
    throw new InputError(`${path} is not in the archive`, 'every file that a row names', { file: t.file, line })
}

function bindable(t: ArchiveTable, column: string, value: unknown): string | number | null {
  if (value === undefined || value === null) return null
  if (t.json.includes(column)) return JSON.stringify(value)
  if (typeof value === 'string' || typeof value === 'number') return value
  throw new Error(`${column} is neither text nor number`)
}

async function* rows(
  contents: AsyncGenerator<Buffer>,
  t: ArchiveTable,
): AsyncGenerator<{ row: Record<string, unknown>; line: number }> {
  let rest: Buffer = Buffer.alloc(0)
  let line = 0
  const parsed = (text: Buffer) => {
    line++
    let row: unknown
    try {
      row = JSON.parse(text.toString('utf8'))
    } catch {
      throw new InputError('the line is not JSON', 'one row a line', { file: t.file, line })
    }
    if (typeof row !== 'object' || row === null || Array.isArray(row))
      throw new InputError('the line is no row', 'a JSON object', { file: t.file, line })
    const unknown = Object.keys(row).find(k => !t.columns.includes(k))
    if (unknown !== undefined)
      throw new InputError(`there is no column “${unknown.slice(0, 40)}”`, t.columns.join(', '), { file: t.file, line })
    return { row: row as Record<string, unknown>, line }
  }
  for await (const chunk of contents) {
    rest = rest.length ? Buffer.concat([rest, chunk]) : chunk
    let from = 0
    for (let end = rest.indexOf(10, from); end >= 0; end = rest.indexOf(10, from)) {
      if (end > from) yield parsed(rest.subarray(from, end))
      from = end + 1
    }
    rest = rest.subarray(from)
    if (rest.length > MOST_LINE)
      throw new LimitError('a line is longer than any row', `at most ${MOST_LINE / 1024 ** 2} MB`, {
        file: t.file,
        line: line + 1,
      })
  }
  if (rest.length) yield parsed(rest)
}

/**
 * Recordings and photos: written under a temporary name, checked, renamed to their SHA-256. Their contents are their
 * names.
 * @param list file that names those that were not there before @param leftOut paths of those that were erased here
 */
async function keepContents(
  archive: OpenArchive,
  folder: DataFolder,
  list: string,
  leftOut: ReadonlySet<string>,
): Promise<number> {
  let kept = 0
  for (const { path, sha256 } of archive.manifest.files) {
    const content = contentAt(path)
    if (!content || leftOut.has(path)) continue
    const { place, sha } = content
    if (sha !== sha256)
      throw new InputError(`${path} holds something else than its name says`, 'contents by their SHA-256')
    const target = contentPath(folder[place.folder], sha)
    const temporary = join(folder[place.folder], `.incoming-${randomUUID()}`)
    const file = await open(temporary, 'wx')
    try {
      for await (const chunk of archive.contents(path)) await file.write(chunk)
      await file.sync()
      await file.close()
      if (existsSync(target)) {
        await rm(temporary)
      } else {
        noteFile(list, path)
        await rename(temporary, target)
      }
    } catch (error) {
      await file.close().catch(() => {})
      await rm(temporary, { force: true })
      throw error
    }
    kept++
  }
  return kept
}
