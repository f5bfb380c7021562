import { existsSync, readdirSync } from 'node:fs'
import { join } from 'node:path'
import Database from 'better-sqlite3'

/** What a server has answered for, so that it can be looked for after the server was killed. */
export class Acknowledged {
  readonly entries = new Set<string>()
  readonly captures = new Set<string>()
  readonly photos = new Set<string>()
  readonly backups = new Set<string>()
  /** Drives that came with an archive, each with how many entries it has. */
  readonly imported = new Map<string, number>()
  /** Entries whose words were erased. */
  readonly erased = new Set<string>()

  constructor(private readonly data: string) {}

  count(): number {
    const { entries, captures, photos, backups, imported, erased } = this
    return [entries, captures, photos, backups, imported, erased].reduce((n, s) => n + s.size, 0)
  }

  /** What is missing of it, or half there, in sentences. The database is only read. */
  missing(): string[] {
    const path = join(this.data, 'wobrin.sqlite')
    if (!existsSync(path)) return this.count() ? ['the database is gone'] : []
    const db = new Database(path, { readonly: true })
    try {
      const column = (sql: string) => new Set(db.prepare(sql).pluck().all() as string[])
      const lost = (what: string, wanted: Iterable<string>, there: ReadonlySet<string>) =>
        [...wanted].filter(x => !there.has(x)).map(x => `the ${what} ${x} is lost`)
      const files = (place: string) => new Set(readdirSync(join(this.data, place)))
      const drives = db.prepare('select count(*) from log_entries where drive_id = ?').pluck()
      return [
        ...lost('entry', this.entries, column('select id from log_entries')),
        ...lost('recording', this.captures, column('select sha from captures')),
        ...lost('photo', this.photos, column('select sha from photos')),
        ...lost('file of the recording', column('select sha from captures'), files('captures')),
        ...lost('file of the photo', column('select sha from photos'), files('photos')),
        ...lost('backup', this.backups, files('backups')),
        ...lost('erasure of', this.erased, column("select id from log_entries where title = 'Words erased'")),
        ...[...this.imported].flatMap(([id, n]) => {
          const there = drives.get(id) as number
          return there === n ? [] : [`the imported drive ${id} has ${there} of ${n} entries`]
        }),
      ]
    } finally {
      db.close()
    }
  }
}
