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

/**
 * Links the entries that were read in, in the transaction that let them in. A link that came along is kept where it
 * leads to one that is here; otherwise the entry is linked at the end of its drive's chain. Where both workshops have
 * gone on with a drive, an entry with two links before it makes one log of both.
 * @param now when they were read in
 */
export function joinChains(db: Db, now: string): void {
  const added = db.$client
    .prepare(
      `select e.id, e.drive_id as driveId, s.before, s.hash, s.salt, s.erased, s.first_seq as firstSeq
       from main.log_entries e join staged.log_entries r on r.id = e.id
       left join staged.log_chain s on s.entry = e.id
       where not exists (select 1 from main.log_chain c where c.entry = e.id) order by e.drive_id, e.seq`,
    )
    .all() as Read[]
  for (let from = 0; from < added.length;) {
    let to = from
    while (to < added.length && added[to]!.driveId === added[from]!.driveId) to++
    joinDrive(db, added.slice(from, to), now)
    from = to
  }
}

function joinDrive(db: Db, added: readonly Read[], now: string): void {
  const { driveId } = added[0]!
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
  for (const read of added) {
    const before = read.before === null ? null : (JSON.parse(read.before) as string[])
    const leads = before !== null && (before.length ? before.every(hash => known.has(hash)) : known.size === 0)
    const named: readonly string[] = leads ? before : last ? [last] : []
    if (leads) keepLink(db, driveId, read, before)
    last = leads ? read.hash! : link(db, entryOf(db, read.id), named)
    for (const hash of named) ends.delete(hash)
    known.add(last)
    ends.add(last)
  }
  const entries = (head?.entries ?? 0) + added.length
  setHead(db, driveId, entries, last!)
  if (ends.size > 1)
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
