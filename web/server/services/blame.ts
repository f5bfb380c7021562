import { crossReadEntry } from '@wobrin/core/bench/entries'
import { mayHaveHurtDisks, mayLoadGoodDisk, walk } from '@wobrin/core/bench/stations'
import { inArray } from 'drizzle-orm'
import { ParameterError } from '@wobrin/core/base/errors'
import type { LogEntry } from '@wobrin/core/log'
import { readsElsewhere, type CaseReading } from '@wobrin/core/diagnosis'
import { blameBench, classesOf, DISK_FAMILIES, familyOf, readsOnLog } from '@wobrin/core/proof'
import type { BlameView, CrossReadInput } from '../../shared/blame'
import { drives as drivesTable } from '../database/schema'
import type { DiskShelf } from './disk-shelf'
import type { DriveService } from './drives'
import type { Db } from '../database/db'

/** More drives of one family are not offered for the next read. */
const MOST_DRIVES = 60

/** Disks × drives: what was read where, for the inference. */
export class BlameService {
  constructor(
    private readonly db: Db,
    private readonly drives: DriveService,
    private readonly shelf: DiskShelf,
  ) {}

  /** The bench of a family of disks; the first that has one where none is named. */
  view(asked?: string): BlameView {
    const { standings } = this.shelf.view()
    // The family with the most disks first: that is what the bench mostly works on.
    const disksOf = (f: string) => standings.filter(s => familyOf(s.mechanism) === f).length
    const families = DISK_FAMILIES.filter(f => disksOf(f) > 0).toSorted((a, b) => disksOf(b) - disksOf(a))
    const family = families.find(f => f === asked) ?? families[0] ?? DISK_FAMILIES[0]!
    const disks = standings.filter(s => familyOf(s.mechanism) === family && !s.retired)
    const all = this.db
      .select()
      .from(drivesTable)
      .where(inArray(drivesTable.mechanism, [...classesOf(family)]))
      .all()
    // Those that read or wrote a disk first, the latest come first.
    const involved = new Set([...this.shelf.readers(disks.map(s => s.disk.id)), ...disks.map(s => s.disk.writtenBy)])
    const chosen = all
      .sort(
        (a, b) => Number(involved.has(b.id)) - Number(involved.has(a.id)) || b.receivedAt.localeCompare(a.receivedAt),
      )
      .slice(0, MOST_DRIVES)
    const bench = blameBench(
      disks.map(s => s.disk),
      chosen.flatMap(
        d =>
          this.drives.aside.guard(d, () => ({
            id: d.id,
            tag: d.tag,
            mechanism: d.mechanism,
            simulated: d.simulated,
            heads: d.features?.heads ?? null,
            ...this.read(d),
          })) ?? [],
      ),
      id => standings.find(s => s.disk.id === id)?.trusted ?? false,
    )
    return { family, families, ...bench, drives: bench.drives.toSorted((a, b) => a.name.localeCompare(b.name)) }
  }

  /** Its log, whether a good disk may go into it, and whether one that was in it may be hurt. */
  private read(drive: typeof drivesTable.$inferSelect): { log: LogEntry[]; mayLoad: boolean; hurts: boolean } {
    const log = this.drives.log(drive.id)
    const way = walk(drive, log, Date.now())
    return { log, mayLoad: mayLoadGoodDisk(way), hurts: mayHaveHurtDisks(way) }
  }

  /** What reads in other drives say of one drive: of the disks that it reads or wrote. */
  elsewhere(driveId: string): CaseReading[] {
    const own = readsOnLog(this.drives.get(driveId), this.drives.log(driveId))
    const wrote = new Set(this.shelf.writtenBy(driveId))
    const disks = [...new Set([...own.map(r => r.disk), ...wrote])]
    const others = this.shelf.readers(disks).filter(id => id !== driveId)
    const reads = others
      .map(id => this.drives.get(id))
      .flatMap(d => this.drives.aside.guard(d, () => readsOnLog(d, this.drives.log(d.id))) ?? [])
    return readsElsewhere(driveId, [...own, ...reads.filter(r => disks.includes(r.disk))], wrote)
  }

  /** A read counted by hand goes on the log of the drive that read it. @throws ParameterError */
  keep(driveId: string, input: CrossReadInput): LogEntry {
    const drive = this.drives.get(driveId)
    const sent = this.drives.sent(input.id, drive.id)
    if (sent) return sent
    const disk = this.shelf.find(input.disk)
    if (!disk) throw new ParameterError('unknown disk', 'one of the Shelf', { field: 'disk' })
    return this.drives.append(crossReadEntry(input, drive, disk))
  }
}
