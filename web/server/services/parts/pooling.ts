import { asc, eq, isNull, or } from 'drizzle-orm'
import { poolWorkshop, type ModelPool, type PoolDrive, type PoolSpare } from '@wobrin/core/bench/pool'
import { driveStates, drives as drivesTable } from '../../database/schema'
import type { Db } from '../../database/db'
import type { BenchService } from '../bench'
import { Breaks } from '../breaks'
import type { DriveService } from '../drives'
import type { PartLogs } from './part-logs'
import type { PartPlaces } from './part-places'

/** Far more drives than a workshop has open, stripped or in use of the models at hand; the rest is not looked at. */
const MOST = 300

/** Which drives of the workshop can be made to work with the good parts of the others, and of the shelf. */
export class PoolService {
  constructor(
    private readonly db: Db,
    private readonly drives: DriveService,
    private readonly bench: BenchService,
    private readonly logs: PartLogs,
    private readonly places: PartPlaces,
  ) {}

  /**
   * Open drives, those that were stripped, and those in use; practice drives have no parts.
   * @param allowed ids of drives in use from which parts may be taken
   */
  async models(nowMs: number, allowed: readonly string[] = []): Promise<ModelPool[]> {
    const breaks = new Breaks()
    const cases = new Map((await this.bench.cases(nowMs)).map(c => [c.drive.id, c.found]))
    const { outcome } = driveStates
    const rows = this.db
      .select({ drive: drivesTable, outcome })
      .from(driveStates)
      .innerJoin(drivesTable, eq(drivesTable.id, driveStates.driveId))
      .where(or(isNull(outcome), eq(outcome, 'parts'), eq(outcome, 'released')))
      // Open ones first: where there are too many, drives in use are left out.
      .orderBy(asc(outcome), asc(drivesTable.tag))
      .limit(MOST)
      .all()
    const gone = this.gone()
    const there: PoolDrive[] = []
    for (const { drive, outcome: how } of rows) {
      if (drive.practice) continue
      await breaks.whereDue()
      const log = this.drives.aside.guard(drive, () => this.drives.log(drive.id))
      if (log)
        there.push({
          drive,
          log,
          found: cases.get(drive.id)?.diagnosis ?? null,
          inUse: how === 'released',
          gone: gone.get(drive.id) ?? new Set(),
        })
    }
    return poolWorkshop(there, await this.spares(), allowed)
  }

  private async spares(): Promise<PoolSpare[]> {
    const { all } = await this.places.ready()
    return all.flatMap((p): PoolSpare[] => {
      if (!p.spare || !p.model || p.place !== 'shelf') return []
      const one = { name: p.where || p.label, part: p.part, model: p.model, tested: p.known === 'tested' }
      return [{ id: p.spare, ...one }]
    })
  }

  /** Parts of donors that are in other drives, by the donor. */
  private gone(): Map<string, Set<string>> {
    const donorOf = new Map(this.logs.strippedDrives().map(s => [s.release, s.driveId]))
    const gone = new Map<string, Set<string>>()
    for (const { release, part } of this.logs.usedParts()) {
      const donor = donorOf.get(release)
      if (donor) gone.set(donor, (gone.get(donor) ?? new Set()).add(part))
    }
    return gone
  }
}
