import type Database from 'better-sqlite3'
import { upgradeEntry } from '@wobrin/core/log'

/** Form of what the log's rows hold; kept in the database file's own header. */
export const LOG_FORM = 1

interface Row {
  readonly seq: number
  readonly kind: string
  readonly data: string | null
  readonly observations: string
  readonly evidence: string | null
}

/**
 * Brings the rows of an older log to today's form, all or none: the guard against changes is lifted for this alone.
 * A backup was made before, with the migrations that came with it.
 */
export function upgradeLog(client: Database.Database): void {
  if ((client.pragma('user_version', { simple: true }) as number) >= LOG_FORM) return
  client.transaction(() => {
    const guard = client.prepare("select sql from sqlite_master where name = 'log_entries_no_update'").get() as {
      sql: string
    }
    client.exec('drop trigger log_entries_no_update')
    const rows = client.prepare(
      'select seq, kind, data, observations, evidence from log_entries where data is not null',
    )
    const update = client.prepare('update log_entries set data = ?, evidence = ? where seq = ?')
    for (const row of rows.all() as Row[]) {
      const { data, evidence } = upgradeEntry({
        kind: row.kind,
        data: JSON.parse(row.data!),
        observations: JSON.parse(row.observations),
        evidence: row.evidence === null ? null : JSON.parse(row.evidence),
      })
      update.run(JSON.stringify(data), evidence ? JSON.stringify(evidence) : null, row.seq)
    }
    client.exec(guard.sql)
    client.pragma(`user_version = ${LOG_FORM}`)
  })()
}
