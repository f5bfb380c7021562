import { addTo } from '@wobrin/core/base/order'
import { randomUUID } from 'node:crypto'
import { and, eq, inArray, sql } from 'drizzle-orm'
import { ParameterError } from '@wobrin/core/base/errors'
import { canErase, erase, photoOf, type Erasable, type LogEntry } from '@wobrin/core/log'
import {
  drives as driveTable,
  driveStates,
  erasedDrives,
  logChain,
  logEntries,
  logHeads,
  referenceDisks,
  spares,
} from '../database/schema'
import type { Db } from '../database/db'
import type { DataFolder } from './data-folder'
import type { DriveService } from './drives'
import { machineSha } from './linked-entries'
import { removeContents, takeOut } from './contents-to-remove'
import type { Writes, Written } from './log-chain'
import { namedContents } from './named-contents'
import { withLogUnlocked } from './with-log-unlocked'

/** What is to be erased of a drive's log, by the ids of entries. */
export interface ErasureRequest {
  /** Id of the entry that will say so, made by the sender: sent again, nothing more happens. */
  readonly id: string
  /** The owner's words, wherever they stand. */
  readonly ownerWords: boolean
  readonly words: readonly string[]
  readonly photos: readonly string[]
}

const TITLES: Readonly<Record<Erasable, string>> = { words: 'Words were erased', photo: 'A photo was erased' }

/** How the corrected owner's words begin in the entry that says so. */
const OWNER_WORDS = 'owner’s words: '

/**
 * Erases words, photos and whole drives for good. The log keeps that something was erased, and its chain holds; what
 * was there is neither in the database's free pages nor in the index of words afterwards.
 */
export class EraseService {
  /** @param second whether backups go to a second place */
  constructor(
    private readonly db: Db,
    private readonly drives: DriveService,
    private readonly folder: DataFolder,
    private readonly second: () => boolean = () => false,
  ) {}

  /** Ends what a server that was killed left half done. */
  async finish(): Promise<void> {
    await removeContents(this.db, this.folder, this.second())
  }

  /**
   * Erases words and photos of a drive's log. A photo goes from every entry that shows it, on other drives as well,
   * and from the shelf.
   * @throws ParameterError where an entry is not the drive's, or has nothing of the kind; nothing is erased then
   */
  async erase(driveId: string, request: ErasureRequest, now: string): Promise<void> {
    this.drives.get(driveId)
    if (this.drives.sent(request.id, driveId)) return
    const log = this.db.select().from(logEntries).where(eq(logEntries.driveId, driveId)).orderBy(logEntries.seq).all()
    const words = wordsOf(log, request)
    const photos = chosen(log, request.photos, 'photo')
    if (words.length + photos.length === 0 && !request.ownerWords)
      throw new ParameterError('nothing was chosen', 'the owner’s words, an entry or a photo', { field: 'words' })
    const shas = photos.map(e => photoOf(e)!)
    // An entry is sealed together with what was erased of it, so each is there before its saying so.
    const ids = [request.id, randomUUID()]
    this.drives.within((tx, write) => {
      withLogUnlocked(tx, () => {
        if (request.ownerWords) tx.update(driveTable).set({ ownerWords: '' }).where(eq(driveTable.id, driveId)).run()
        for (const e of words) eraseOf(tx, e, 'words')
        if (words.length) write(tombstone(ids.shift()!, driveId, 'words', words, now))
        for (const [its, entries] of byDrive(showing(tx, shas))) {
          for (const e of entries) eraseOf(tx, e, 'photo')
          const id = its === driveId ? ids.shift()! : randomUUID()
          write(tombstone(id, its, 'photo', entries, now))
        }
        if (shas.length) tx.update(spares).set({ photo: null }).where(inArray(spares.photo, shas)).run()
        takeOut(this.db, tx, shas)
      })
    })
    this.drives.logsChanged()
    await this.clear()
  }

  /**
   * Erases a drive with its log, and the recordings and photos that nothing else names. What is left is that a drive
   * was erased, when, how long its log was and where its chain ended.
   * @param tag typed by the person, so that no other drive goes
   * @throws NotFound, ParameterError where the tag is another
   */
  async eraseDrive(driveId: string, tag: string, now: string): Promise<void> {
    const drive = this.drives.get(driveId)
    if (tag.trim() !== drive.tag)
      throw new ParameterError(`“${tag}” is not the tag of this drive`, drive.tag, { field: 'tag' })
    this.drives.within(tx => {
      withLogUnlocked(tx, () => {
        const shas = contentsNamedBy(this.db.$client, driveId)
        const head = tx.select().from(logHeads).where(eq(logHeads.driveId, driveId)).get()
        for (const table of [driveStates, logHeads, logChain, logEntries] as const)
          tx.delete(table).where(eq(table.driveId, driveId)).run()
        tx.update(referenceDisks)
          .set({ writtenBy: null, writer: sql`case when writer = '' then 'a drive that was erased' else writer end` })
          .where(eq(referenceDisks.writtenBy, driveId))
          .run()
        tx.delete(driveTable).where(eq(driveTable.id, driveId)).run()
        tx.insert(erasedDrives)
          .values({ id: driveId, at: now, entries: head?.entries ?? 0, hash: head?.hash ?? '' })
          .run()
        takeOut(this.db, tx, shas)
      })
    })
    this.drives.logsChanged(driveId)
    await this.clear()
  }

  /** The write-ahead log still holds the pages as they were: it is written back and emptied. */
  private async clear(): Promise<void> {
    this.db.$client.pragma('wal_checkpoint(TRUNCATE)')
    await this.finish()
  }
}

/** Entries of a log by their ids. @throws ParameterError */
function chosen(log: readonly LogEntry[], ids: readonly string[], what: Erasable): LogEntry[] {
  return ids.map(id => {
    const entry = log.find(e => e.id === id)
    if (!entry) throw new ParameterError('there is no such entry on this drive', 'the id of one', { field: what })
    if (!canErase(entry, what))
      throw new ParameterError(
        what === 'photo' ? `“${entry.title}” shows no photo` : `“${entry.title}” has no words that can be erased`,
        'an entry that has',
        { field: what },
      )
    return entry
  })
}

/** Entries whose words go: those that were chosen, those that repeat them, and the owner’s words. */
function wordsOf(log: readonly LogEntry[], { words, ownerWords }: ErasureRequest): LogEntry[] {
  const owners = ownerWords
    ? log.filter(e => e.kind === 'received' || (e.kind === 'facts' && e.detail.includes(OWNER_WORDS)))
    : []
  const meant = new Set([...chosen(log, words, 'words'), ...owners].map(e => e.id))
  const repeats = (e: LogEntry) =>
    (e.takesBack !== null && meant.has(e.takesBack)) || (e.data?.type === 'wait-ended' && meant.has(e.data.wait))
  return log.filter(e => (meant.has(e.id) || repeats(e)) && canErase(e, 'words'))
}

/** All entries that show one of these photos. */
const showing = (tx: Writes, shas: readonly string[]): LogEntry[] =>
  shas.length === 0
    ? []
    : tx
        .select()
        .from(logEntries)
        .where(and(eq(logEntries.kind, 'photo'), inArray(sql`json_extract(${logEntries.data}, '$.sha')`, [...shas])))
        .orderBy(logEntries.seq)
        .all()

function byDrive(entries: readonly LogEntry[]): Map<string, LogEntry[]> {
  const sorted = new Map<string, LogEntry[]>()
  for (const e of entries) addTo(sorted, e.driveId, e)
  return sorted
}

/** Erases it of the entry that stands there, with its seal in its link. */
export function eraseOf(tx: Writes, { id }: Pick<LogEntry, 'id'>, what: Erasable): void {
  const entry = tx.select().from(logEntries).where(eq(logEntries.id, id)).get()!
  const link = tx.select().from(logChain).where(eq(logChain.entry, id)).get()
  // What was put into the log past the program has no link that could hold it.
  if (!link) return
  const gone = erase(entry, link, what, machineSha)
  tx.update(logEntries)
    .set({ title: gone.entry.title, detail: gone.entry.detail, data: gone.entry.data })
    .where(eq(logEntries.id, id))
    .run()
  tx.update(logChain).set({ salt: gone.link.salt, erased: gone.link.erased }).where(eq(logChain.entry, id)).run()
}

const tombstone = (id: string, driveId: string, what: Erasable, entries: readonly LogEntry[], at: string): Written => ({
  id,
  driveId,
  at,
  kind: 'erased',
  station: entries[0]!.station,
  title:
    entries.length === 1
      ? TITLES[what]
      : `${what === 'words' ? 'Words' : 'Photos'} of ${entries.length} entries were erased`,
  data: { type: 'erased', what, entries: entries.map(e => e.id) },
})

/** Recordings and photos that a drive's log names. */
const contentsNamedBy = (client: Db['$client'], driveId: string): string[] =>
  client
    .prepare(`select distinct sha from ${namedContents()} where drive_id = ? and sha is not null`)
    .pluck()
    .all(driveId) as string[]
