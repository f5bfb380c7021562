import { statSync } from 'node:fs'
import type { DataFolder } from '../data-folder'

/**
 * Whether the database that was opened is still the one in the folder: a file that was deleted or moved away takes
 * entries as before, and they go nowhere.
 */
export function watchDatabase({ database }: Pick<DataFolder, 'database'>): () => boolean {
  const opened = statSync(database)
  return () => {
    const now = statSync(database, { throwIfNoEntry: false })
    return now !== undefined && now.ino === opened.ino && now.dev === opened.dev
  }
}
