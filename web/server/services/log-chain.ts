import { randomBytes } from 'node:crypto'
import { eq } from 'drizzle-orm'
import { linkHash, type LogEntry, type NewEntry } from '@wobrin/core/log'
import { driveNews } from './drive-news'
import { machineSha } from './linked-entries'
import { logChain, logEntries, logHeads } from '../database/schema'
import type { Db } from '../database/db'

export type Writes = Pick<Db, 'select' | 'insert' | 'update' | 'delete'>

/** An entry as it is written down; what a kind of entry has none of may be left out. */
export type Written = Pick<NewEntry, 'id' | 'driveId' | 'at' | 'kind' | 'station' | 'title'> & Partial<NewEntry>

/** Salts are made with the entry and go with what they hide. */
export const newSalt = () => randomBytes(32).toString('hex')

/**
 * Writes an entry at the end of its drive's log and links it to the one before it. Whatever is written to a log is
 * written here, within a transaction.
 * @param after hashes of the links before it; that of the end of the log where nothing is said
 * @returns the entry as it stands
 */
export function writeEntry(tx: Writes, entry: Written, after?: readonly string[]): LogEntry {
  tx.insert(logEntries)
    .values({ ...entry, observations: [...(entry.observations ?? [])] })
    .run()
  const kept = tx.select().from(logEntries).where(eq(logEntries.id, entry.id)).get()!
  const head = headOf(tx, kept.driveId)
  const hash = link(tx, kept, after ?? (head ? [head.hash] : []))
  setHead(tx, kept.driveId, (head?.entries ?? 0) + 1, hash)
  driveNews.logGrows(kept.driveId)
  return kept
}

const headOf = (tx: Writes, driveId: string) =>
  tx.select().from(logHeads).where(eq(logHeads.driveId, driveId)).get() ?? null

/** Links an entry that stands on the log. @param before hashes of the links before it @returns its own */
export function link(tx: Writes, entry: LogEntry, before: readonly string[]): string {
  const salt = newSalt()
  const hash = linkHash(entry, before, salt, null, machineSha)
  tx.insert(logChain)
    .values({ entry: entry.id, driveId: entry.driveId, before: [...before], hash, salt, firstSeq: entry.seq })
    .run()
  return hash
}

/** Says where the chain of a drive ends now. */
export function setHead(tx: Writes, driveId: string, entries: number, hash: string): void {
  tx.insert(logHeads)
    .values({ driveId, entries, hash })
    .onConflictDoUpdate({ target: logHeads.driveId, set: { entries, hash } })
    .run()
}
