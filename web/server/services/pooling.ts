import { asc, eq, isNull, or } from 'drizzle-orm'
import { poolWorkshop, type ModelPool, type PoolDrive } from '@wobrin/core/bench/pool'
import { driveStates, drives as drivesTable } from '../database/schema'
import type { Db } from '../database/db'
import { Breaks } from './breaks'
import type { DonorShelf } from './donor-shelf'
import type { DriveService } from './drives'

/** Far more drives than a workshop has open or stripped; the rest is not looked at. */
const MOST = 300

/** Which drives of the workshop can be made to work with the good parts of the others. */
export class PoolService {
  constructor(
    private readonly db: Db,
    private readonly drives: DriveService,
    private readonly donors: DonorShelf,
  ) {}

  /** Open drives and those that were stripped for parts; practice drives have no parts. */
  async models(): Promise<ModelPool[]> {
    const breaks = new Breaks()
    const rows = this.db
      .select({ drive: drivesTable })
      .from(driveStates)
      .innerJoin(drivesTable, eq(drivesTable.id, driveStates.driveId))
      .where(or(isNull(driveStates.outcome), eq(driveStates.outcome, 'parts')))
      .orderBy(asc(drivesTable.tag))
      .limit(MOST)
      .all()
    const gone = this.gone()
    const there: PoolDrive[] = []
    for (const { drive } of rows) {
      if (drive.practice) continue
      await breaks.whereDue()
      const log = this.drives.aside.guard(drive, () => this.drives.log(drive.id))
      if (log) there.push({ drive, log, gone: gone.get(drive.id) ?? new Set() })
    }
    return poolWorkshop(there)
  }

  /** Parts of donors that are in other drives. */
  private gone(): Map<string, ReadonlySet<string>> {
    return new Map(
      this.donors.list().map(d => [d.driveId, new Set(d.parts.filter(p => p.wentTo !== null).map(p => p.id))]),
    )
  }
}
