import { rm } from 'node:fs/promises'
import { eq, inArray } from 'drizzle-orm'
import { captures, contentsToRemove, photos } from '../database/schema'
import type { Db } from '../database/db'
import { contentPath, type DataFolder } from './data-folder'
import { namedContents } from './named-contents'

/** Ends of the files that are made of a photo. */
const COPIES = ['', '.view.jpg', '.small.jpg'] as const

/**
 * Of these recordings and photos, those that no entry names.
 * @param client within the transaction that took the entries away
 */
function unnamed(client: Db['$client'], shas: readonly string[]): string[] {
  const named = new Set(
    client
      .prepare(`select distinct sha from ${namedContents()} where sha in (select value from json_each(?))`)
      .pluck()
      .all(JSON.stringify(shas)) as string[],
  )
  return shas.filter(sha => !named.has(sha))
}

/**
 * Takes recordings and photos that no entry names any more out of the workshop, as part of a transaction; their files
 * go by {@link removeContents} once it is through.
 */
export function takeOut(db: Db, tx: Pick<Db, 'insert' | 'delete'>, shas: readonly string[]): void {
  const gone = unnamed(db.$client, [...new Set(shas)])
  if (gone.length === 0) return
  tx.delete(photos).where(inArray(photos.sha, gone)).run()
  tx.delete(captures).where(inArray(captures.sha, gone)).run()
  // Photos of the first version were kept among the recordings.
  for (const folder of ['captures', 'photos'] as const)
    for (const sha of gone)
      tx.insert(contentsToRemove)
        .values({ folder, sha, here: true })
        .onConflictDoUpdate({ target: [contentsToRemove.folder, contentsToRemove.sha], set: { here: true } })
        .run()
}

/**
 * Removes the files of what was taken out, those as well that a server which was killed left.
 * @param elsewhere whether backups go to a second place, where they are still to be removed
 */
export async function removeContents(
  db: Pick<Db, 'select' | 'update' | 'delete'>,
  folder: DataFolder,
  elsewhere: boolean,
) {
  for (const { folder: place, sha } of db.select().from(contentsToRemove).where(eq(contentsToRemove.here, true)).all())
    for (const end of COPIES) await rm(contentPath(folder[place], sha) + end, { force: true })
  if (elsewhere) db.update(contentsToRemove).set({ here: false }).run()
  else db.delete(contentsToRemove).run()
}

/** What is still to be removed from the second place, as paths below it. */
export const dueElsewhere = (
  client: Db['$client'],
): { readonly folder: 'captures' | 'photos'; readonly sha: string }[] =>
  client.prepare('select folder, sha from contents_to_remove').all() as { folder: 'captures' | 'photos'; sha: string }[]

/** It is done there. */
export const doneElsewhere = (client: Db['$client']): void => {
  client.prepare('delete from contents_to_remove where here = 0').run()
}
