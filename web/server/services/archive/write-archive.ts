import type Database from 'better-sqlite3'
import { createHash } from 'node:crypto'
import { createReadStream } from 'node:fs'
import { Readable, Transform } from 'node:stream'
import Papa from 'papaparse'
import yazl from 'yazl'
import { ARRIVED } from '../../database/arrived'
import type { MissingFile } from '../../../shared/archive'
import { contentPath, type DataFolder } from '../data-folder'
import { openToLook } from '../start'
import { wrongWith } from './missing-contents'
import {
  ABOUT,
  ARCHIVE_VERSION,
  CONTENTS,
  CSV_TABLES,
  MANIFEST,
  TABLES,
  type ArchiveTable,
  type Manifest,
  type ManifestFile,
} from './tables'

/** Rows that are put together to one piece of a file. */
const ROWS = 200

/** Which rows of each table go in: all, or those that one drive needs. */
type Filter = (t: ArchiveTable) => { readonly where: string; readonly params: readonly string[] }
const EVERYTHING: Filter = ({ table }) => ({
  where:
    table === 'drives'
      ? `where ${ARRIVED('id')}`
      : ['log_entries', 'log_chain'].includes(table)
        ? `where ${ARRIVED('drive_id')}`
        : '',
  params: [],
})

/** What one drive needs: itself, its log, the recordings and photos that its log names, and the disks that it read. */
function ofDrive(id: string): Filter {
  const inLog = (path: string) => `(select json_extract(data, '${path}') from log_entries where drive_id = ?)`
  const disks = inLog('$.disk')
  const by: Readonly<Record<string, string>> = {
    drives: 'where id = ?',
    log_entries: 'where drive_id = ?',
    log_chain: 'where drive_id = ?',
    captures: `where sha in ${inLog('$.captureSha')}`,
    photos: `where sha in ${inLog('$.sha')}`,
    reference_disks: `where id in ${disks}`,
    disk_events: `where disk in ${disks}`,
  }
  return ({ table }) => (by[table] ? { where: by[table]!, params: [id] } : { where: 'where 0', params: [] })
}

/** An archive on its way out, and the recordings and photos that cannot come along. */
export interface WrittenArchive {
  readonly stream: Readable
  readonly missing: readonly MissingFile[]
}

/**
 * The workshop, or one of its drives, as one ZIP of open files, written while it is read: memory does not grow with
 * it. Rows are those of one instant, however long it takes and whatever is entered meanwhile. Recordings and photos are
 * compared with their names first: what is missing or damaged is listed in the manifest, the rest comes along.
 * @param withPhotos photos as the camera made them, which may hold place, time and camera; else they are left out
 */
export async function writeArchive(
  folder: DataFolder,
  madeAt: string,
  drive: { readonly id: string; readonly tag: string } | null = null,
  withPhotos = true,
): Promise<WrittenArchive> {
  const db = openToLook(folder.database)
  db.exec('begin')
  const filter = drive ? ofDrive(drive.id) : EVERYTHING
  const { present, missing } = await contentsOf(db, folder, filter, withPhotos)
  const zip = new yazl.ZipFile()
  const files: ManifestFile[] = []
  const tags = new Map(
    drive
      ? (db.prepare('select id, tag from drives').all() as { id: string; tag: string }[]).map(d => [d.id, d.tag])
      : [],
  )

  const add = (path: string, make: () => Readable, compress = true) =>
    zip.addReadStreamLazy(path, { compress, mtime: new Date(madeAt) }, callback =>
      callback(null, counted(path, make(), files)),
    )
  add('README.txt', () => Readable.from([ABOUT]))
  for (const t of TABLES) add(t.file, () => inPieces(lines(db, t, filter, tags)))
  for (const name of CSV_TABLES) {
    const t = TABLES.find(x => x.table === name)!
    add(t.file.replace('.jsonl', '.csv'), () => inPieces(csv(db, t, filter)))
  }
  for (const { path, from } of present) add(path, () => createReadStream(from), false)
  const about = { format: 'wobrin-archive', version: ARCHIVE_VERSION, madeAt, drive: drive?.tag ?? null } as const
  // Made last, when all that it lists has gone by.
  zip.addReadStreamLazy(MANIFEST, { mtime: new Date(madeAt) }, callback =>
    callback(
      null,
      Readable.from([
        `${JSON.stringify({ ...about, files, ...(missing.length ? { missing } : {}) } satisfies Manifest, null, 1)}\n`,
      ]),
    ),
  )
  zip.end()
  const out = zip.outputStream as Readable
  zip.on('error', error => out.destroy(error as Error))
  out.once('close', () => db.close())
  return { stream: out, missing }
}

/** Recordings and photos that rows name, each compared with its name: those that come along, and the others. */
async function contentsOf(db: Database.Database, folder: DataFolder, filter: Filter, withPhotos: boolean) {
  const present: { path: string; from: string }[] = []
  const missing: MissingFile[] = []
  for (const { folder: name, table } of CONTENTS) {
    const { where, params } = filter(TABLES.find(x => x.table === table)!)
    const named = db.prepare(`select sha from ${table} ${where} order by sha`).all(...params) as { sha: string }[]
    for (const { sha } of named) {
      const path = `${name}/${sha}`
      const why = name === 'photos' && !withPhotos ? 'left out' : await wrongWith(folder[name], sha)
      if (why) missing.push({ path, why })
      else present.push({ path, from: contentPath(folder[name], sha) })
    }
  }
  return { present, missing }
}

function counted(path: string, from: Readable, files: ManifestFile[]): Readable {
  const hash = createHash('sha256')
  let bytes = 0
  const through = new Transform({
    transform(chunk: Buffer, _, done) {
      bytes += chunk.length
      hash.update(chunk)
      done(null, chunk)
    },
    flush(done) {
      files.push({ path, bytes, sha256: hash.digest('hex') })
      done()
    },
  })
  from.on('error', error => through.destroy(error))
  return from.pipe(through)
}

/**
 * A file as its pieces are wanted: one is made ahead. Many made at once would keep the one thread from everybody else
 * for as long as the disk takes to find their rows.
 */
const inPieces = (pieces: Iterable<string>): Readable => Readable.from(pieces, { highWaterMark: 1 })

type Row = Record<string, unknown>
const rowsOf = (db: Database.Database, t: ArchiveTable, filter: Filter): Iterable<Row> => {
  const { where, params } = filter(t)
  return db
    .prepare(`select ${t.columns.map(c => `"${c}"`).join(', ')} from ${t.table} ${where} order by ${t.order}`)
    .iterate(...params) as Iterable<Row>
}

/** What a column of JSON holds; text that is damaged goes out as it is. */
function asJson(value: unknown): unknown {
  if (typeof value !== 'string') return value
  try {
    return JSON.parse(value)
  } catch {
    return value
  }
}

function* lines(
  db: Database.Database,
  t: ArchiveTable,
  filter: Filter,
  tags: ReadonlyMap<string, string>,
): Generator<string> {
  let piece: string[] = []
  for (const row of rowsOf(db, t, filter)) {
    for (const c of t.json) row[c] = asJson(row[c])
    // In the archive of one drive its disks may be written by drives that stay behind: their tags go along in words.
    if (t.table === 'reference_disks' && tags.size && row.written_by)
      Object.assign(row, { writer: tags.get(String(row.written_by)) ?? row.writer, written_by: null })
    piece.push(`${JSON.stringify(row)}\n`)
    if (piece.length >= ROWS) {
      yield piece.join('')
      piece = []
    }
  }
  yield piece.join('')
}

function* csv(db: Database.Database, t: ArchiveTable, filter: Filter): Generator<string> {
  yield `${Papa.unparse([[...t.columns]])}\r\n`
  let piece: unknown[][] = []
  for (const row of rowsOf(db, t, filter)) {
    piece.push(t.columns.map(c => row[c] ?? ''))
    if (piece.length >= ROWS) {
      yield `${Papa.unparse(piece, { escapeFormulae: true })}\r\n`
      piece = []
    }
  }
  if (piece.length) yield `${Papa.unparse(piece, { escapeFormulae: true })}\r\n`
}
