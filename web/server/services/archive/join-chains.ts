import { randomUUID } from 'node:crypto'
import { eq } from 'drizzle-orm'
import type { ErasedParts } from '@wobrin/core/log'
import { logChain, logEntries, logHeads } from '../../database/schema'
import type { Db } from '../../database/db'
import { link, setHead, writeEntry } from '../log-chain'

/** An entry that was read in, with the link that came with it; without one from before there were links. */
interface Read {
  readonly id: string
  readonly driveId: string
  readonly before: string | null
  readonly hash: string | null
  readonly salt: string | null
  readonly erased: string | null
  readonly firstSeq: number | null
}

/** Links that are made at once. */
const MANY = 50

/** The entries of one drive that have no link yet, in their order. */
function unlinked(db: Db, driveId: string): Read[] {
  return db.$client
    .prepare(
      `select e.id, e.drive_id as driveId, s.before, s.hash, s.salt, s.erased, s.first_seq as firstSeq
       from main.log_entries e left join staged.log_chain s on s.entry = e.id
       where e.drive_id = ? and not exists (select 1 from main.log_chain c where c.entry = e.id) order by e.seq`,
    )
    .all(driveId) as Read[]
}

/** Drives that were here before and that got new entries. */
export const grownDrives = (db: Db): string[] =>
  db.$client
    .prepare('select distinct e.drive_id from temp.fresh f cross join main.log_entries e on e.id = f.id')
    .pluck()
    .all() as string[]

/**
 * Links the entries of drives that were here before and that got new ones, in the transaction that let them in. A link
 * that came along is kept where it leads to one that is here; otherwise the entry is linked at the end of its drive's
 * chain. Where both workshops have gone on with a drive, an entry with two links before it makes one log of both.
 * @param now when they were read in
 */
export function joinChains(db: Db, now: string): void {
  for (const id of grownDrives(db)) {
    const steps = joinDrive(db, id, now)
    while (!steps.next().done);
  }
}

/** The same for one drive; yields wherever it may be interrupted. @param now left out where it is new here */
export function* joinDrive(db: Db, driveId: string, now?: string): Generator<void> {
  const added = unlinked(db, driveId)
  const head = db.select().from(logHeads).where(eq(logHeads.driveId, driveId)).get()
  const known = new Set(
    db
      .select({ hash: logChain.hash })
      .from(logChain)
      .where(eq(logChain.driveId, driveId))
      .all()
      .map(c => c.hash),
  )
  /** Links that no later one names: where both workshops have gone on, two. */
  const ends = new Set(head ? [head.hash] : [])
  let last = head?.hash ?? null
  for (const [i, read] of added.entries()) {
    const before = read.before === null ? null : (JSON.parse(read.before) as string[])
    const leads = before !== null && (before.length ? before.every(hash => known.has(hash)) : known.size === 0)
    const named: readonly string[] = leads ? before : last ? [last] : []
    if (leads) keepLink(db, driveId, read, before)
    last = leads ? read.hash! : link(db, entryOf(db, read.id), named)
    for (const hash of named) ends.delete(hash)
    known.add(last)
    ends.add(last)
    if (i % MANY === MANY - 1) yield
  }
  if (last === null) return
  setHead(db, driveId, (head?.entries ?? 0) + added.length, last)
  if (ends.size > 1 && now !== undefined)
    writeEntry(
      db,
      {
        id: randomUUID(),
        driveId,
        at: now,
        kind: 'note',
        station: 'receive',
        title: 'Two logs of this drive became one',
        detail: 'Both workshops had gone on with it. What was entered elsewhere stands where it was read in.',
      },
      [...ends],
    )
}

const entryOf = (db: Db, id: string) => db.select().from(logEntries).where(eq(logEntries.id, id)).get()!

/** A link as it came. */
function keepLink(db: Db, driveId: string, { id, hash, salt, erased, firstSeq }: Read, before: string[]): void {
  db.insert(logChain)
    .values({ entry: id, driveId, before, hash: hash!, salt: salt!, erased: asParts(erased), firstSeq: firstSeq! })
    .run()
}

const asParts = (text: string | null) => (text === null ? null : (JSON.parse(text) as ErasedParts))
