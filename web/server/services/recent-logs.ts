import { and, asc, count, desc, eq, gt } from 'drizzle-orm'
import type { LogEntry } from '@wobrin/core/log'
import { logEntries } from '../database/schema'
import type { Db } from '../database/db'

/** So many logs, and so many entries in all, are kept at hand. */
const MOST_LOGS = 40
const MOST_ENTRIES = 40_000

/**
 * Logs that were read lately: entries are added and never changed, so that only those that came since need be read.
 * Whatever does not fit what the database holds is read anew.
 */
export class RecentLogs {
  /** The one read last comes last. */
  private readonly known = new Map<string, readonly LogEntry[]>()
  private entries = 0

  constructor(private readonly db: Db) {}

  of(driveId: string): LogEntry[] {
    const before = this.known.get(driveId)
    const log = (before && this.grown(driveId, before)) ?? this.read(driveId, 0)
    this.keep(driveId, log)
    return [...log]
  }

  /** The log with what came since; null where it is not the same log any more. */
  private grown(driveId: string, before: readonly LogEntry[]): readonly LogEntry[] | null {
    const last = before.at(-1)
    const here = eq(logEntries.driveId, driveId)
    const now = this.db.select({ id: logEntries.id }).from(logEntries).where(here)
    const newest = now.orderBy(desc(logEntries.seq)).limit(1).get()
    const { n } = this.db.select({ n: count() }).from(logEntries).where(here).get()!
    if (n === before.length) return newest?.id === last?.id ? before : null
    if (!last || n < before.length) return null
    const log = [...before, ...this.read(driveId, last.seq)]
    return log.length === n ? log : null
  }

  /** Reads everything anew from now on. */
  forget(): void {
    this.known.clear()
    this.entries = 0
  }

  read(driveId: string, after: number): LogEntry[] {
    return this.db
      .select()
      .from(logEntries)
      .where(and(eq(logEntries.driveId, driveId), gt(logEntries.seq, after)))
      .orderBy(asc(logEntries.seq))
      .all()
  }

  private keep(driveId: string, log: readonly LogEntry[]): void {
    this.drop(driveId)
    this.known.set(driveId, log)
    this.entries += log.length
    for (const id of this.known.keys()) {
      if (id === driveId || (this.known.size <= MOST_LOGS && this.entries <= MOST_ENTRIES)) return
      this.drop(id)
    }
  }

  private drop(driveId: string): void {
    this.entries -= this.known.get(driveId)?.length ?? 0
    this.known.delete(driveId)
  }
}
