import { ARRIVED } from '../database/arrived'
import type Database from 'better-sqlite3'
import { chainFaultText, followChain, type ChainHead } from '@wobrin/core/log'
import { linkedEntries, machineSha } from './linked-entries'

export interface CheckedLog {
  readonly drives: number
  readonly entries: number
  /** Drives that were erased as a whole. */
  readonly erased: number
  /** One sentence for every entry that is not as it was written. */
  readonly problems: readonly string[]
}

/** So many sentences tell enough. */
const MOST_PROBLEMS = 100

/**
 * Follows the chain of every drive through its whole log: entries that were edited, put in, taken out or moved. What
 * is entered meanwhile is left out: all is read as it stood at one instant.
 * @param db nothing of it is changed
 */
export const checkLog = (db: Database.Database): CheckedLog => db.transaction(() => follow(db))()

function follow(db: Database.Database): CheckedLog {
  const tags = new Map(
    (db.prepare(`select id, tag from drives where ${ARRIVED('id')}`).all() as { id: string; tag: string }[]).map(d => [
      d.id,
      d.tag,
    ]),
  )
  const heads = new Map(
    (
      db.prepare(`select drive_id, entries, hash from log_heads where ${ARRIVED('drive_id')}`).all() as ({
        drive_id: string
      } & ChainHead)[]
    ).map(h => [h.drive_id, h]),
  )
  const problems: string[] = []
  let entries = 0
  let drive: string | null = null
  let chain = followChain(machineSha)
  const finish = () => {
    if (drive === null) return
    for (const fault of chain.end(heads.get(drive) ?? null))
      if (problems.length < MOST_PROBLEMS) problems.push(chainFaultText(fault, tags.get(drive) ?? drive))
    heads.delete(drive)
  }
  for (const linked of linkedEntries(db)) {
    if (linked.entry.driveId !== drive) {
      finish()
      drive = linked.entry.driveId
      chain = followChain(machineSha)
    }
    chain.add(linked)
    entries++
  }
  finish()
  // What is left has a chain and no entries.
  for (const id of heads.keys()) problems.push(`All entries of the log of ${tags.get(id) ?? id} are missing.`)
  const erased = db.prepare('select count(*) from erased_drives').pluck().get() as number
  return { drives: tags.size, entries, erased, problems }
}
