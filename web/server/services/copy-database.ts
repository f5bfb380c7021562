import Database from 'better-sqlite3'
import { rename } from 'node:fs/promises'
import { join } from 'node:path'
import { unsound } from './start'

/** A copy that is not whole yet is called this, and then its name: no backup, and cleared at start. */
export const MAKING = '.making-'

/**
 * Makes a backup: it has its name once it is whole and sound.
 * @param copy copies to a path and says what is wrong with the copy @returns what is wrong; null where it stands
 */
export async function makeBackup(
  backups: string,
  name: string,
  copy: (to: string) => Promise<string | null>,
): Promise<string | null> {
  const making = join(backups, `${MAKING}${name}`)
  const fault = await copy(making)
  if (fault === null) await rename(making, join(backups, name))
  return fault
}

/** All pages at once: a copy that is made piece by piece begins anew whenever another connection writes. */
const ALL_PAGES = 0x7fff_ffff

/**
 * Copies a database, as it stands at one instant, to one file that can be carried away, without a log beside it.
 * Others go on writing.
 * @param from a connection of its own, which nobody else waits for @returns what is wrong with the copy; null where it
 *   is sound
 */
export async function copyDatabase(from: Database.Database, to: string): Promise<string | null> {
  await from.backup(to, { progress: () => ALL_PAGES })
  const copy = new Database(to)
  try {
    copy.pragma('journal_mode = DELETE')
    return unsound(copy)
  } finally {
    copy.close()
  }
}
