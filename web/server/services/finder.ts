import { and, desc, inArray, or, sql, type SQL } from 'drizzle-orm'
import type { Finds } from '../../shared/finds'
import { driveStates, drives, logEntries } from '../database/schema'
import { arrived } from '../database/arrived'
import type { Db } from '../database/db'

const MOST = 8
const RECENT = 60

/** Finds drives by what they are, and entries by their words. */
export class Finder {
  constructor(private readonly db: Db) {}

  /** Without words: the drives that were last worked on. */
  find(query: string): Finds {
    const words = query
      .normalize('NFC')
      .toLowerCase()
      .split(/[^\p{L}\p{N}-]+/u)
      .filter(Boolean)
      .slice(0, 8)
    return { drives: this.driveHits(words), entries: words.some(w => w.length > 1) ? this.entryHits(words) : [] }
  }

  private driveHits(words: readonly string[]): Finds['drives'] {
    const columns = [
      drives.tag,
      drives.maker,
      drives.model,
      drives.serial,
      drives.host,
      drives.ownerWords,
      drives.mechanism,
    ]
    const has = (word: string): SQL =>
      or(...columns.map(c => sql`${c} like ${`%${word.replace(/[\\%_]/g, '\\$&')}%`} escape '\\'`))!
    const found = this.db
      .select()
      .from(drives)
      .leftJoin(driveStates, sql`${driveStates.driveId} = ${drives.id}`)
      .where(and(arrived(drives.id), ...words.map(has)))
    const rows = words.length
      ? // What is called so comes before what merely has the word in it.
        found
          .orderBy(sql`${drives.tag} like ${`${words[0]}%`} desc`, drives.tag)
          .limit(MOST)
          .all()
      : found.orderBy(desc(driveStates.at)).limit(RECENT).all()
    return rows.map(({ drives: d }) => ({
      id: d.id,
      tag: d.tag,
      mechanism: d.mechanism,
      maker: d.maker,
      model: d.model,
      serial: d.serial,
      host: d.host,
      ownerWords: d.ownerWords,
    }))
  }

  /** The latest entries that have all words, each as a beginning of one. */
  private entryHits(words: readonly string[]): Finds['entries'] {
    const match = words.map(w => `"${w}"*`).join(' ')
    const seqs = this.db
      .all<{ seq: number }>(
        sql`select rowid as seq from log_words where log_words match ${match} order by rowid desc limit ${MOST}`,
      )
      .map(r => r.seq)
    if (seqs.length === 0) return []
    return this.db
      .select({
        id: logEntries.id,
        driveId: logEntries.driveId,
        tag: drives.tag,
        station: logEntries.station,
        at: logEntries.at,
        title: logEntries.title,
        detail: logEntries.detail,
      })
      .from(logEntries)
      .innerJoin(drives, sql`${drives.id} = ${logEntries.driveId}`)
      .where(and(inArray(logEntries.seq, seqs), arrived(logEntries.driveId)))
      .orderBy(desc(logEntries.seq))
      .all()
  }
}
