import type Database from 'better-sqlite3'

/** What is wrong with the pages of a database; null where it is sound. */
export function unsound(db: Database.Database): string | null {
  const said = String(db.pragma('quick_check(1)', { simple: true }))
  return said === 'ok' ? null : said.replace(/\s+/g, ' ')
}

/** How much a workshop's database holds. */
export const countsOf = (db: Database.Database): { readonly drives: number; readonly entries: number } =>
  db.prepare('select (select count(*) from drives) as drives, (select count(*) from log_entries) as entries').get() as {
    drives: number
    entries: number
  }
