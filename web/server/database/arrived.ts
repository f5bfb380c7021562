import { sql, type SQL } from 'drizzle-orm'
import type { SQLiteColumn } from 'drizzle-orm/sqlite-core'

/** Leaves out drives that an import is still bringing, as plain SQL. @param drive column with the drive's id */
export const ARRIVED = (drive: string): string => `${drive} ${HAS_ARRIVED}`

/** The same for the typed tables. */
export const arrived = (drive: SQLiteColumn): SQL => sql`${drive} ${sql.raw(HAS_ARRIVED)}`

const HAS_ARRIVED = 'not in (select drive_id from arriving)'
