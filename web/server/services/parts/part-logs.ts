import { and, asc, gt, inArray, isNotNull, lte, max, or, type SQL } from 'drizzle-orm'
import type { LogEntry, PartLeft } from '@wobrin/core/log'
import { logEntries, MOVES_PARTS, PART_MOVES } from '../../database/schema'
import { arrived } from '../../database/arrived'
import type { Db } from '../../database/db'
import type { Breaks } from '../breaks'

/** Entries that are read between two looks whether others wait. */
const AT_ONCE = 200

const TAKES_BACK = isNotNull(logEntries.takesBack)

/** A drive that was stripped for parts, as its release says. */
export interface Stripped {
  readonly release: string
  readonly driveId: string
  readonly at: string
  readonly remark: string
  readonly parts: readonly PartLeft[]
}

/** A part that left the place where it was. */
export interface Moved {
  readonly entry: string
  /** Drive on whose log it stands. */
  readonly driveId: string
  readonly at: string
  readonly part: string
}
export type Used = Moved & { readonly release: string }
export type Fitted = Moved & { readonly spare: string }
export type Lent = Moved & { readonly to: { readonly id: string; readonly tag: string } }

/**
 * What the logs of all drives say of where parts are: few entries among many. They are read once; after that only what
 * came since.
 */
export class PartLogs {
  private seq = 0
  private read = false
  private readonly stripped = new Map<string, Stripped>()
  private readonly used = new Map<string, Used>()
  private readonly fitted = new Map<string, Fitted>()
  private readonly lent = new Map<string, Lent>()
  private readonly back = new Map<string, string>()
  private readonly takenBack = new Set<string>()
  /** The last entry that corrected what a drive is, of those since the first reading. */
  private readonly corrected = new Map<string, number>()
  /** How often everything was forgotten. */
  forgotten = 0
  /** Grows whenever where a part is has changed. */
  changes = 0

  constructor(private readonly db: Db) {}

  /** Reads everything anew: logs changed otherwise than at their ends. */
  forget(): void {
    const all = [this.stripped, this.used, this.fitted, this.lent, this.back, this.takenBack, this.corrected]
    for (const each of all) each.clear()
    this.seq = 0
    this.read = false
    this.forgotten++
    this.changes++
  }

  /** Drives that are stripped for parts, the latest first. */
  strippedDrives(): Stripped[] {
    return this.standing(this.stripped).reverse()
  }

  /** Parts of donors that are in other drives. */
  usedParts(): Used[] {
    return this.standing(this.used)
  }

  /** Parts of the shelf that are in drives. */
  fittedSpares(): Fitted[] {
    return this.standing(this.fitted)
  }

  /** Parts that drives lent, and that are neither back nor replaced. */
  lentParts(): Lent[] {
    const back = new Set(this.standing(this.back))
    return this.standing(this.lent).filter(l => !back.has(l.entry))
  }

  /** Changes whenever what a drive is was corrected. */
  factsOf(driveId: string): number {
    return this.corrected.get(driveId) ?? 0
  }

  private standing<T>(all: ReadonlyMap<string, T>): T[] {
    this.catchUp()
    return [...all].flatMap(([id, what]) => (this.takenBack.has(id) ? [] : [what]))
  }

  /** Reads what came since. */
  catchUp(): void {
    const newest = this.newest()
    if (this.read && newest === this.seq) return
    const rows = this.read ? this.since(this.seq) : [...this.rows(MOVES_PARTS), ...this.rows(TAKES_BACK)]
    this.keep(rows, newest)
  }

  /** The same, letting others in while everything is read for the first time. */
  async catchUpInSlices(breaks: Breaks): Promise<void> {
    const [newest, before] = [this.newest(), this.forgotten]
    let rows: LogEntry[] = []
    for (let from = 0; !this.read; from = rows.at(-1)!.seq) {
      rows = this.rows(and(MOVES_PARTS, gt(logEntries.seq, from), lte(logEntries.seq, newest))!, AT_ONCE)
      for (const row of rows) this.take(row)
      if (rows.length < AT_ONCE) break
      await breaks.whereDue()
      if (this.forgotten !== before) return this.catchUpInSlices(breaks)
    }
    // Somebody may have read everything meanwhile.
    // What takes back is little: an index finds it, and would not in part of the log.
    if (!this.read) this.keep(this.rows(TAKES_BACK), newest)
    this.catchUp()
  }

  /** @param newest everything up to there is read then */
  private keep(rows: readonly LogEntry[], newest: number): void {
    for (const row of rows) this.take(row)
    this.seq = newest
    this.read = true
    if (rows.length) this.changes++
  }

  private newest(): number {
    return (
      this.db
        .select({ seq: max(logEntries.seq) })
        .from(logEntries)
        .get()!.seq ?? 0
    )
  }

  /** New entries; corrected facts among them, as parts are found by the model that they come from. */
  private since(seq: number): LogEntry[] {
    const told = or(inArray(logEntries.kind, [...PART_MOVES, 'facts']), isNotNull(logEntries.takesBack))
    return this.rows(and(gt(logEntries.seq, seq), told)!)
  }

  private rows(which: SQL, most = -1): LogEntry[] {
    return this.db
      .select()
      .from(logEntries)
      .where(and(which, arrived(logEntries.driveId)))
      .orderBy(asc(logEntries.seq))
      .limit(most)
      .all()
  }

  private take({ id, seq, kind, driveId, at, detail, data, takesBack }: LogEntry): void {
    if (takesBack) this.takenBack.add(takesBack)
    if (kind === 'facts') this.corrected.set(driveId, seq)
    const moved = { entry: id, driveId, at }
    if (data?.type === 'release' && data.parts?.length)
      this.stripped.set(id, { release: id, driveId, at, remark: detail, parts: data.parts })
    else if (data?.type === 'part-used') this.used.set(id, { ...moved, part: data.part, release: data.release })
    else if (data?.type === 'part-fitted' && data.from.kind === 'spare')
      this.fitted.set(id, { ...moved, part: data.part, spare: data.from.id })
    else if (data?.type === 'part-lent') this.lent.set(id, { ...moved, part: data.part, to: data.to })
    else if (data?.type === 'part-back') this.back.set(id, data.lent)
  }
}
