import Database from 'better-sqlite3'
import { unsound } from './start'

/** A copy that is not whole yet is called this, and then its name: no backup, and cleared at start. */
export const MAKING = '.making-'

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
