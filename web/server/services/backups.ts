import Database from 'better-sqlite3'
import { readdirSync, statSync } from 'node:fs'
import { rename } from 'node:fs/promises'
import { join } from 'node:path'
import type { Backup } from '../../shared/archive'
import type { DataFolder } from './data-folder'
import type { Db } from '../database/db'

/** Copies of the database, made while it is in use. Recordings and photos are never changed, so they need none. */
export class BackupService {
  constructor(
    private readonly folder: DataFolder,
    private readonly db: Db,
  ) {}

  list(): Backup[] {
    return readdirSync(this.folder.backups)
      .filter(n => n.endsWith('.sqlite'))
      .map(name => {
        const { size, mtime } = statSync(join(this.folder.backups, name))
        return { name, bytes: size, at: mtime.toISOString() }
      })
      .sort((a, b) => b.at.localeCompare(a.at))
  }

  /** Makes one, and looks whether it is sound before it gets its name. @throws Error where it is not */
  async make(now: string): Promise<Backup> {
    const name = `by-hand-${now.replace(/[:.]/g, '-')}.sqlite`
    const temporary = join(this.folder.backups, `.making-${name}`)
    await this.db.$client.backup(temporary)
    const copy = new Database(temporary)
    try {
      // One file that can be carried away, without a log beside it.
      copy.pragma('journal_mode = DELETE')
      const said = copy.pragma('quick_check', { simple: true })
      if (said !== 'ok') throw new Error(`The backup is not sound: ${String(said)}`)
    } finally {
      copy.close()
    }
    await rename(temporary, join(this.folder.backups, name))
    return this.list().find(b => b.name === name)!
  }
}
