import type Database from 'better-sqlite3'
import type { BetterSQLite3Database } from 'drizzle-orm/better-sqlite3'
import type * as schema from './schema'

/** The workshop's database, with the driver's own handle beside the typed one. */
export type Db = BetterSQLite3Database<typeof schema> & { readonly $client: Database.Database }
