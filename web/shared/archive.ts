/** A recording or photo that a row names and that could not come along. */
export interface MissingFile {
  readonly path: string
  readonly why: 'missing' | 'damaged' | 'left out'
}

/** What came of reading an archive in. */
export interface Imported {
  /** Tag of the drive, where it was the archive of one. */
  readonly drive: string | null
  readonly madeAt: string
  /** Rows by table: new here, and there already. */
  readonly tables: Readonly<Record<string, { readonly added: number; readonly there: number }>>
  readonly files: number
  /** Recordings and photos that were missing or damaged already where the archive was made. */
  readonly missing: readonly MissingFile[]
  /** Tags of drives that were erased here, and therefore stayed out. */
  readonly erased: readonly string[]
}

/** A copy of the database. */
export interface Backup {
  readonly name: string
  readonly bytes: number
  readonly at: string
}

/** What came of the last copy of a backup to the second place. */
export interface SecondState {
  readonly at: string
  /** Recordings and photos that are there with it. */
  readonly files: number
  readonly problem: string | null
}
