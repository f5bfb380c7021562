import type Database from 'better-sqlite3'
import { linkHash } from '@wobrin/core/log'
import { linkedEntries, machineSha } from './linked-entries'
import { newSalt } from './log-chain'

/** Form of a log whose entries are linked; kept in the database file's own header. */
export const LINKED_FORM = 2

/**
 * Links the entries of a log that was written before there were links, once: what is put past the program into a linked
 * log is never linked by itself.
 */
export function sealLog(client: Database.Database): void {
  if ((client.pragma('user_version', { simple: true }) as number) >= LINKED_FORM) return
  const add = client.prepare(
    'insert into log_chain (entry, drive_id, before, hash, salt, first_seq) values (?, ?, ?, ?, ?, ?)',
  )
  const head = client.prepare('insert into log_heads (drive_id, entries, hash) values (?, ?, ?)')
  client.transaction(() => {
    // Ids first: the rows of a database cannot be read one by one while others are written to it.
    const drives = client.prepare('select id from drives').pluck().all() as string[]
    for (const drive of drives) {
      const log = [...linkedEntries(client, drive)]
      let last: string | null = null
      for (const { entry } of log) {
        const before = last ? [last] : []
        const salt = newSalt()
        last = linkHash(entry, before, salt, null, machineSha)
        add.run(entry.id, drive, JSON.stringify(before), last, salt, entry.seq)
      }
      if (last) head.run(drive, log.length, last)
    }
    client.pragma(`user_version = ${LINKED_FORM}`)
  })()
}
