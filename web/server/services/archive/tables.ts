import { getTableConfig, type SQLiteTable } from 'drizzle-orm/sqlite-core'
import { SHA_256 } from '../../../shared/patterns'
import type { MissingFile } from '../../../shared/archive'
import * as schema from '../../database/schema'

/**
 * Version of the archive's form. A newer one is refused with a sentence; rows of an older one are brought to this form.
 * 2: measurements with their source, tracks and places as named fields.
 * 4: entries with the links that hold them in their drive's chain.
 * 5: parts on the shelf.
 */
export const ARCHIVE_VERSION = 5
export const MANIFEST = 'manifest.json'

/** A table as a file of JSON Lines: one row a line, JSON columns as JSON. */
export interface ArchiveTable {
  readonly table: string
  readonly file: string
  readonly columns: readonly string[]
  /** Columns that hold JSON. */
  readonly json: readonly string[]
  /** Columns that hold true or false, as 1 or 0. */
  readonly flags: readonly string[]
  /** What makes a row the same row in another workshop. */
  readonly key: string
  /** Column in whose order rows are written, and given anew where the other workshop has rows already. */
  readonly order: string
  readonly renumbered?: true
}

/** Columns follow from the database's schema; what is said here is what the schema cannot know. */
function archived(
  table: SQLiteTable,
  file: string,
  { key = 'id', renumbered }: { readonly key?: string; readonly renumbered?: true } = {},
): ArchiveTable {
  const { name, columns } = getTableConfig(table)
  return {
    table: name,
    file,
    columns: columns.map(c => c.name),
    json: columns.filter(c => c.dataType === 'json').map(c => c.name),
    flags: columns.filter(c => c.dataType === 'boolean').map(c => c.name),
    key,
    order: renumbered ? 'seq' : key,
    ...(renumbered ? { renumbered } : {}),
  }
}

/** Tables in the order in which they refer to each other. */
export const TABLES: readonly ArchiveTable[] = [
  archived(schema.workshop, 'workshop.jsonl'),
  archived(schema.drives, 'drives.jsonl'),
  archived(schema.captures, 'captures.jsonl', { key: 'sha' }),
  archived(schema.photos, 'photos.jsonl', { key: 'sha' }),
  archived(schema.profiles, 'profiles.jsonl'),
  archived(schema.belts, 'belts.jsonl'),
  archived(schema.spares, 'spares.jsonl'),
  archived(schema.referenceDisks, 'disks.jsonl'),
  archived(schema.diskEvents, 'disk-events.jsonl', { renumbered: true }),
  archived(schema.logEntries, 'log.jsonl', { renumbered: true }),
  archived(schema.logChain, 'log-chain.jsonl', { key: 'entry' }),
  archived(schema.erasedDrives, 'erased-drives.jsonl'),
]

/**
 * Tables that are worked out from others, or belong to this machine, and go into no archive; a test finds one
 * that stands in neither list.
 */
export const DERIVED: readonly SQLiteTable[] = [
  schema.driveStates,
  schema.logHeads,
  schema.devices,
  schema.contentsToRemove,
  schema.erasing,
  schema.arriving,
]

/** Tables that a spreadsheet may want as well; these are not read back. */
export const CSV_TABLES = ['drives', 'log_entries'] as const

/** Files kept by content, and the table that names them. */
export const CONTENTS = [
  { folder: 'captures', table: 'captures' },
  { folder: 'photos', table: 'photos' },
] as const

/** The recording or photo at a path of an archive; null where it is something else. */
export function contentAt(path: string): { readonly place: (typeof CONTENTS)[number]; readonly sha: string } | null {
  const place = CONTENTS.find(c => path.startsWith(`${c.folder}/`))
  const sha = path.slice(path.indexOf('/') + 1)
  return place && SHA_256.test(sha) ? { place, sha } : null
}

export interface ManifestFile {
  readonly path: string
  readonly bytes: number
  readonly sha256: string
}
export interface Manifest {
  readonly format: 'wobrin-archive'
  readonly version: number
  readonly madeAt: string
  /** Tag of the drive, where it is the archive of one. */
  readonly drive: string | null
  readonly files: readonly ManifestFile[]
  /** Recordings and photos that rows name and that could not come along; left out where there are none. */
  readonly missing?: readonly MissingFile[]
}

export const ABOUT = `Everything that a workshop has entered in Wobrin, as open files.

*.jsonl          one row of a table a line, JSON (RFC 8259), in UTF-8
*.csv            drives and log once more, for a spreadsheet (RFC 4180)
captures/        recordings as they came: VCD, CSV or WAV; the name is their SHA-256
photos/          photos as they came; the name is their SHA-256
manifest.json    every file with its size and SHA-256; what was missing or damaged where it was exported

It can be read into Wobrin again at Workshop, Export and import.
`
