import type { Observation } from '@wobrin/core/base/observations'
import { upgradeEntry } from '@wobrin/core/log'

type Row = Readonly<Record<string, unknown>>

/** Facts of a drive that archives have since version 3. */
const SINCE_3 = { year: null, goal: null, practice: null, route: 'complaint' }

/**
 * A row of an archive of an earlier version, in today's form. Rows of today stay as they are.
 * @param version of the archive
 */
export function upgradeRow(table: string, row: Row, version: number): Row {
  if (version >= 3) return row
  if (table === 'drives') return { ...(version < 2 ? { ...row, simulated: 0 } : row), ...SINCE_3 }
  if (version >= 2) return row
  if (table !== 'log_entries') return row
  const observations = Array.isArray(row.observations) ? (row.observations as Observation[]) : []
  return { ...row, ...upgradeEntry({ kind: String(row.kind), data: row.data ?? null, observations, evidence: null }) }
}
