import type Database from 'better-sqlite3'
import { InputError } from '@wobrin/core/base/errors'
import { TABLES, type ArchiveTable } from './tables'

interface ForeignKey {
  readonly table: string
  readonly from: string
  readonly to: string
}

/** Rows that name rows of another table, held against those as they come: tables stand in that order in an archive. */
export class Parents {
  private readonly keys = new Map<string, readonly ForeignKey[]>()
  /** Keys of the rows that others may name, by table. */
  private readonly there = new Map<string, Set<unknown>>()

  /** Tables that others name rows of. */
  private readonly named: ReadonlySet<string>

  /** @param staging has the tables, with their foreign keys */
  constructor(private readonly staging: Database.Database) {
    this.named = new Set(TABLES.flatMap(t => this.keysOf(t.table).map(k => k.table)))
  }

  /** @throws InputError where a row names one that did not come */
  check(t: ArchiveTable, row: Readonly<Record<string, unknown>>, line: number): void {
    if (this.named.has(t.table)) this.of(t.table).add(row[t.key])
    for (const { table, from } of this.keysOf(t.table)) {
      const named = row[from]
      if (named === null || named === undefined || this.of(table).has(named)) continue
      throw new InputError(
        `the row names a row of ${table} that is not in the archive`,
        'whole tables as they were exported',
        { file: t.file, line },
      )
    }
  }

  private of(table: string): Set<unknown> {
    const known = this.there.get(table) ?? new Set()
    this.there.set(table, known)
    return known
  }

  private keysOf(table: string): readonly ForeignKey[] {
    const known = this.keys.get(table) ?? (this.staging.pragma(`foreign_key_list(${table})`) as ForeignKey[])
    this.keys.set(table, known)
    return known
  }
}
