import { sql, type SQL } from 'drizzle-orm'
import type { SQLiteColumn } from 'drizzle-orm/sqlite-core'

/** Leaves out drives that an import is still bringing. @param drive column with the drive's id */
export const arrived = (drive: SQLiteColumn): SQL => sql`${drive} not in (select drive_id from arriving)`

/** The same as plain SQL. */
export const ARRIVED = (drive: string): string => `${drive} not in (select drive_id from arriving)`
