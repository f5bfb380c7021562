import { eq, sql } from 'drizzle-orm'
import type { LogEntry } from '@wobrin/core/log'
import { mayMoveOutcome, progressOf } from '@wobrin/core/bench/stations'
import { driveStates, drives, logEntries } from '../database/schema'
import { arrived } from '../database/arrived'
import type { Db } from '../database/db'
import type { SetAsideDrives } from './set-aside'

type Writes = Pick<Db, 'select' | 'insert' | 'update'>

/** How a drive stands by its log; null where that is empty. @throws where it cannot be replayed */
export function stateOf(db: Pick<Db, 'select'>, driveId: string) {
  const log = db.select().from(logEntries).where(eq(logEntries.driveId, driveId)).orderBy(logEntries.seq).all()
  const last = log.at(-1)
  return last ? { seq: last.seq, at: last.at, outcome: progressOf(log).outcome } : null
}

/** Works out how a drive stands from its log, and keeps it. Within the transaction that made the log grow. */
export function keepState(db: Writes, driveId: string): void {
  const state = stateOf(db, driveId)
  if (!state) return
  db.insert(driveStates)
    .values({ driveId, ...state })
    .onConflictDoUpdate({ target: driveStates.driveId, set: state })
    .run()
}

/**
 * The same for one entry that was added: most say nothing of how the drive has left, and then its log need not be
 * read.
 */
export function keepStateAfter(db: Writes, entry: LogEntry): void {
  const moved = mayMoveOutcome(entry)
    ? 0
    : db.update(driveStates).set({ seq: entry.seq, at: entry.at }).where(eq(driveStates.driveId, entry.driveId)).run()
        .changes
  if (moved === 0) keepState(db, entry.driveId)
}

/**
 * At start, states of drives whose log has grown otherwise, or that are from before there were states. A drive whose
 * log cannot be replayed is left out, and everything else goes on.
 */
export function catchUpEach(db: Db, aside: SetAsideDrives): void {
  for (const drive of statesBehind(db)) aside.guard(drive, () => db.transaction(tx => keepState(tx, drive.id)))
}

const statesBehind = (db: Db): { id: string; tag: string }[] =>
  db
    .select({ id: drives.id, tag: drives.tag })
    .from(drives)
    .leftJoin(driveStates, eq(driveStates.driveId, drives.id))
    .where(
      sql`${arrived(drives.id)} and coalesce(${driveStates.seq}, -1) <> coalesce((select max(seq) from log_entries where drive_id = ${drives.id}), -1)`,
    )
    .all()
