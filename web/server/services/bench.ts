import { desc, eq, isNotNull, isNull, sql } from 'drizzle-orm'
import { callOnBench, caseMinutes, hasComplaint, wantedBy, type DriveCase } from '@wobrin/core/bench/case'
import {
  isUrgent,
  minutesForGoal,
  nextOf,
  ranked,
  stillUntil,
  usedUpBy,
  USUAL_GOAL,
  waitShare,
  walk,
  type RankedThing,
  type Walk,
} from '@wobrin/core/bench/stations'
import { wantsOf, type Want } from '@wobrin/core/parts'
import { driveDay, type DriveDay } from '@wobrin/core/bench/day'
import { lastSpeed, supportingEntries, type DriveFacts, type LogEntry } from '@wobrin/core/log'
import type { Bench, BenchLine, BenchWait } from '../../shared/bench'
import type { BenchDay } from '../../shared/day'
import { driveStates, drives as drivesTable } from '../database/schema'
import { Breaks } from './breaks'
import { DriveCases } from './drive-cases'
import type { DriveService } from './drives'
import type { Db } from '../database/db'

/** Drives that have left are found by search; the bench shows the latest. */
const LEFT_SHOWN = 40

const pick = ({ id, tag, mechanism }: DriveFacts) => ({ id, tag, mechanism })

/** Its case; nothing is worked out where nobody complains. */
const caseOf = (drive: DriveFacts, log: readonly LogEntry[], way: Walk, cases: DriveCases) =>
  !way.progress.outcome && hasComplaint(drive, log) ? cases.of(drive, log, way) : null

/** Works something out when it is first asked for. */
function once<T>(work: () => T): () => T {
  let made: { readonly value: T } | null = null
  return () => (made ??= { value: work() }).value
}

interface OnBench {
  readonly seq: number
  readonly line: BenchLine
  readonly next: RankedThing | null
  /** Its case; null where nobody complains. */
  readonly found: DriveCase | null
  /** What its steps ahead use up. */
  readonly usesUp: readonly string[]
  /** Parts that it needs; worked out when somebody asks. */
  readonly wants: () => readonly Want[]
  readonly waits: readonly (Omit<BenchWait, 'share'> & { readonly startsMs: number })[]
  /** What is to be done on it at a time, milliseconds since 1970. */
  readonly day: (nowMs: number, priority: number) => DriveDay
  /** Time for which it was worked out, and until when it holds where nothing is entered; milliseconds since 1970. */
  readonly from: number
  readonly until: number
}

/** An open drive with its case. */
export interface OpenCase {
  readonly drive: DriveFacts
  readonly found: DriveCase | null
  readonly usesUp: readonly string[]
  readonly wants: () => readonly Want[]
}

/**
 * The bench: every open drive at its station, and what the hands could do next. A drive is walked again only when its
 * log has grown, or time moves it. Others are let in between the drives.
 */
export class BenchService {
  private readonly known = new Map<string, OnBench>()

  constructor(
    private readonly db: Db,
    private readonly drives: DriveService,
    private readonly knownCases: DriveCases = new DriveCases(),
  ) {}

  async at(nowMs: number): Promise<Bench> {
    const breaks = new Breaks()
    const open = await this.worked(
      this.states().where(isNull(driveStates.outcome)).orderBy(drivesTable.tag).all(),
      nowMs,
      breaks,
    )
    const latest = this.states()
      .where(isNotNull(driveStates.outcome))
      .orderBy(desc(driveStates.at))
      .limit(LEFT_SHOWN)
      .all()
    const left = await this.worked(latest, nowMs, breaks)
    const { n: leftInAll } = this.db
      .select({ n: sql<number>`count(*)` })
      .from(driveStates)
      .where(isNotNull(driveStates.outcome))
      .get()!
    const shown = new Set([...open, ...left].map(o => o.line.drive.id))
    for (const id of this.known.keys()) if (!shown.has(id)) this.known.delete(id)
    return {
      next: ranked(open.map(o => o.next)),
      waits: open
        .flatMap(o => o.waits)
        .map(({ startsMs, ...w }) => ({ ...w, share: waitShare(startsMs, Date.parse(w.endsAt), nowMs) }))
        .sort((a, b) => (a.endsAt < b.endsAt ? -1 : 1)),
      lines: [...open, ...left].map(o => o.line),
      leftInAll,
      setAside: this.drives.aside.list(),
    }
  }

  /** What is to be done on the open drives; those that were made to practise are not work. */
  async day(nowMs: number): Promise<Omit<BenchDay, 'ahead'>> {
    const rows = this.states().where(isNull(driveStates.outcome)).orderBy(drivesTable.tag).all()
    const worked = await this.worked(
      rows.filter(r => !r.drive.practice),
      nowMs,
      new Breaks(),
    )
    // What would be done next across the bench is rather done today.
    const order = ranked(worked.map(o => o.next)).map(n => n.driveId)
    const priorityOf = (id: string) => (order.includes(id) ? 1 - order.indexOf(id) / order.length : 0)
    const days = worked.map(o => o.day(nowMs, priorityOf(o.line.drive.id)))
    return { tasks: days.flatMap(d => d.tasks), heldBack: days.flatMap(d => d.heldBack ?? []) }
  }

  /** Open drives with their cases; those that were made to practise are left out. */
  async cases(nowMs: number): Promise<OpenCase[]> {
    const rows = this.states().where(isNull(driveStates.outcome)).orderBy(drivesTable.tag).all()
    const worked = await this.worked(
      rows.filter(r => !r.drive.practice),
      nowMs,
      new Breaks(),
    )
    return worked.map(o => ({ drive: o.line.drive, found: o.found, usesUp: o.usesUp, wants: o.wants }))
  }

  private states() {
    return this.db
      .select({ drive: drivesTable, seq: driveStates.seq })
      .from(driveStates)
      .innerJoin(drivesTable, eq(drivesTable.id, driveStates.driveId))
      .$dynamic()
  }

  private async worked(
    rows: readonly { readonly drive: DriveFacts; readonly seq: number }[],
    nowMs: number,
    breaks: Breaks,
  ): Promise<OnBench[]> {
    const made: OnBench[] = []
    for (const r of rows) {
      await breaks.whereDue()
      made.push(...(this.drives.aside.guard(r.drive, () => [this.onBench(r.drive, r.seq, nowMs)]) ?? []))
    }
    return made
  }

  /** Works it out before anybody asks. What goes wrong shows when somebody does. */
  async warm(): Promise<void> {
    await this.at(Date.now()).catch(() => undefined)
  }

  private onBench(drive: DriveFacts, seq: number, nowMs: number): OnBench {
    const known = this.known.get(drive.id)
    if (known?.seq === seq && known.from <= nowMs && nowMs < known.until) return known
    const log = this.drives.log(drive.id)
    const way = walk(drive, log, nowMs)
    const { current, done, call, outcome } = way.progress
    const found = caseOf(drive, log, way, this.knownCases)
    const next = nextOf({ ...pick(drive), log, way, wanted: found && wantedBy(found) })
    const made: OnBench = {
      seq,
      from: nowMs,
      until: stillUntil(log, way, nowMs),
      day: (now, priority) => driveDay({ ...pick(drive), way, found, priority, urgent: isUrgent(next) }, now),
      next,
      found,
      usesUp: outcome ? [] : usedUpBy(way),
      wants: once(() => (outcome ? [] : wantsOf(drive, log, found?.diagnosis ?? null))),
      waits: outcome
        ? []
        : way.waits.map(({ entry, what, endsAt, over }) => ({
            driveId: drive.id,
            tag: drive.tag,
            entryId: entry.id,
            what,
            startsMs: Date.parse(entry.at),
            endsAt,
            over,
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
