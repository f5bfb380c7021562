import { and, asc, eq, sql } from 'drizzle-orm'
import { beltNeed, isBeltCalculator, orderBelts, serveFromShelf } from '@wobrin/core/bench/belts'
import { findCalculator } from '@wobrin/core/calculators/registry'
import { InputError } from '@wobrin/core/base/errors'
import { standingEntries } from '@wobrin/core/log'
import { readValues } from '@wobrin/core/calculators/calculator'
import type { BeltInput, BeltShelfView, DriveBelt, KeptBelt } from '../../shared/belts'
import { belts, logEntries } from '../database/schema'
import { arrived } from '../database/arrived'
import type { DriveService } from './drives'
import type { Db } from '../database/db'

/** Belts at hand, what the drives on the bench want, and what is to be ordered. */
export class BeltShelf {
  constructor(
    private readonly db: Db,
    private readonly drives: DriveService,
  ) {}

  view(): BeltShelfView {
    const wanted = this.wanted()
    const all = this.db.select().from(belts).orderBy(asc(belts.insideMm)).all()
    const { served, unserved } = serveFromShelf(
      wanted.filter(d => !d.settled && !d.closed).map(d => d.need),
      all.filter(b => b.gone === null),
    )
    return {
      belts: all,
      drives: wanted,
      served: served.map(s => ({ drive: s.need.drive, belt: s.belt.id })),
      orders: orderBelts(unserved),
    }
  }

  /** Keeps a belt under the id that its sender made: a new one, or in place of what stood there. */
  put(id: string, belt: BeltInput, now: string): KeptBelt {
    this.db
      .insert(belts)
      .values({ id, ...belt, addedAt: now })
      .onConflictDoUpdate({ target: belts.id, set: belt })
      .run()
    return this.find(id)!
  }

  /** A belt as it is kept; null where there is none of this id. */
  find(id: string): KeptBelt | null {
    return this.db.select().from(belts).where(eq(belts.id, id)).get() ?? null
  }

  /** Every drive whose belt was worked out and kept, from its log; sizes that cannot be any more are passed over. */
  private wanted(): DriveBelt[] {
    const here = this.db
      .selectDistinct({ id: logEntries.driveId })
      .from(logEntries)
      .where(
        and(
          arrived(logEntries.driveId),
          sql`json_extract(${logEntries.data}, '$.type') = 'sum' and json_extract(${logEntries.data}, '$.instrument') in ('belt', 'belt-remains')`,
        ),
      )
      .all()
      .map(r => r.id)
    return here
      .map(id => this.drives.get(id))
      .sort((a, b) => a.tag.localeCompare(b.tag))
      .flatMap((drive): DriveBelt[] => {
        const log = standingEntries(this.drives.log(drive.id))
        const last = log.findLast(e => e.data?.type === 'sum' && isBeltCalculator(e.data.instrument))
        if (last?.data?.type !== 'sum' || !isBeltCalculator(last.data.instrument)) return []
        const { instrument, values } = last.data
        try {
          return [
            {
              driveId: drive.id,
              need: beltNeed(drive.tag, readValues(findCalculator(instrument), values), instrument),
              settled: last.call?.kind === 'leave',
              closed: log.some(e => e.kind === 'released'),
            },
          ]
        } catch (error) {
          if (error instanceof InputError) return []
          throw error
        }
      })
  }
}
