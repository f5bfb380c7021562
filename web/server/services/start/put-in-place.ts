import {
  closeSync,
  copyFileSync,
  existsSync,
  fsyncSync,
  mkdirSync,
  openSync,
  readdirSync,
  renameSync,
  rmSync,
} from 'node:fs'
import { join } from 'node:path'
import { stampOf, type DataFolder } from '../data-folder'
import { HEADS_FILE } from '../kept-heads'
import { BEFORE_RESTORE } from './good-backups'

/** A copy that is whole and waits to take the database's place, with the time at which that was asked for. */
const READY = /^\.restored-(.+)\.sqlite$/
const readyPath = ({ root }: DataFolder, stamp: string) => join(root, `.restored-${stamp}.sqlite`)

/**
 * Lets a copy of a file take the database's place; what is there is kept among the backups. Whenever the program is
 * killed meanwhile, the next start finds what was there before, or what was put back.
 * @returns path of what is kept; null where there was no database
 */
export function putInPlace(folder: DataFolder, path: string, now: string): string | null {
  const stamp = stampOf(now)
  // Swept away at the next start, should it stay half made.
  const copy = join(folder.root, '.incoming-restored.sqlite')
  copyFileSync(path, copy)
  flush(copy)
  renameSync(copy, readyPath(folder, stamp))
  return giveWay(folder, stamp)
}

/**
 * Goes on with what a program that was killed had begun: a database that had given way already is followed by what was
 * ready for its place; where it had not, nothing is changed. At start, before anything else looks at the database.
 */
export function finishRestore(folder: DataFolder): void {
  for (const name of readdirSync(folder.root)) {
    const stamp = READY.exec(name)?.[1]
    if (stamp === undefined) continue
    if (existsSync(folder.database)) rmSync(join(folder.root, name))
    else giveWay(folder, stamp)
  }
}

function giveWay(folder: DataFolder, stamp: string): string | null {
  const kept = keepAside(folder, stamp)
  renameSync(readyPath(folder, stamp), folder.database)
  return kept
}

/** Moves the database among the backups; with its write-ahead log, where what was written last may stand alone. */
function keepAside({ root, database, backups }: DataFolder, stamp: string): string | null {
  mkdirSync(backups, { recursive: true })
  const kept = join(backups, `${BEFORE_RESTORE}${stamp}.sqlite`)
  // A log that stays behind would be read into what comes in its place.
  for (const end of ['', '-wal']) if (existsSync(database + end)) renameSync(database + end, kept + end)
  rmSync(`${database}-shm`, { force: true })
  // Where its logs ended goes with it: those of the backup ended earlier, and nothing of them is missing.
  const heads = join(root, HEADS_FILE)
  if (existsSync(heads)) renameSync(heads, `${kept}.heads.jsonl`)
  return existsSync(kept) ? kept : null
}

function flush(path: string): void {
  const file = openSync(path, 'r+')
  fsyncSync(file)
  closeSync(file)
}
