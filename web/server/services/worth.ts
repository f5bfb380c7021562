import { and, count, desc, eq, isNotNull, isNull, sql } from 'drizzle-orm'
import { walk } from '@wobrin/core/bench/stations'
import {
  cureOutlook,
  expectedMinutes,
  USUAL_CHANCE,
  chanceHere,
  type Endings,
  type Pace,
  type Repair,
} from '@wobrin/core/bench/worth'
import { fitOf } from '@wobrin/core/parts'
import { modelKey } from '@wobrin/core/drives/models'
import { handsTime, type DriveFacts, type HandsTime, type LogEntry } from '@wobrin/core/log'
import type { WorthFacts } from '../../shared/worth'
import { arrived } from '../database/arrived'
import { driveStates, drives as drivesTable } from '../database/schema'
import type { Db } from '../database/db'
import type { DriveCases } from './drive-cases'
import type { DriveService } from './drives'
import type { KnowledgeService } from './knowledge'
import type { PartPlaces, PartsAtHand } from './parts'

/** So many drives that left last tell how long things take here, and so many repairs are told of one fault. */
const LATEST = 40
const TOLD = 5

interface Timed extends HandsTime {
  readonly expected: number
  readonly seq: number
}

const isAtHand = (parts: PartsAtHand, drive: DriveFacts, part: string) =>
  parts.likely(part, modelKey(drive)).some(p => fitOf({ part, drive, measures: {} }, p) !== null)

/** Hours and money of drives, by what this workshop has seen. */
export class WorthService {
  /** Times of drives by their ids, as of their last entry. */
  private readonly times = new Map<string, Timed>()

  constructor(
    private readonly db: Db,
    private readonly drives: DriveService,
    private readonly knowledge: KnowledgeService,
    private readonly places: PartPlaces,
    private readonly cases: DriveCases,
  ) {}

  async facts(drive: DriveFacts, nowMs: number): Promise<WorthFacts> {
    const atHand = await this.places.ready()
    const log = this.drives.log(drive.id)
    const endings = this.endings(drive)
    const found = this.cases.of(drive, log, walk(drive, log, nowMs))
    const usual = chanceHere(USUAL_CHANCE[drive.mechanism].value, endings)
    const outlook = cureOutlook(found, usual, part => isAtHand(atHand, drive, part))
    return {
      endings,
      outlook,
      pace: this.pace(drive),
      repairs: outlook?.likely ? this.repairs(drive, outlook.likely.fault) : [],
      spent: this.spentOn(drive),
    }
  }

  /** What a drive took so far, by the times of its log, and what the lists expected for it. */
  spentOn(drive: DriveFacts): NonNullable<WorthFacts['spent']> {
    const { minutes, sittings, expected } = this.timed(drive.id, this.drives.log(drive.id))
    return { minutes, sittings, expected }
  }

  /** How drives of its type ended here. Simulated ones and practice do not count. */
  private endings(drive: DriveFacts): Endings {
    const rows = this.db
      .select({ outcome: driveStates.outcome, n: count() })
      .from(driveStates)
      .innerJoin(drivesTable, eq(drivesTable.id, driveStates.driveId))
      .where(
        and(
          isNotNull(driveStates.outcome),
          eq(drivesTable.mechanism, drive.mechanism),
          eq(drivesTable.simulated, false),
          isNull(drivesTable.practice),
        ),
      )
      .groupBy(driveStates.outcome)
      .all()
    return {
      working: rows.find(r => r.outcome === 'released')?.n ?? 0,
      all: rows.reduce((sum, r) => sum + r.n, 0),
    }
  }

  /** How long things took with the drives that left last, beside what the lists expected. */
  private pace(drive: DriveFacts): Pace {
    const left = this.db
      .select({ id: driveStates.driveId })
      .from(driveStates)
      .innerJoin(drivesTable, eq(drivesTable.id, driveStates.driveId))
      .where(
        and(
          isNotNull(driveStates.outcome),
          eq(drivesTable.simulated, false),
          isNull(drivesTable.practice),
          arrived(drivesTable.id),
        ),
      )
      .orderBy(desc(driveStates.at))
      .limit(LATEST)
      .all()
      .filter(d => d.id !== drive.id)
    const timed = left.flatMap(d => {
      const facts = this.drives.get(d.id)
      return this.drives.aside.guard(facts, () => this.timed(d.id, this.drives.log(d.id))) ?? []
    })
    return {
      expected: timed.reduce((s, t) => s + t.expected, 0),
      taken: timed.reduce((s, t) => s + t.minutes, 0),
      drives: timed.length,
    }
  }

  /** Repairs of one fault on drives of its type, the latest first. */
  private repairs(drive: DriveFacts, fault: string): Repair[] {
    return this.knowledge
      .drivesWith(fault, drive.mechanism)
      .filter(id => id !== drive.id)
      .slice(-TOLD)
      .reverse()
      .map(id => {
        const log = this.drives.log(id)
        const cured = log.findLast(
          e => e.data?.type === 'reading' && e.data.key.startsWith('complaint.') && e.data.value === 'cured',
        )
        return { tag: this.drives.get(id).tag, minutes: this.handsTime(id, cured?.seq).minutes }
      })
  }

  private timed(id: string, log: readonly LogEntry[]): Timed {
    const seq = log.at(-1)?.seq ?? 0
    const known = this.times.get(id)
    if (known?.seq === seq) return known
    const made = { ...this.handsTime(id), expected: expectedMinutes(log), seq }
    this.times.set(id, made)
    return made
  }

  /** Time of hands by the drive's entries; each is held against the one before it in the workshop. */
  private handsTime(id: string, upTo = Number.MAX_SAFE_INTEGER): HandsTime {
    const rows = this.db.all<{ at: string; before: string | null; kind: string | null }>(sql`
      select e.at, p.at as before, p.kind from log_entries e
      left join log_entries p on p.seq = (select max(seq) from log_entries where seq < e.seq)
      where e.drive_id = ${id} and e.seq <= ${upTo} order by e.seq`)
    return handsTime(
      rows.map(r => ({
        atMs: Date.parse(r.at),
        before: r.before === null ? null : { atMs: Date.parse(r.before), wait: r.kind === 'wait' },
      })),
    )
  }
}
