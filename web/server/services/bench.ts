import { and, desc, eq, isNotNull, isNull, sql } from 'drizzle-orm'
import { callOnBench, caseMinutes, driveCase, hasComplaint, wantedBy, type KnownBeside } from '@wobrin/core/bench/case'
import {
  minutesForGoal,
  nextOf,
  ranked,
  USUAL_GOAL,
  walk,
  type RankedThing,
  type Walk,
} from '@wobrin/core/bench/stations'
import { lastSpeed, supportingEntries, type DriveFacts, type LogEntry } from '@wobrin/core/log'
import type { Bench, BenchLine, BenchWait } from '../../shared/bench'
import { driveStates, drives as drivesTable } from '../database/schema'
import type { DriveService } from './drives'
import type { Db } from '../database/db'

/** Drives that have left are found by search; the bench shows the latest. */
const LEFT_SHOWN = 40
/** Waits run down and sittings end: what was said within this time is worked out anew each time. */
const STILL_MOVING_MS = 4 * 3_600_000

const pick = ({ id, tag, mechanism }: DriveFacts) => ({ id, tag, mechanism })

/** Its case; nothing is worked out where nobody complains. */
const caseOf = (drive: DriveFacts, log: readonly LogEntry[], way: Walk, known: Known) =>
  !way.progress.outcome && hasComplaint(drive, log) ? driveCase(drive, log, way, known(drive)) : null

/** What is known beside the log of a drive. */
type Known = (drive: DriveFacts) => KnownBeside

interface OnBench {
  readonly seq: number
  readonly line: BenchLine
  readonly next: RankedThing | null
  readonly waits: readonly BenchWait[]
  readonly moving: boolean
}

/**
 * The bench: every open drive at its station, and what the hands could do next. A drive is walked again only when its
 * log has grown, or time moves it.
 */
export class BenchService {
  private readonly known = new Map<string, OnBench>()

  constructor(
    private readonly db: Db,
    private readonly drives: DriveService,
    private readonly knownOf: Known = () => ({}),
  ) {}

  at(nowMs: number): Bench {
    const rows = this.db
      .select({ drive: drivesTable, seq: driveStates.seq, at: driveStates.at })
      .from(driveStates)
      .innerJoin(drivesTable, eq(drivesTable.id, driveStates.driveId))
      .where(isNull(driveStates.outcome))
      .orderBy(drivesTable.tag)
      .all()
    const bench = (r: (typeof rows)[number]) =>
      this.drives.aside.guard(r.drive, () => this.onBench(r.drive, r.seq, r.at, nowMs)) ?? []
    const open = rows.flatMap(bench)
    const left = this.db
      .select({ drive: drivesTable, seq: driveStates.seq, at: driveStates.at })
      .from(driveStates)
      .innerJoin(drivesTable, eq(drivesTable.id, driveStates.driveId))
      .where(and(isNotNull(driveStates.outcome)))
      .orderBy(desc(driveStates.at))
      .limit(LEFT_SHOWN)
      .all()
      .flatMap(bench)
    const { n: leftInAll } = this.db
      .select({ n: sql<number>`count(*)` })
      .from(driveStates)
      .where(isNotNull(driveStates.outcome))
      .get()!
    const shown = new Set([...open, ...left].map(o => o.line.drive.id))
    for (const id of this.known.keys()) if (!shown.has(id)) this.known.delete(id)
    return {
      next: ranked(open.map(o => o.next)),
      waits: open.flatMap(o => o.waits).sort((a, b) => (a.endsAt < b.endsAt ? -1 : 1)),
      lines: [...open, ...left].map(o => o.line),
      leftInAll,
      setAside: this.drives.aside.list(),
    }
  }

  private onBench(drive: DriveFacts, seq: number, at: string, nowMs: number): OnBench {
    const known = this.known.get(drive.id)
    if (known?.seq === seq && !known.moving) return known
    const log = this.drives.log(drive.id)
    const way = walk(drive, log, nowMs)
    const { current, done, call, outcome } = way.progress
    const found = caseOf(drive, log, way, this.knownOf)
    const made: OnBench = {
      seq,
      moving: way.waits.length > 0 || nowMs - Date.parse(at) < STILL_MOVING_MS,
      next: nextOf({ ...pick(drive), log, way, wanted: found && wantedBy(found) }),
      waits: outcome
        ? []
        : way.waits.map(({ entry, holds: _, ...wait }) => ({
            ...wait,
            driveId: drive.id,
            tag: drive.tag,
            entryId: entry.id,
          })),
      line: {
        drive,
        current,
        done: [...done],
        call: callOnBench(call, found),
        outcome,
        goal: drive.goal ?? USUAL_GOAL,
        minutesToGo: minutesForGoal(way) + (found ? caseMinutes(found) : 0),
        rpm: lastSpeed(supportingEntries(log, drive))?.rpm ?? null,
        closed: way.gates
          .filter(g => g.forbiddenHere)
          .map(g => ({ gate: g.gate.id, label: g.gate.label, reason: g.missing.find(m => m.finding)!.sentence })),
      },
    }
    this.known.set(drive.id, made)
    return made
  }
}
