import { createReadStream, createWriteStream, existsSync } from 'node:fs'
import { rename, rm, stat } from 'node:fs/promises'
import { dirname, join, resolve } from 'node:path'
import { pipeline } from 'node:stream/promises'
import { fileURLToPath } from 'node:url'
import type { Imported, MissingFile } from '../../shared/archive'
import { writeArchive } from '../services/archive'
import { ArchiveService } from '../services/archives'
import { BackupService } from '../services/backups'
import type { DataFolder } from '../services/data-folder'
import { DriveService } from '../services/drives'
import { EraseService } from '../services/erasing'
import { KeptHeads } from '../services/kept-heads'
import { openDatabase } from '../services/open-database'
import { checkDatabase, finishRestore, holderOf, lockFolder, openToLook, StartProblem } from '../services/start'
import { WorkshopService } from '../services/workshop'
import { postFile } from './post-file'

/** The migrations stand beside this script where it is built. */
const MIGRATIONS = join(dirname(fileURLToPath(import.meta.url)), 'migrations')

export interface ExportWish {
  /** Tag of one drive; null for the whole workshop. */
  readonly drive: string | null
  /** Where the archive goes; a name is made where null. */
  readonly file: string | null
  readonly photos: boolean
}

/**
 * Writes a workshop, or one drive of it, as an archive, with a server running or not: rows are those of one instant.
 * The file has its name once it is whole.
 * @throws StartProblem where there is no database, no such drive, or a file of that name
 */
export async function exportArchive(
  folder: DataFolder,
  { drive, file, photos }: ExportWish,
  now: string,
): Promise<{ readonly file: string; readonly missing: readonly MissingFile[] }> {
  if (!existsSync(folder.database)) throw new StartProblem(`There is no database ${folder.database}.`)
  const one = drive === null ? null : driveOf(folder, drive)
  const path = resolve(file ?? `${one?.tag ?? 'workshop'}-${now.slice(0, 10)}.zip`)
  if (existsSync(path)) throw new StartProblem(`${path} is there already. Name another file.`)
  const { stream, missing } = await writeArchive(folder, now, one, photos)
  const making = `${path}.making`
  try {
    await pipeline(stream, createWriteStream(making, { mode: 0o600 }))
    await rename(making, path)
  } finally {
    await rm(making, { force: true })
  }
  return { file: path, missing }
}

function driveOf(folder: DataFolder, tag: string): { id: string; tag: string } {
  const db = openToLook(folder.database)
  try {
    const found = db.prepare('select id, tag from drives where tag = ?').get(tag) as { id: string; tag: string }
    if (!found) throw new StartProblem(`There is no drive “${tag}”.`)
    return found
  } finally {
    db.close()
  }
}

/**
 * Reads an archive into a workshop. Where a server has the folder, that one does it.
 * @throws StartProblem, InputError in one sentence, with nothing changed
 */
export async function importInto(folder: DataFolder, path: string, now: string): Promise<Imported> {
  if (!existsSync(path)) throw new StartProblem(`There is no file ${path}.`)
  let release: () => void
  try {
    release = lockFolder(folder.root, { address: 'an import', process: process.pid, since: now })
  } catch (error) {
    const holder = error instanceof StartProblem ? holderOf(folder.root) : null
    if (!holder?.address.startsWith('http')) throw error
    return await sendTo(holder.address, path)
  }
  try {
    finishRestore(folder)
    checkDatabase(folder, MIGRATIONS)
    const db = await openDatabase(folder, MIGRATIONS)
    const heads = new KeptHeads(folder.root)
    const drives = new DriveService(db, heads)
    const second = new WorkshopService(db).get().secondPlace !== ''
    const erasing = new EraseService(db, drives, folder, () => second)
    const archives = new ArchiveService(folder, db, drives, new BackupService(folder, db), erasing)
    try {
      return await archives.import(createReadStream(path), (await stat(path)).size)
    } finally {
      heads.close()
      db.$client.close()
    }
  } finally {
    release()
  }
}

/** Lets the server that has the folder read the archive in. */
async function sendTo(address: string, path: string): Promise<Imported> {
  // One that listens everywhere is asked where it is at home.
  const home = address.replace('//0.0.0.0:', '//127.0.0.1:').replace('//[::]:', '//[::1]:')
  const answer = await postFile(`${home}/api/workshop/import`, path, 'application/zip').catch((error: Error) => {
    throw new StartProblem(`The server at ${home} does not answer (${error.message}). Stop it, then try again.`)
  })
  const said = JSON.parse(answer.body) as Imported & { detail?: string }
  if (answer.status >= 400) throw new StartProblem(said.detail ?? `The server at ${home} refused it.`)
  return said
}
