import { hash } from 'node:crypto'
import { ARRIVED } from '../database/arrived'
import type Database from 'better-sqlite3'
import type { ChainLink, LinkedEntry, LogEntry, Sha256 } from '@wobrin/core/log'

/** The machine's own SHA-256: a log of a million entries is sealed by it. */
export const machineSha: Sha256 = text => hash('sha256', text)

interface Row {
  readonly seq: number
  readonly id: string
  readonly drive_id: string
  readonly at: string
  readonly kind: string
  readonly station: string
  readonly title: string
  readonly detail: string
  readonly call: string | null
  readonly observations: string
  readonly evidence: string | null
  readonly data: string | null
  readonly takes_back: string | null
  readonly entry: string | null
  readonly before: string
  readonly hash: string
  readonly salt: string
  readonly erased: string | null
  readonly first_seq: number
}

/** What a column of JSON holds; text that is damaged stands for itself, so that it shows as changed. */
function parsed(text: string | null): unknown {
  if (text === null) return null
  try {
    return JSON.parse(text)
  } catch {
    return text
  }
}

const parents = (text: string): string[] => {
  const list = parsed(text)
  return Array.isArray(list) && list.every(h => typeof h === 'string') ? list : []
}

/**
 * Entries with their links as they stand in a database, drive by drive, each log in its order; one at a time, so that a
 * log of any length is read in little memory.
 */
export function* linkedEntries(
  db: Database.Database,
  driveId?: string,
): Generator<LinkedEntry & { readonly entry: LogEntry }> {
  const rows = db.prepare(
    `select e.*, c.entry, c.before, c.hash, c.salt, c.erased, c.first_seq
     from log_entries e left join log_chain c on c.entry = e.id
     where ${driveId ? 'e.drive_id = ?' : ARRIVED('e.drive_id')} order by e.drive_id, e.seq`,
  )
  for (const row of rows.iterate(...(driveId ? [driveId] : [])) as Iterable<Row>) {
    const entry = {
      id: row.id,
      seq: row.seq,
      driveId: row.drive_id,
      at: row.at,
      kind: row.kind,
      station: row.station,
      title: row.title,
      detail: row.detail,
      call: parsed(row.call),
      observations: parsed(row.observations),
      evidence: parsed(row.evidence),
      data: parsed(row.data),
      takesBack: row.takes_back,
    } as unknown as LogEntry
    const link: ChainLink | null =
      row.entry === null
        ? null
        : {
            entry: row.entry,
            before: parents(row.before),
            hash: row.hash,
            salt: row.salt,
            erased: parsed(row.erased) as ChainLink['erased'],
            firstSeq: row.first_seq,
          }
    yield { entry, link }
  }
}
