import { existsSync } from 'node:fs'
import { drizzle } from 'drizzle-orm/better-sqlite3'
import * as schema from '../database/schema'
import { checkLog } from '../services/check-log'
import { compareHeads } from '../services/compare-heads'
import { KeptHeads } from '../services/kept-heads'
import { wrongWith } from '../services/archive/missing-contents'
import type { DataFolder } from '../services/data-folder'
import { countsOf, damaged, isDamage, openToLook, StartProblem } from '../services/start'

export interface Verified {
  readonly drives: number
  readonly entries: number
  /** Recordings and photos that were read through. */
  readonly files: number
  /** One sentence for everything that is missing or damaged. */
  readonly problems: readonly string[]
}

interface Kept {
  readonly sha: string
  readonly name: string
}

/**
 * Reads a data folder through, changing nothing, with a server running or not: the database's pages and references, and
 * every recording and photo against its name, and every log along its chain.
 * @throws StartProblem where there is no database, or none that can be read
 */
export async function verifyFolder(folder: DataFolder): Promise<Verified> {
  if (!existsSync(folder.database)) throw new StartProblem(`There is no database ${folder.database}.`)
  // Read first: the file is never ahead of the database.
  const heads = new KeptHeads(folder.root).read()
  const db = openToLook(folder.database)
  try {
    // Of one instant, whatever a server enters meanwhile.
    db.exec('begin')
    const problems = (db.pragma('integrity_check(20)') as { integrity_check: string }[])
      .map(r => r.integrity_check)
      .filter(said => said !== 'ok')
      .map(said => `The database is damaged: ${said}.`)
    const orphans = db.pragma('foreign_key_check') as { table: string; parent: string }[]
    for (const o of orphans.slice(0, 20))
      problems.push(`A row of ${o.table} names a row of ${o.parent} that is not there.`)
    const broken = db.prepare(
      `select e.id, d.tag from log_entries e join drives d on d.id = e.drive_id
       where not json_valid(e.observations) or (e.data is not null and not json_valid(e.data))
          or (e.evidence is not null and not json_valid(e.evidence)) or (e.call is not null and not json_valid(e.call))`,
    )
    for (const { id, tag } of broken.all() as { id: string; tag: string }[])
      problems.push(`Entry ${id} of ${tag} cannot be read.`)
    // A database of an earlier version has no links to follow.
    if (db.prepare("select 1 from sqlite_master where name = 'arriving'").get()) {
      problems.push(...checkLog(db).problems, ...compareHeads(drizzle(db, { schema }), heads))
    }
    let files = 0
    for (const [table, place, what] of [
      ['captures', folder.captures, 'recording'],
      ['photos', folder.photos, 'photo'],
    ] as const)
      for (const { sha, name } of db.prepare(`select sha, name from ${table} order by sha`).all() as Kept[]) {
        const wrong = await wrongWith(place, sha)
        if (wrong) problems.push(`The ${what} “${name}” (${sha.slice(0, 12)}…) is ${wrong}.`)
        else files++
      }
    return { ...countsOf(db), files, problems }
  } catch (error) {
    throw isDamage(error) ? damaged(folder, (error as Error).message) : error
  } finally {
    db.close()
  }
}
