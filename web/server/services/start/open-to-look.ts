import Database from 'better-sqlite3'

/**
 * Opens a database for looking alone. A change that was half made when a program was killed is taken back first, as
 * whoever opens it next would do: without that nobody can read it.
 */
export function openToLook(path: string): Database.Database {
  const open = (readonly: boolean) => {
    const db = new Database(path, { readonly, fileMustExist: true })
    try {
      db.pragma('schema_version')
      return db
    } catch (error) {
      db.close()
      throw error
    }
  }
  try {
    return open(true)
  } catch (error) {
    if (!isHalfMade(error)) throw error
    open(false).close()
    return open(true)
  }
}

const isHalfMade = (error: unknown): boolean =>
  String((error as { code?: unknown } | null)?.code).startsWith('SQLITE_READONLY')
