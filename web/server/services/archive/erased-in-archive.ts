import Database from 'better-sqlite3'
import { eq } from 'drizzle-orm'
import { ERASABLE, type Erasable } from '@wobrin/core/log'
import { drives } from '../../database/schema'
import type { Db } from '../../database/db'
import { takeOut } from '../contents-to-remove'
import { eraseOf } from '../erasing'
import { namedContents } from '../named-contents'
import { withLogUnlocked } from '../with-log-unlocked'

/** What of an archive stays out, because it was erased here. */
export interface LeftOut {
  /** Tags of drives that were erased as a whole. */
  readonly drives: readonly string[]
  /** Paths of recordings and photos in the archive. */
  readonly contents: ReadonlySet<string>
}

/**
 * Takes out of the staged rows what was erased here: whole drives, and photos of entries. Words of entries need
 * nothing, as an entry that is here stays as it is.
 * @param single an archive of one drive alone, which is read in on purpose: a drive that was erased comes back by it
 */
export function leaveOutErased(path: string, db: Db, single: boolean): LeftOut {
  const own = db.$client
  const nothing = own.prepare(
    `select 1 from erased_drives union all select 1 from log_chain where erased is not null limit 1`,
  )
  if (!nothing.get()) return { drives: [], contents: new Set() }
  const staged = new Database(path)
  try {
    const gone = single ? [] : (own.prepare('select id from erased_drives').pluck().all() as string[])
    const isGone = '(select value from json_each(?))'
    const list = JSON.stringify(gone)
    const tags = staged.prepare(`select tag from drives where id in ${isGone} order by tag`).pluck().all(list)
    const photosGone = JSON.stringify(
      own.prepare(`select entry from log_chain where json_extract(erased, '$.photo') is not null`).pluck().all(),
    )
    // What only entries name that stay out.
    const contents = staged
      .prepare(
        `select sha from ${namedContents()} where sha is not null group by sha
         having min(drive_id in ${isGone} or id in ${isGone}) = 1`,
      )
      .pluck()
      .all(list, photosGone) as string[]
    const here = new Set(
      own
        .prepare(`select distinct sha from ${namedContents()} where sha in ${isGone}`)
        .pluck()
        .all(JSON.stringify(contents)) as string[],
    )
    const out = JSON.stringify(contents.filter(sha => !here.has(sha)))
    const paths = new Set<string>()
    for (const folder of ['captures', 'photos'] as const)
      for (const sha of staged.prepare(`delete from ${folder} where sha in ${isGone} returning sha`).pluck().all(out))
        paths.add(`${folder}/${sha}`)
    for (const table of ['log_chain', 'log_entries'])
      staged.prepare(`delete from ${table} where drive_id in ${isGone}`).run(list)
    staged.prepare(`update reference_disks set written_by = null where written_by in ${isGone}`).run(list)
    staged.prepare(`delete from drives where id in ${isGone}`).run(list)
    return { drives: tags as string[], contents: paths }
  } finally {
    staged.close()
  }
}

/** Drives that are here are not erased: an archive of one drive alone brings it back. In the merge’s transaction. */
export const bringBack = (db: Db): void => {
  db.$client.prepare('delete from main.erased_drives where id in (select id from main.drives)').run()
}

/**
 * Erases here what was erased in the workshop that the archive comes from: the log that comes with it says so.
 * With the staged rows attached, in the transaction of the merge.
 */
export function eraseAsThere(db: Db): void {
  for (const what of ERASABLE) {
    const due = db.$client
      .prepare(
        `select e.id, e.kind, e.drive_id as driveId, json_extract(e.data, '$.sha') as sha from staged.log_chain s
         join main.log_chain c on c.entry = s.entry and c.hash = s.hash join main.log_entries e on e.id = s.entry
         where s.erased is not null and json_extract(s.erased, '$.${what}') is not null and json_extract(c.erased, '$.${what}') is null`,
      )
      .all() as { id: string; kind: string; driveId: string; sha: string | null }[]
    if (due.length) eraseEach(db, what, due)
  }
}

function eraseEach(
  db: Db,
  what: Erasable,
  due: readonly { readonly id: string; readonly kind: string; readonly driveId: string; readonly sha: string | null }[],
): void {
  withLogUnlocked(db, () => {
    for (const { id, kind, driveId } of due) {
      eraseOf(db, { id }, what)
      if (what === 'words' && kind === 'received')
        db.update(drives).set({ ownerWords: '' }).where(eq(drives.id, driveId)).run()
    }
  })
  if (what === 'photo')
    takeOut(
      db,
      db,
      due.flatMap(d => (d.sha ? [d.sha] : [])),
    )
}

/**
 * SQL that compares a column of a row here (m) with the archive's (s), where what was erased on either side is no
 * difference. Null where the column is compared as it is.
 */
export function sameButErased(table: string, column: string): string | null {
  const erased = (entry: string, part: Erasable) =>
    ['main', 'staged'].map(
      side =>
        `exists (select 1 from ${side}.log_chain c where c.entry = ${entry} and json_extract(c.erased, '$.${part}') is not null)`,
    )
  const or = (...ways: string[]) => `(m."${column}" is s."${column}" or ${ways.join(' or ')})`
  if (table === 'log_entries' && (column === 'title' || column === 'detail')) return or(...erased('m.id', 'words'))
  if (table === 'log_entries' && column === 'data') return or(...erased('m.id', 'photo'))
  if (table === 'drives' && column === 'owner_words') {
    const receipt = (side: string) =>
      `(select id from ${side}.log_entries where drive_id = m.id and kind = 'received' limit 1)`
    return or(...erased(receipt('main'), 'words'), ...erased(receipt('staged'), 'words'))
  }
  return null
}
