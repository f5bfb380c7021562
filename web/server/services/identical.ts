import { eq } from 'drizzle-orm'
import {
  compareDrives,
  comparedReadings,
  isShownToWork,
  levelOf,
  likenessOf,
  whatItWas,
  type LoggedDrive,
} from '@wobrin/core/bench/identical'
import type { CaseReading } from '@wobrin/core/diagnosis'
import { modelKey, type ModelSheet } from '@wobrin/core/drives/models'
import type { DriveFacts } from '@wobrin/core/log'
import type { IdenticalDrive, ModelView } from '../../shared/identical'
import type { Db } from '../database/db'
import { drives as drivesTable, driveStates } from '../database/schema'
import type { DriveService } from './drives'
import type { ProfileService } from './profiles'

/** More drives of one model are not looked at. */
const MOST = 40

/** Drives of one model: what they show beside one another, and what is remembered of the model. */
export class IdenticalService {
  constructor(
    private readonly db: Db,
    private readonly drives: DriveService,
    private readonly profiles: ProfileService,
  ) {}

  view(drive: DriveFacts): ModelView {
    const like = this.like(drive)
    const outcomes = new Map(
      this.db
        .select({ id: driveStates.driveId, outcome: driveStates.outcome })
        .from(driveStates)
        .all()
        .map(s => [s.id, s.outcome]),
    )
    const drives = like
      .map((other): IdenticalDrive => {
        const { id, tag, mechanism, maker, model } = other.drive
        const level = levelOf(other)
        return {
          id,
          tag,
          mechanism,
          maker,
          model,
          likeness: likenessOf(drive, other.drive)!,
          level,
          works: isShownToWork(other, level),
          outcome: outcomes.get(id) ?? null,
        }
      })
      .sort(
        (a, b) =>
          Number(b.likeness === 'identical') - Number(a.likeness === 'identical') || Number(b.works) - Number(a.works),
      )
    const identical = like.filter(l => likenessOf(drive, l.drive) === 'identical')
    return { sheet: this.sheetOf(drive), drives, was: whatItWas(identical) }
  }

  /** What differs from identical drives that work, at test points that tell of a part. */
  evidence(drive: DriveFacts): CaseReading[] {
    const sheet = this.sheetOf(drive)?.sheet
    if (!sheet?.points.some(p => p.part)) return []
    const mine = { drive, log: this.drives.log(drive.id) }
    const other = this.like(drive).find(o => likenessOf(drive, o.drive) === 'identical' && isShownToWork(o))
    return other ? comparedReadings(compareDrives(mine, other, sheet)) : []
  }

  private sheetOf(drive: DriveFacts): { id: string; sheet: ModelSheet } | null {
    const key = modelKey(drive)
    if (key === null) return null
    for (const { id, profile } of this.profiles.list())
      if (profile.format === 'wobrin-model-sheet' && modelKey(profile) === key) return { id, sheet: profile }
    return null
  }

  private like(drive: DriveFacts): LoggedDrive[] {
    if (modelKey(drive) === null) return []
    return this.db
      .select()
      .from(drivesTable)
      .where(eq(drivesTable.mechanism, drive.mechanism))
      .all()
      .filter(d => likenessOf(drive, d) !== null)
      .slice(0, MOST)
      .flatMap(d => this.drives.aside.guard(d, () => ({ drive: d, log: this.drives.log(d.id) })) ?? [])
  }
}
