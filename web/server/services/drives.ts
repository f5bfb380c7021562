import { randomUUID } from 'node:crypto'
import { and, asc, count, eq, inArray } from 'drizzle-orm'
import { receptionEntries, type SaidOnArrival } from '@wobrin/core/bench/entries'
import { ParameterError } from '@wobrin/core/base/errors'
import { mayTakeBack, type DriveFacts, type LogEntry, type NewEntry } from '@wobrin/core/log'
import { findMechanism, type MechanismId } from '@wobrin/core/drives'
import type { OwnEntry } from '@wobrin/core/release'
import type { NewDrive } from '../../shared/drive-facts'
import { arriving, drives, logChain, logEntries } from '../database/schema'
import { arrived } from '../database/arrived'
import { keepState, keepStateAfter } from './drive-states'
import { ChangedMeanwhile, mergeChange } from './changed-meanwhile'
import type { KeptHeads } from './kept-heads'
import { writeEntry, type Writes, type Written } from './log-chain'
import { NotFound } from './not-found'
import { RecentLogs } from './recent-logs'
import { SetAsideDrives } from './set-aside'
import type { Db } from '../database/db'

/** Drives and their logs. Entries are added and never changed. */
export class DriveService {
  private readonly recent: RecentLogs
  readonly aside = new SetAsideDrives()
  private readonly listeners: (() => void)[] = []

  /** @param heads where the end of each log is also kept; left out where nothing else is */
  constructor(
    private readonly db: Db,
    private readonly heads: KeptHeads | null = null,
  ) {
    this.recent = new RecentLogs(db)
  }

  /**
   * Runs what writes to logs, all or nothing; where the chains of the drives end now is then kept beside the database
   * as well.
   */
  within<T>(run: (tx: Writes, write: (entry: Written) => LogEntry) => T): T {
    const written = new Set<string>()
    const done = this.db.transaction(
      tx =>
        run(tx, entry => {
          written.add(entry.driveId)
          return writeEntry(tx, entry)
        }),
      { behavior: 'immediate' },
    )
    this.heads?.keep(this.db, written)
    return done
  }

  /** Has something done whenever logs were changed otherwise than by an entry at their end. */
  whenLogsChange(run: () => void): void {
    this.listeners.push(run)
  }

  /**
   * Logs were changed otherwise than by an entry at their end: an archive was read in, or something was erased. What
   * was read of them is read anew.
   * @param gone drive that is no longer there
   */
  logsChanged(gone?: string): void {
    this.recent.forget()
    if (gone !== undefined) this.aside.forget(gone)
    this.heads?.renew(this.db)
    for (const run of this.listeners) run()
  }

  list(): DriveFacts[] {
    return this.db.select().from(drives).where(arrived(drives.id)).orderBy(asc(drives.tag)).all()
  }

  count(): { drives: number; entries: number } {
    return {
      drives: this.db.select({ n: count() }).from(drives).where(arrived(drives.id)).get()!.n,
      entries: this.db.select({ n: count() }).from(logEntries).get()!.n - this.hidden(),
    }
  }

  /** Entries that an import is still bringing. */
  private hidden(): number {
    const coming = this.db.select({ id: arriving.driveId }).from(arriving)
    return this.db.select({ n: count() }).from(logEntries).where(inArray(logEntries.driveId, coming)).get()!.n
  }

  /** @throws NotFound */
  get(id: string): DriveFacts {
    const row = this.find(id)
    if (!row) throw new NotFound('There is no such drive on the bench.')
    return row
  }

  find(id: string): DriveFacts | null {
    const its = and(eq(drives.id, id), arrived(drives.id))
    return this.db.select().from(drives).where(its).get() ?? null
  }

  /** The next number of the series that holds the highest one. */
  nextTag(): string {
    const tags = this.db
      .select({ tag: drives.tag })
      .from(drives)
      .all()
      .map(r => /^((?:.*\D)?)(\d+)$/.exec(r.tag))
      .filter(m => m !== null)
    if (!tags.length) return 'SK-01'
    const [, prefix, digits] = tags.reduce((best, m) => (Number(m[2]) > Number(best[2]) ? m : best))
    return `${prefix}${String(Number(digits) + 1).padStart(digits!.length, '0')}`
  }

  byTag(tag: string): DriveFacts | null {
    const its = and(eq(drives.tag, tag), arrived(drives.id))
    return this.db.select().from(drives).where(its).get() ?? null
  }

  /** @throws SetAside where the drive's log cannot be read */
  log(driveId: string, after = 0): LogEntry[] {
    this.aside.refuse(driveId)
    return after > 0 ? this.recent.read(driveId, after) : this.recent.of(driveId)
  }

  /** A log with the links that hold its entries. @throws SetAside */
  linkedLog(driveId: string): OwnEntry[] {
    const links = new Map(
      this.db
        .select()
        .from(logChain)
        .where(eq(logChain.driveId, driveId))
        .all()
        .map(l => [l.entry, l]),
    )
    return this.log(driveId).map(e => ({ ...e, link: links.get(e.id) ?? null }))
  }

  /**
   * Takes a drive in, with what was said of it on arrival; all or nothing.
   * @throws ParameterError where the tag is taken, or something that was said is not known
   */
  receive(
    drive: NewDrive,
    receivedAt: string,
    id: string = randomUUID(),
    said: SaidOnArrival = { complaints: [], found: [] },
  ): DriveFacts {
    return this.within((tx, write) => {
      const sent = tx.select().from(drives).where(eq(drives.id, id)).get()
      if (sent) return sent
      const taken = tx.select().from(drives).where(eq(drives.tag, drive.tag)).get()
      if (taken)
        throw new ParameterError(`the tag ${drive.tag} is on another drive`, 'a tag of its own', { field: 'tag' })
      checkSpeed(drive.mechanism as MechanismId, drive.nominalRpm ?? null)
      tx.insert(drives)
        .values({ ...drive, mechanism: drive.mechanism as MechanismId, id, receivedAt })
        .run()
      write({
        id: randomUUID(),
        driveId: id,
        at: receivedAt,
        kind: 'received',
        station: 'receive',
        title: 'Received',
        detail: drive.ownerWords,
      })
      const received = tx.select().from(drives).where(eq(drives.id, id)).get()!
      for (const entry of receptionEntries(received, said, randomUUID)) write(entry)
      keepState(tx, id)
      return received
    })
  }

  /**
   * Corrects facts; the log says which.
   * @param seen what whoever corrects them saw; what others changed since stays as they left it
   * @throws ChangedMeanwhile where others changed the same fact to something else; nothing is changed then
   */
  change(id: string, wanted: Partial<NewDrive>, seen: Partial<NewDrive> = {}): DriveFacts {
    const before = this.get(id)
    const { change, clash } = mergeChange<Partial<NewDrive>>(wanted, seen, before as Partial<NewDrive>)
    if (clash)
      throw new ChangedMeanwhile(
        `Somebody else changed this meanwhile: ${factNames[clash] ?? clash} is “${describe(before[clash as keyof DriveFacts])}” now. Nothing was saved; save again to replace it.`,
        clash,
      )
    const changed = Object.entries(change).filter(
      ([key, value]) =>
        value !== undefined && JSON.stringify(before[key as keyof DriveFacts]) !== JSON.stringify(value),
    )
    if (changed.length === 0) return before
    if (change.tag && change.tag !== before.tag && this.byTag(change.tag)) {
      throw new ParameterError(`the tag ${change.tag} is on another drive`, 'a tag of its own', { field: 'tag' })
    }
    checkSpeed(
      (change.mechanism ?? before.mechanism) as MechanismId,
      change.nominalRpm === undefined ? before.nominalRpm : change.nominalRpm,
    )
    return this.within((tx, write) => {
      tx.update(drives).set(Object.fromEntries(changed)).where(eq(drives.id, id)).run()
      write({
        id: randomUUID(),
        driveId: id,
        at: new Date().toISOString(),
        kind: 'facts',
        station: 'receive',
        title: 'Facts corrected',
        detail: changed.map(([key, value]) => `${factNames[key] ?? key}: ${describe(value)}`).join('; '),
      })
      keepState(tx, id)
      return tx.select().from(drives).where(eq(drives.id, id)).get()!
    })
  }

  /** An entry that was sent before, or null. @throws ParameterError where another drive has this id */
  sent(id: string, driveId: string): LogEntry | null {
    const there = this.db.select().from(logEntries).where(eq(logEntries.id, id)).get()
    if (there && there.driveId !== driveId)
      throw new ParameterError('another drive has an entry of this id', 'an id of its own', { field: 'id' })
    return there ?? null
  }

  /** Adds an entry; sending the same id again adds nothing and returns what is there. */
  append(entry: NewEntry): LogEntry {
    return this.within((tx, write) => {
      const there = tx.select().from(logEntries).where(eq(logEntries.id, entry.id)).get()
      if (there) return there
      if (entry.takesBack) {
        const target = tx.select().from(logEntries).where(eq(logEntries.id, entry.takesBack)).get()
        if (!target || target.driveId !== entry.driveId || !mayTakeBack(target)) {
          throw new ParameterError(
            'this entry cannot be taken back',
            'an entry of the same drive, other than its receipt',
            { field: 'takesBack' },
          )
        }
      }
      const kept = write(entry)
      keepStateAfter(tx, kept)
      return kept
    })
  }
}

const factNames: Readonly<Record<string, string>> = {
  tag: 'tag',
  mechanism: 'mechanism',
  maker: 'maker',
  model: 'model',
  serial: 'serial number',
  host: 'host',
  year: 'year of make',
  goal: 'level to reach',
  route: 'route',
  practice: 'practice drive',
  ownerWords: 'owner’s words',
  features: 'features',
  account: 'account',
  nominalRpm: 'nominal speed',
  motor: 'motor',
  hasTrimmer: 'trimmer',
  pulleys: 'pulleys',
}

/** A nominal speed is one that its kind has. @throws ParameterError */
function checkSpeed(mechanism: MechanismId, nominalRpm: number | null): void {
  const known = findMechanism(mechanism).speed.nominal.map(n => n.value)
  if (nominalRpm !== null && !known.some(n => Math.abs(nominalRpm / n - 1) < 0.1)) {
    throw new ParameterError(
      `${nominalRpm} r/min is no speed of a ${findMechanism(mechanism).label} drive`,
      `${known.join(' or ')} r/min`,
      { field: 'nominalRpm' },
    )
  }
}

function describe(value: unknown): string {
  if (value === null || value === '') return 'not known'
  if (typeof value === 'boolean') return value ? 'yes' : 'no'
  if (typeof value === 'object' && !('motorPulleyMm' in value)) {
    return (
      Object.entries(value)
        .filter(([, v]) => v !== null && v !== false)
        .map(([k, v]) => `${k.replace(/[A-Z]/g, c => ` ${c.toLowerCase()}`)} ${v === true ? 'yes' : v}`)
        .join(', ') || 'nothing said'
    )
  }
  if (typeof value === 'object') {
    const { motorPulleyMm, flywheelMm, beltLengthMm, centreDistanceMm } = value as Record<string, number | undefined>
    return [
      `motor ${motorPulleyMm} mm`,
      `flywheel ${flywheelMm} mm`,
      beltLengthMm && `belt ${beltLengthMm} mm`,
      centreDistanceMm && `centres ${centreDistanceMm} mm`,
    ]
      .filter(Boolean)
      .join(', ')
  }
  return String(value)
}
