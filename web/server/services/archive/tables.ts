/** Version of the archive's form. A newer one is refused with a sentence. */
export const ARCHIVE_VERSION = 1
export const MANIFEST = 'manifest.json'

/** A table as a file of JSON Lines: one row a line, JSON columns as JSON. */
export interface ArchiveTable {
  readonly table: string
  readonly file: string
  readonly columns: readonly string[]
  /** Columns that hold JSON. */
  readonly json: readonly string[]
  /** What makes a row the same row in another workshop. */
  readonly key: string
  /** Column in whose order rows are written, and given anew where the other workshop has rows already. */
  readonly order: string
  readonly renumbered?: true
}

/** Tables in the order in which they refer to each other. */
export const TABLES: readonly ArchiveTable[] = [
  {
    table: 'workshop',
    file: 'workshop.jsonl',
    columns: ['id', 'settings'],
    json: ['settings'],
    key: 'id',
    order: 'id',
  },
  {
    table: 'drives',
    file: 'drives.jsonl',
    columns: [
      'id',
      'tag',
      'mechanism',
      'maker',
      'model',
      'serial',
      'host',
      'owner_words',
      'features',
      'account',
      'nominal_rpm',
      'motor',
      'has_trimmer',
      'pulleys',
      'received_at',
    ],
    json: ['features', 'account', 'pulleys'],
    key: 'id',
    order: 'id',
  },
  {
    table: 'captures',
    file: 'captures.jsonl',
    columns: ['sha', 'name', 'bytes', 'kept_at'],
    json: [],
    key: 'sha',
    order: 'sha',
  },
  {
    table: 'photos',
    file: 'photos.jsonl',
    columns: ['sha', 'name', 'bytes', 'width', 'height', 'kept_at'],
    json: [],
    key: 'sha',
    order: 'sha',
  },
  {
    table: 'profiles',
    file: 'profiles.jsonl',
    columns: ['id', 'profile', 'changed_at'],
    json: ['profile'],
    key: 'id',
    order: 'id',
  },
  {
    table: 'belts',
    file: 'belts.jsonl',
    columns: ['id', 'name', 'inside_mm', 'section_mm', 'material', 'origin', 'added_at', 'gone'],
    json: [],
    key: 'id',
    order: 'id',
  },
  {
    table: 'reference_disks',
    file: 'disks.jsonl',
    columns: ['id', 'name', 'mechanism', 'written_by', 'writer', 'written_at', 'proof', 'proved_by', 'added_at'],
    json: [],
    key: 'id',
    order: 'id',
  },
  {
    table: 'disk_events',
    file: 'disk-events.jsonl',
    columns: ['seq', 'id', 'disk', 'at', 'kind', 'detail'],
    json: [],
    key: 'id',
    order: 'seq',
    renumbered: true,
  },
  {
    table: 'log_entries',
    file: 'log.jsonl',
    columns: [
      'seq',
      'id',
      'drive_id',
      'at',
      'kind',
      'station',
      'title',
      'detail',
      'call',
      'observations',
      'data',
      'takes_back',
    ],
    json: ['call', 'observations', 'data'],
    key: 'id',
    order: 'seq',
    renumbered: true,
  },
]

/** Tables that a spreadsheet may want as well; these are not read back. */
export const CSV_TABLES = ['drives', 'log_entries'] as const

/** Files kept by content, and the table that names them. */
export const CONTENTS = [
  { folder: 'captures', table: 'captures' },
  { folder: 'photos', table: 'photos' },
] as const

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
}

export const ABOUT = `Everything that a workshop has entered in Wobrin, as open files.

*.jsonl          one row of a table a line, JSON (RFC 8259), in UTF-8
*.csv            drives and log once more, for a spreadsheet (RFC 4180)
captures/        recordings as they came: VCD, CSV or WAV; the name is their SHA-256
photos/          photos as they came; the name is their SHA-256
manifest.json    every file with its size and SHA-256

It can be read into Wobrin again at Workshop, In and out.
`
