import { sql } from 'drizzle-orm'
import { index, integer, primaryKey, real, sqliteTable, text, uniqueIndex } from 'drizzle-orm/sqlite-core'
import type { Call, Evidence, Observation } from '@wobrin/core/base/observations'
import type {
  Account,
  EntryData,
  EntryKind,
  ErasedParts,
  GoalId,
  Outcome,
  PartKnown,
  RouteId,
  StationId,
} from '@wobrin/core/log'
import type { Measures } from '@wobrin/core/parts'
import type { Features, MechanismId, Pulleys } from '@wobrin/core/drives'
import type { BeltMaterial } from '@wobrin/core/calculators/mechanics'
import type { DiskEvent, Proof } from '@wobrin/core/proof'
import type { DriveProfile, HostProfile } from '@wobrin/core/drives/hosts'
import type { ModelSheet } from '@wobrin/core/drives/models'

/** Settings of the workshop: one row, id 1. */
export const workshop = sqliteTable('workshop', {
  id: integer('id').primaryKey(),
  settings: text('settings', { mode: 'json' }).$type<Record<string, unknown>>().notNull(),
})

/** Drives as things; where they stand is read from their log. */
export const drives = sqliteTable(
  'drives',
  {
    id: text('id').primaryKey(),
    tag: text('tag').notNull(),
    simulated: integer('simulated', { mode: 'boolean' }).notNull().default(false),
    mechanism: text('mechanism').$type<MechanismId>().notNull(),
    maker: text('maker').notNull().default(''),
    model: text('model').notNull().default(''),
    serial: text('serial').notNull().default(''),
    host: text('host').notNull().default(''),
    year: integer('year'),
    goal: text('goal').$type<GoalId>(),
    practice: integer('practice'),
    route: text('route').$type<RouteId>().notNull().default('complaint'),
    ownerWords: text('owner_words').notNull().default(''),
    features: text('features', { mode: 'json' }).$type<Features>(),
    account: text('account', { mode: 'json' }).$type<Account>(),
    nominalRpm: real('nominal_rpm'),
    motor: text('motor').$type<'ac' | 'dc'>(),
    hasTrimmer: integer('has_trimmer', { mode: 'boolean' }),
    pulleys: text('pulleys', { mode: 'json' }).$type<Pulleys>(),
    receivedAt: text('received_at').notNull(),
  },
  t => [uniqueIndex('drives_tag').on(t.tag)],
)

/** Recordings, kept by content: the file's name in the data folder is its SHA-256. */
export const captures = sqliteTable('captures', {
  sha: text('sha').primaryKey(),
  name: text('name').notNull(),
  bytes: integer('bytes').notNull(),
  keptAt: text('kept_at').notNull(),
})

/** Photos: the original by content, with copies made for showing. */
export const photos = sqliteTable('photos', {
  sha: text('sha').primaryKey(),
  name: text('name').notNull(),
  bytes: integer('bytes').notNull(),
  width: integer('width').notNull(),
  height: integer('height').notNull(),
  keptAt: text('kept_at').notNull(),
})

/** Hosts and drives as a person described them, for the host fit, and what is remembered of models. */
export const profiles = sqliteTable('profiles', {
  id: text('id').primaryKey(),
  profile: text('profile', { mode: 'json' }).$type<HostProfile | DriveProfile | ModelSheet>().notNull(),
  changedAt: text('changed_at').notNull(),
})

/** Belts at hand. One that was used up stays, with what became of it. */
export const belts = sqliteTable('belts', {
  id: text('id').primaryKey(),
  name: text('name').notNull(),
  insideMm: real('inside_mm').notNull(),
  sectionMm: real('section_mm').notNull(),
  material: text('material').$type<BeltMaterial>().notNull(),
  origin: text('origin').notNull().default(''),
  addedAt: text('added_at').notNull(),
  gone: text('gone'),
})

/** Parts on the shelf, or on their way to it. Where they went is on the logs of the drives that got them. */
export const spares = sqliteTable('spares', {
  id: text('id').primaryKey(),
  part: text('part').notNull(),
  name: text('name').notNull(),
  /** Type and model that it came from; empty where nobody knows. */
  mechanism: text('mechanism').$type<MechanismId>(),
  maker: text('maker').notNull().default(''),
  model: text('model').notNull().default(''),
  pieces: integer('pieces').notNull().default(1),
  known: text('known').$type<PartKnown>().notNull(),
  says: text('says').notNull().default(''),
  measures: text('measures', { mode: 'json' }).$type<Measures>().notNull(),
  /** Drawer, box or bag. */
  place: text('place').notNull().default(''),
  /** Day on which it should arrive; null for one that is here. */
  dueOn: text('due_on'),
  photo: text('photo'),
  addedAt: text('added_at').notNull(),
  gone: text('gone'),
})

/** Disks that others are judged by. */
export const referenceDisks = sqliteTable('reference_disks', {
  id: text('id').primaryKey(),
  name: text('name').notNull(),
  mechanism: text('mechanism').$type<MechanismId>().notNull(),
  writtenBy: text('written_by').references(() => drives.id),
  writer: text('writer').notNull().default(''),
  writtenAt: text('written_at').notNull(),
  proof: text('proof').$type<Proof>().notNull(),
  provedBy: text('proved_by'),
  addedAt: text('added_at').notNull(),
})

/** What was said of a reference disk by hand. Rows are only ever added. */
export const diskEvents = sqliteTable(
  'disk_events',
  {
    seq: integer('seq').primaryKey({ autoIncrement: true }),
    id: text('id').notNull(),
    disk: text('disk')
      .notNull()
      .references(() => referenceDisks.id),
    at: text('at').notNull(),
    kind: text('kind').$type<DiskEvent['kind']>().notNull(),
    detail: text('detail').notNull().default(''),
  },
  t => [uniqueIndex('disk_events_id').on(t.id), index('disk_events_disk').on(t.disk, t.seq)],
)

/**
 * How each drive stands, as far as the bench needs it to choose: worked out from its log, and again whenever that
 * grows.
 */
export const driveStates = sqliteTable(
  'drive_states',
  {
    driveId: text('drive_id')
      .primaryKey()
      .references(() => drives.id),
    /** Last entry that it is worked out from. */
    seq: integer('seq').notNull(),
    /** How it left; null while it is open. */
    outcome: text('outcome').$type<Outcome>(),
    /** Time of that entry. */
    at: text('at').notNull(),
  },
  t => [index('drive_states_outcome').on(t.outcome, t.at)],
)

/** Kinds of entries that say where parts are. */
export const PART_MOVES = ['released', 'part-used', 'part-lent', 'part-back'] as const satisfies readonly EntryKind[]
/** Which entries the index of them holds; a query that says it word for word uses it. */
export const MOVES_PARTS = sql.raw(`kind in (${PART_MOVES.map(k => `'${k}'`).join(', ')})`)

/** The log. Rows are only ever added; triggers refuse anything else. */
export const logEntries = sqliteTable(
  'log_entries',
  {
    seq: integer('seq').primaryKey({ autoIncrement: true }),
    id: text('id').notNull(),
    driveId: text('drive_id')
      .notNull()
      .references(() => drives.id),
    at: text('at').notNull(),
    kind: text('kind').$type<EntryKind>().notNull(),
    station: text('station').$type<StationId>().notNull(),
    title: text('title').notNull(),
    detail: text('detail').notNull().default(''),
    call: text('call', { mode: 'json' }).$type<Call>(),
    observations: text('observations', { mode: 'json' })
      .$type<Observation[]>()
      .notNull()
      .default(sql`'[]'`),
    evidence: text('evidence', { mode: 'json' }).$type<Evidence>(),
    data: text('data', { mode: 'json' }).$type<EntryData>(),
    takesBack: text('takes_back'),
  },
  t => [
    uniqueIndex('log_entries_id').on(t.id),
    index('log_entries_drive').on(t.driveId, t.seq),
    /** Where parts are: few entries among many, looked for across all drives. */
    index('log_entries_parts').on(t.seq).where(MOVES_PARTS),
    index('log_entries_taken_back')
      .on(t.takesBack)
      .where(sql`takes_back is not null`),
  ],
)

/** The link of each entry to the one before it on its drive; rows are only ever added, as those of the log are. */
export const logChain = sqliteTable(
  'log_chain',
  {
    entry: text('entry').primaryKey(),
    driveId: text('drive_id')
      .notNull()
      .references(() => drives.id),
    /** Hashes of the links before it. */
    before: text('before', { mode: 'json' }).$type<string[]>().notNull(),
    hash: text('hash').notNull(),
    salt: text('salt').notNull(),
    /** Seals of what was erased. */
    erased: text('erased', { mode: 'json' }).$type<ErasedParts>(),
    firstSeq: integer('first_seq').notNull(),
  },
  t => [
    index('log_chain_drive').on(t.driveId),
    index('log_chain_erased')
      .on(t.entry)
      .where(sql`erased is not null`),
  ],
)

/** Devices in the network that may use this workshop. */
export const devices = sqliteTable(
  'devices',
  {
    id: text('id').primaryKey(),
    name: text('name').notNull(),
    /** SHA-256 of the token that the device keeps. */
    token: text('token').notNull(),
    pairedAt: text('paired_at').notNull(),
    seenAt: text('seen_at').notNull(),
  },
  t => [uniqueIndex('devices_token').on(t.token)],
)

/** Where the chain of each drive ends. */
export const logHeads = sqliteTable('log_heads', {
  driveId: text('drive_id')
    .primaryKey()
    .references(() => drives.id),
  entries: integer('entries').notNull(),
  hash: text('hash').notNull(),
})

/** Drives that were erased as a whole: how long the log of each was and where its chain ended, and no more. */
export const erasedDrives = sqliteTable('erased_drives', {
  id: text('id').primaryKey(),
  at: text('at').notNull(),
  entries: integer('entries').notNull(),
  hash: text('hash').notNull(),
})

/** Recordings and photos that are to be removed: here, and where backups go as well. Each row goes once it is done. */
export const contentsToRemove = sqliteTable(
  'contents_to_remove',
  {
    folder: text('folder').$type<'captures' | 'photos'>().notNull(),
    sha: text('sha').notNull(),
    here: integer('here', { mode: 'boolean' }).notNull(),
  },
  t => [primaryKey({ columns: [t.folder, t.sha] })],
)

/** Holds a row while something is erased, within its transaction alone: it lifts the triggers that keep the log. */
export const erasing = sqliteTable('erasing', { id: integer('id').primaryKey() })

/**
 * Drives that an import is bringing: nobody sees them until it is through. How each stands is worked out by then; rows
 * that a killed server leaves are taken out at the next start, with all that they brought.
 */
export const arriving = sqliteTable(
  'arriving',
  {
    driveId: text('drive_id').primaryKey(),
    importId: text('import_id').notNull(),
    seq: integer('seq'),
    at: text('at'),
    outcome: text('outcome').$type<Outcome>(),
  },
  t => [index('arriving_import').on(t.importId)],
)
