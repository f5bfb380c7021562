import Database from 'better-sqlite3'
import { copyFileSync, existsSync, readdirSync, renameSync } from 'node:fs'
import { basename, dirname, join, resolve } from 'node:path'
import { SHA_256 } from '../../../shared/patterns'
import type { DataFolder } from '../data-folder'
import { faultOf, newestGoodBackup } from './good-backups'
import { openToLook } from './open-to-look'
import { putInPlace } from './put-in-place'
import { countsOf } from './sound'
import { StartProblem } from './start-problem'

export interface Restored {
  /** What was put back. */
  readonly from: string
  /** Where what was there is kept; null where there was nothing. */
  readonly kept: string | null
  readonly drives: number
  readonly entries: number
}

/**
 * Puts a backup in the place of the database; what is there is kept among the backups, with its log. Nobody else may
 * have the folder open.
 * @param now for the name of what is kept
 * @param asked a backup's file, or its name among the backups; the newest good one where none is given
 * @throws StartProblem, with nothing changed, where the backup is not sound
 */
export function restoreBackup(folder: DataFolder, now: string, asked: string | null = null): Restored {
  const path = checkBackup(folder, asked)
  foldIn(path)
  const counts = countsIn(path)
  bringContents(path, folder)
  const kept = putInPlace(folder, path, now)
  return { from: basename(path), kept, ...counts }
}

/** Looks at a backup before anything is closed for it. @returns its path @throws StartProblem */
export function checkBackup(folder: DataFolder, asked: string | null): string {
  const path = asked === null ? newest(folder) : named(folder, asked)
  const fault = faultOf(path)
  if (fault) throw new StartProblem(`${path} is no sound backup of a workshop (${fault}). Nothing was changed.`)
  return path
}

function newest(folder: DataFolder): string {
  const name = newestGoodBackup(folder)
  if (name === null) throw new StartProblem(`No good backup is in ${folder.backups}. Nothing was changed.`)
  return join(folder.backups, name)
}

function named(folder: DataFolder, asked: string): string {
  const path = [join(folder.backups, basename(asked)), resolve(asked)].find(p => existsSync(p))
  if (!path)
    throw new StartProblem(
      `There is no file ${asked}, and no backup of that name in ${folder.backups}. Nothing was changed.`,
    )
  return path
}

/** From a second place recordings and photos come along; what is here already stays. */
function bringContents(path: string, folder: DataFolder): void {
  for (const place of ['captures', 'photos'] as const) {
    const from = join(dirname(path), '..', place)
    if (!existsSync(from) || resolve(from) === folder[place]) continue
    for (const sha of readdirSync(from).filter(n => SHA_256.test(n) && !existsSync(join(folder[place], n))))
      takeAlong(join(from, sha), folder[place], sha)
  }
}

/** A file has its name once it is whole. */
function takeAlong(from: string, place: string, sha: string): void {
  const temporary = join(place, `.incoming-${sha}`)
  copyFileSync(from, temporary)
  renameSync(temporary, join(place, sha))
}

/** What was kept with its write-ahead log is one file again. */
function foldIn(path: string): void {
  if (!existsSync(`${path}-wal`)) return
  const db = new Database(path)
  db.pragma('wal_checkpoint(TRUNCATE)')
  db.close()
}

function countsIn(path: string): ReturnType<typeof countsOf> {
  const db = openToLook(path)
  try {
    return countsOf(db)
  } finally {
    db.close()
  }
}
