import { eq } from 'drizzle-orm'
import { InputError } from '@wobrin/core/base/errors'
import type { Imported } from '../../../shared/archive'
import { arriving } from '../../database/schema'
import type { Db } from '../../database/db'
import { keepState, stateOf } from '../drive-states'
import { bringBack, eraseAsThere, sameButErased } from './erased-in-archive'
import { inSlices, type Between } from './in-slices'
import { grownDrives, joinChains, joinDrive } from './join-chains'
import { TABLES, type ArchiveTable } from './tables'

/** Rows that are brought at once. */
const ROWS = 100

const NAMES: Readonly<Record<string, string>> = {
  drives: 'The drive',
  log_entries: 'The log entry',
  reference_disks: 'The disk',
  belts: 'The belt',
  spares: 'The part',
  profiles: 'The profile',
  disk_events: 'What was said of a disk,',
}
/**
 * Settings of a workshop that has some stay as they are; recordings and photos may have come under another name; what
 * was erased twice was erased.
 */
const MAY_DIFFER: ReadonlySet<string> = new Set(['workshop', 'captures', 'photos', 'erased_drives'])
const DRIVES = TABLES.find(t => t.table === 'drives')!
const LOG = TABLES.find(t => t.table === 'log_entries')!
/** Tables that are small beside the log: they come with the last transaction. Links are joined, not copied. */
const SMALL = TABLES.filter(t => !['drives', 'log_entries', 'log_chain'].includes(t.table))

interface Counts {
  [table: string]: { added: number; there: number }
}

/**
 * Adds staged rows. Drives that are new come in slices and are seen by nobody until the last, short transaction, which
 * brings everything else; what that refuses, or a kill leaves, is taken out again by the import's id.
 * @throws InputError where something is here with other contents; the caller takes out what has come by then
 */
export async function mergeArchive(
  db: Db,
  staged: string,
  importId: string,
  now: string,
  between?: Between,
): Promise<Imported['tables']> {
  const client = db.$client
  client.exec(`attach '${staged.replaceAll("'", "''")}' as staged`)
  client.exec('create temp table fresh (id text primary key)')
  const counts: Counts = {}
  try {
    await inSlices(client, bringDrives(db, importId, counts), between)
    await between?.()
    client.transaction(() => finish(db, importId, now, counts)).immediate()
    return Object.fromEntries(TABLES.filter(t => counts[t.table]).map(t => [t.table, counts[t.table]!]))
  } finally {
    client.exec('drop table temp.fresh')
    client.exec('detach staged')
  }
}

/** New drives with their logs, chains and states, hidden; entries that are new on drives that are here are noted. */
function* bringDrives(db: Db, importId: string, counts: Counts): Generator<void> {
  const client = db.$client
  const value = (sql: string) => client.prepare(sql).pluck().get()
  refuseClash(db, DRIVES)
  refuseTakenTag(db)
  const empty = value('select 1 from main.log_entries limit 1') === undefined
  // Whoever enters something meanwhile gets a number after all that are coming.
  if (empty) {
    client.exec("delete from main.sqlite_sequence where name = 'log_entries'")
    client.exec(
      "insert into main.sqlite_sequence (name, seq) select 'log_entries', coalesce(max(seq), 0) from staged.log_entries",
    )
  }
  const fresh = client
    .prepare('select id from staged.drives s where not exists (select 1 from main.drives m where m.id = s.id)')
    .pluck()
    .all() as string[]
  counts.drives = { added: fresh.length, there: (value('select count(*) from staged.drives') as number) - fresh.length }
  const columns = listed(DRIVES, true)
  const bring = client.prepare(`insert into main.drives (${columns}) select ${columns} from staged.drives where id = ?`)
  const hide = client.prepare('insert into main.arriving (drive_id, import_id) values (?, ?)')
  for (const id of fresh) {
    // Hidden first: whatever is brought is seen by nobody.
    hide.run(id, importId)
    bring.run(id)
    yield
  }
  yield* bringEntries(db, importId, empty, counts)
  for (const id of fresh) yield* joinNew(db, id)
}

/** Entries in the order in which they were written, so many at a time. */
function* bringEntries(db: Db, importId: string, empty: boolean, counts: Counts): Generator<void> {
  const client = db.$client
  const columns = listed(LOG, empty)
  const bounds = client
    .prepare('select max(seq) from (select seq from staged.log_entries where seq > ? order by seq limit ?)')
    .pluck()
  // Looked up for each row: all drives that come, listed anew for every hundred rows, would be their square.
  const isNew = 'exists (select 1 from main.arriving a where a.drive_id = s.drive_id and a.import_id = ?)'
  const part = 's.seq > ? and s.seq <= ?'
  const bring = client.prepare(
    `insert into main.log_entries (${columns}) select ${columns} from staged.log_entries s
     where ${part} and ${isNew} order by s.seq`,
  )
  const note = client.prepare(
    `insert into temp.fresh (id) select s.id from staged.log_entries s where ${part} and not ${isNew}
     and not exists (select 1 from main.log_entries m where m.id = s.id)`,
  )
  // Counted by and by: a million at once would keep others waiting.
  const count = client.prepare('select count(*) from staged.log_entries where seq > ? and seq <= ?').pluck()
  let [added, total] = [0, 0]
  for (let from = -1; ;) {
    const to = bounds.get(from, ROWS) as number | null
    if (to === null) break
    refuseClash(db, LOG, `s.seq > ${from} and s.seq <= ${to}`)
    added += bring.run(from, to, importId).changes
    added += note.run(from, to, importId).changes
    total += count.get(from, to) as number
    from = to
    yield
  }
  counts.log_entries = { added, there: total - added }
}

/** The chain of a drive that is new, and how it stands by its log. */
function* joinNew(db: Db, driveId: string): Generator<void> {
  yield* joinDrive(db, driveId)
  const state = replayed(() => stateOf(db, driveId))
  if (state) db.update(arriving).set(state).where(eq(arriving.driveId, driveId)).run()
  yield
}

/** Everything that is not a new drive, and the moment in which those are seen. */
function finish(db: Db, importId: string, now: string, counts: Counts): void {
  const client = db.$client
  for (const t of SMALL) {
    refuseClash(db, t)
    const total = client.prepare(`select count(*) from staged.${t.table}`).pluck().get() as number
    const columns = listed(t, client.prepare(`select 1 from main.${t.table} limit 1`).get() === undefined)
    const { changes } = client
      .prepare(
        `insert into main.${t.table} (${columns}) select ${columns} from staged.${t.table} s
         where not exists (select 1 from main.${t.table} m where m."${t.key}" = s."${t.key}") order by s."${t.order}"`,
      )
      .run()
    counts[t.table] = { added: changes, there: total - changes }
  }
  const columns = listed(LOG, false)
  client.exec(
    `insert into main.log_entries (${columns}) select ${columns} from staged.log_entries s
     where s.seq in (select e.seq from temp.fresh f cross join staged.log_entries e on e.id = f.id) order by s.seq`,
  )
  joinChains(db, now)
  client
    .prepare(
      `insert into main.drive_states (drive_id, seq, at, outcome)
       select drive_id, seq, at, outcome from main.arriving where import_id = ? and seq is not null`,
    )
    .run(importId)
  client.prepare('delete from main.arriving where import_id = ?').run(importId)
  bringBack(db)
  eraseAsThere(db)
  // New drives have their states; to look at all that are here would keep others waiting.
  replayed(() => grownDrives(db).forEach(id => keepState(db, id)))
}

/** How drives stand by their logs: a log that cannot be replayed is not let in. @throws InputError */
function replayed<T>(run: () => T): T {
  try {
    return run()
  } catch (error) {
    throw new InputError(
      `a drive’s log cannot be replayed (${(error as Error).message})`,
      'a log as it was exported; nothing was changed',
    )
  }
}

const listed = (t: ArchiveTable, withOrder: boolean): string =>
  t.columns
    .filter(c => withOrder || !(t.renumbered && c === t.order))
    .map(c => `"${c}"`)
    .join(', ')

/** @param part of the staged rows @throws InputError where one is here with other contents */
function refuseClash(db: Db, t: ArchiveTable, part = 'true'): void {
  if (MAY_DIFFER.has(t.table)) return
  const same = t.columns
    .filter(c => !(t.renumbered && c === t.order))
    .map(c => sameButErased(t.table, c) ?? `m."${c}" is s."${c}"`)
    .join(' and ')
  const clash = db.$client
    .prepare(
      `select s."${t.key}" from staged.${t.table} s join main.${t.table} m on m."${t.key}" = s."${t.key}"
       where ${part} and not (${same}) limit 1`,
    )
    .pluck()
    .get()
  if (clash !== undefined)
    throw new InputError(
      `${NAMES[t.table] ?? t.table} ${clash} is here already, with other contents`,
      'an archive of this workshop, or one that shares nothing with it; nothing was changed',
    )
}

function refuseTakenTag(db: Db): void {
  const taken = db.$client
    .prepare('select s.tag from staged.drives s join main.drives m on m.tag = s.tag where m.id <> s.id limit 1')
    .pluck()
    .get()
  if (taken !== undefined)
    throw new InputError(`another drive here has the tag ${taken}`, 'tags that are free; nothing was changed')
}
