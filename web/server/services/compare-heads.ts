import { and, count, eq } from 'drizzle-orm'
import type { ChainHead } from '@wobrin/core/log'
import { drives, erasedDrives, logChain, logEntries, logHeads } from '../database/schema'
import { arrived } from '../database/arrived'
import type { Db } from '../database/db'

type Reads = Pick<Db, 'select'>

/**
 * Holds the ends of the logs against what is kept beside the database: what was acknowledged and is not there is named.
 * Entries themselves are not read.
 * @returns a sentence for each log that is not as it was left
 */
export function compareHeads(db: Reads, kept: ReadonlyMap<string, ChainHead>): string[] {
  const said: string[] = []
  const own = new Map(
    db
      .select({ id: drives.id, tag: drives.tag, entries: logHeads.entries, hash: logHeads.hash })
      .from(drives)
      .leftJoin(logHeads, eq(logHeads.driveId, drives.id))
      .where(arrived(drives.id))
      .all()
      .map(d => [d.id, d]),
  )
  const counted = new Map(
    db
      .select({ id: logEntries.driveId, n: count() })
      .from(logEntries)
      .groupBy(logEntries.driveId)
      .all()
      .map(c => [c.id, c.n]),
  )
  const erased = new Set(
    db
      .select({ id: erasedDrives.id })
      .from(erasedDrives)
      .all()
      .map(d => d.id),
  )
  for (const { id, tag, entries } of own.values()) {
    const there = counted.get(id) ?? 0
    const more = there - (entries ?? 0)
    if (more > 0) said.push(`The log of ${tag} has ${several(more)} that Wobrin did not write.`)
    if (more < 0) said.push(`${several(-more)} of the log of ${tag} ${more === -1 ? 'is' : 'are'} missing.`)
  }
  for (const [id, head] of kept) {
    const drive = own.get(id)
    // One that was erased is gone for good, and said to be.
    if (!drive && erased.has(id)) continue
    if (!drive) said.push(`A drive with ${several(head.entries).toLowerCase()} on its log is missing (${id}).`)
    else if ((drive.entries ?? 0) < head.entries)
      said.push(
        `${several(head.entries - (drive.entries ?? 0))} that the log of ${drive.tag} had ${
          head.entries - (drive.entries ?? 0) === 1 ? 'is' : 'are'
        } missing.`,
      )
    else if (drive.hash !== head.hash && !hasLink(db, id, head.hash))
      said.push(`The log of ${drive.tag} is not the one that was written here.`)
  }
  return said
}

const hasLink = (db: Reads, driveId: string, hash: string): boolean =>
  db
    .select({ entry: logChain.entry })
    .from(logChain)
    .where(and(eq(logChain.driveId, driveId), eq(logChain.hash, hash)))
    .get() !== undefined

const several = (n: number) => (n === 1 ? 'One entry' : `${n} entries`)
