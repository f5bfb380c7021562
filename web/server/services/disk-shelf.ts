import { and, asc, eq, inArray, isNotNull, sql } from 'drizzle-orm'
import { randomUUID } from 'node:crypto'
import { ParameterError } from '@wobrin/core/base/errors'
import { surfaceTotals } from '@wobrin/core/log'
import { disagreements, standingOf, type DiskReading, type ReferenceDisk } from '@wobrin/core/proof'
import type { DiskEventInput, DiskInput, DiskView } from '../../shared/disks'
import { diskEvents, logEntries, referenceDisks } from '../database/schema'
import type { DriveService } from './drives'
import { keepState } from './drive-states'
import { NotFound } from './not-found'
import { arrived } from '../database/arrived'
import type { Db } from '../database/db'

/** Reference disks: who wrote them, what their word rests on, how they read over time. */
export class DiskShelf {
  constructor(
    private readonly db: Db,
    private readonly drives: DriveService,
  ) {}

  private all(): ReferenceDisk[] {
    return this.db.select().from(referenceDisks).orderBy(asc(referenceDisks.addedAt), asc(referenceDisks.name)).all()
  }

  view(): DiskView {
    const tags = new Map(this.drives.list().map(d => [d.id, d.tag]))
    const disks = this.all()
    const readings = this.readings(disks)
    const events = this.db.select().from(diskEvents).orderBy(asc(diskEvents.seq)).all()
    const nameOf = (id: string) => disks.find(d => d.id === id)?.name ?? 'a disk that is gone'
    const wroteIt = (d: ReferenceDisk) => (d.writtenBy ? (tags.get(d.writtenBy) ?? '') : d.writer || 'nobody knows who')
    return {
      standings: disks.map(disk => {
        const standing = standingOf(disk, disks, readings, events)
        return {
          ...standing,
          chain: standing.chain.map(l => ({ ...l, by: tags.get(l.by) ?? l.by })),
          mechanism: disk.mechanism,
          wroteIt: wroteIt(disk),
        }
      }),
      disagreements: disagreements(readings, nameOf).map(d => ({
        ...d,
        drives: d.drives.map(id => tags.get(id) ?? id),
      })),
      drives: [...tags].map(([id, tag]) => ({ id, tag })),
    }
  }

  find(id: string): ReferenceDisk | null {
    return this.db.select().from(referenceDisks).where(eq(referenceDisks.id, id)).get() ?? null
  }

  /** Whether a disk is trusted now; null where there is none of that id. */
  trusts(id: string): boolean | null {
    const disks = this.all()
    const disk = disks.find(d => d.id === id)
    return disk
      ? standingOf(
          disk,
          disks,
          this.readings(disks),
          this.db.select().from(diskEvents).where(eq(diskEvents.disk, id)).all(),
        ).trusted
      : null
  }

  /**
   * Puts a disk on the shelf, or corrects what is said of it; a drive of the workshop that wrote it has it on its
   * log.
   */
  put(id: string, disk: DiskInput, now: string): ReferenceDisk {
    if (!disk.writtenBy && !disk.writer && disk.proof !== 'none')
      throw new ParameterError(
        'a drive was verified that is not named',
        'a drive of the workshop, its writer in words, or no proof',
        { field: 'writer' },
      )
    if (disk.proof === 'disk' && !disk.provedBy)
      throw new ParameterError(
        'the disk that its writer was verified by is left out',
        'one of the shelf, or another kind of proof',
        { field: 'provedBy' },
      )
    if (disk.provedBy === id)
      throw new ParameterError('a disk cannot verify its own writer', 'another disk', { field: 'provedBy' })
    const row = { ...disk, mechanism: disk.mechanism as never, provedBy: disk.proof === 'disk' ? disk.provedBy : null }
    return this.drives.within((tx, write) => {
      const before = tx.select().from(referenceDisks).where(eq(referenceDisks.id, id)).get()
      tx.insert(referenceDisks)
        .values({ id, ...row, addedAt: now })
        .onConflictDoUpdate({ target: referenceDisks.id, set: row })
        .run()
      if (!before && disk.writtenBy) {
        write({
          id: randomUUID(),
          driveId: this.drives.get(disk.writtenBy).id,
          at: now,
          kind: 'note',
          station: 'prove',
          title: `Wrote the reference disk “${disk.name}”`,
          detail: `On ${disk.writtenAt}.`,
        })
        keepState(tx, disk.writtenBy)
      }
      return tx.select().from(referenceDisks).where(eq(referenceDisks.id, id)).get()!
    })
  }

  /** Says something of a disk; the same id again adds nothing. @throws NotFound */
  say(disk: string, event: DiskEventInput): void {
    if (!this.find(disk)) throw new NotFound('There is no such disk on the shelf.')
    this.db
      .insert(diskEvents)
      .values({ ...event, disk })
      .onConflictDoNothing()
      .run()
  }

  /** Disks of the shelf that a drive wrote. */
  writtenBy(drive: string): string[] {
    return this.db
      .select({ id: referenceDisks.id })
      .from(referenceDisks)
      .where(eq(referenceDisks.writtenBy, drive))
      .all()
      .map(d => d.id)
  }

  /** Drives whose logs have a read of one of some disks, taken back or not. */
  readers(disks: readonly string[]): string[] {
    if (disks.length === 0) return []
    return this.db
      .selectDistinct({ id: logEntries.driveId })
      .from(logEntries)
      .where(
        and(
          arrived(logEntries.driveId),
          sql`json_extract(${logEntries.data}, '$.type') in ('read-test', 'cross-read')`,
          inArray(sql`json_extract(${logEntries.data}, '$.disk')`, [...disks]),
        ),
      )
      .all()
      .map(r => r.id)
  }

  /** Every reading of a reference disk that still holds, from the logs of all drives. */
  private readings(disks: readonly ReferenceDisk[]): DiskReading[] {
    const isRead = sql`json_extract(${logEntries.data}, '$.type') in ('read-test', 'cross-read')`
    const rows = this.db
      .select()
      .from(logEntries)
      .where(and(arrived(logEntries.driveId), isRead))
      .orderBy(asc(logEntries.seq))
      .all()
    if (rows.length === 0) return []
    const here = inArray(logEntries.driveId, [...new Set(rows.map(r => r.driveId))])
    const gone = new Set(
      this.db
        .select({ id: logEntries.takesBack })
        .from(logEntries)
        .where(and(here, isNotNull(logEntries.takesBack)))
        .all()
        .map(r => r.id),
    )
    const proven = new Set(
      this.db
        .select({ id: logEntries.driveId })
        .from(logEntries)
        .where(and(here, sql`json_extract(${logEntries.data}, '$.outcome') = 'released'`))
        .all()
        .map(r => r.id),
    )
    // A drive that was measured with an alignment disk before it wrote one is proven too.
    for (const d of disks) if (d.writtenBy && d.proof === 'instrument') proven.add(d.writtenBy)
    return rows.flatMap((e): DiskReading[] => {
      if (gone.has(e.id)) return []
      const source = e.evidence?.source ?? 'host'
      const base = { drive: e.driveId, at: e.at, provenDrive: proven.has(e.driveId), source }
      // Counted by hand there is no margin.
      if (e.data?.type === 'cross-read')
        return [
          {
            ...base,
            disk: e.data.disk,
            good: e.data.places.reduce((n, p) => n + p.good, 0),
            sectors: e.data.places.reduce((n, p) => n + p.sectors, 0),
            margin: null,
          },
        ]
      if (e.data?.type !== 'read-test' || !e.data.disk) return []
      const { good, sectors, leastMargin } = surfaceTotals(e.data.bars)
      return [{ ...base, disk: e.data.disk, good, sectors, margin: leastMargin }]
    })
  }
}
