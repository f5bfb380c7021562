import type Database from 'better-sqlite3'
import { unsound } from './start'

/**
 * Makes a copy of a database one file that can be carried away, without a log beside it, and closes it.
 * @returns what is wrong with it; null where it is sound
 */
export function finishCopy(copy: Database.Database): string | null {
  try {
    copy.pragma('journal_mode = DELETE')
    return unsound(copy)
  } finally {
    copy.close()
  }
}
