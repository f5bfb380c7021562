import { copyFileSync, existsSync, readFileSync, renameSync, rmSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { and, sql } from 'drizzle-orm'
import { InputError } from '@wobrin/core/base/errors'
import type { MechanismId } from '@wobrin/core/drives'
import { readProcedures, writeProcedures, type Procedure } from '@wobrin/core/bench/procedures'
import { BUILT_IN, type Knowledge, type WeighOptions } from '@wobrin/core/diagnosis'
import { readKnowledge, writeKnowledge } from '@wobrin/core/diagnosis/knowledge-file'
import {
  closedCase,
  factorsOf,
  learnRates,
  readRates,
  writeRates,
  type ClosedCase,
  type LearnedRate,
} from '@wobrin/core/diagnosis/learning'
import type { FileKind, KnowledgeState, RateMove } from '../../shared/knowledge'
import { logLine } from './server-log'
import type { Db } from '../database/db'
import { arrived } from '../database/arrived'
import { logEntries } from '../database/schema'
import type { DriveService } from './drives'

const FILES: Readonly<Record<FileKind, string>> = {
  knowledge: 'knowledge.json',
  rates: 'rates.csv',
  procedures: 'procedures.json',
}
/** The last file that was right, for when somebody edits the other by hand and makes a mistake. */
const accepted = (name: string) => `${name}.accepted`

/** A cause of which less counts is not told as what a case moved. */
const LEAST_WEIGHT = 0.2
/** From here on a case turned out to be it. */
const TURNED_OUT = 0.5

/**
 * What the workshop knows of faults: the program's list or an edited file, and rates that move with every case that is
 * closed here.
 */
export class KnowledgeService {
  private knowledge: Knowledge = BUILT_IN
  private factors: Readonly<Record<string, number>> | null = null
  private procedures: readonly Procedure[] | null = null
  private readonly problems: string[] = []
  private readonly cases = new Map<string, ClosedCase>()
  private readonly complained = new Set<string>()
  private seen = 0
  private rates = new Map<string, LearnedRate[]>()

  constructor(
    private readonly folder: string,
    private readonly db: Db,
    private readonly drives: DriveService,
  ) {
    const knowledge = this.standing('knowledge', text => readKnowledge(text, FILES.knowledge))
    if (knowledge) this.knowledge = knowledge
    this.procedures = this.standing('procedures', text => readProcedures(text, FILES.procedures))
    this.factors = this.standing('rates', text => readRates(text, FILES.rates, this.knowledge.faults))
    drives.whenLogsChange(() => this.forget())
  }

  /** What diagnosis of a drive of a model works from. */
  options(model: string): Pick<WeighOptions, 'factors' | 'knowledge'> {
    const own = this.knowledge === BUILT_IN ? {} : { knowledge: this.knowledge }
    const factors = this.factors ?? (this.closed().length ? factorsOf(this.learned(model)) : null)
    return { ...own, ...(factors ? { factors } : {}) }
  }

  /** How parts are changed here; null where nobody edited that. */
  ownProcedures(): readonly Procedure[] | null {
    return this.procedures
  }

  state(): KnowledgeState {
    const labels = new Map(this.knowledge.faults.map(f => [f.id, f.label]))
    return {
      own: {
        knowledge: this.knowledge !== BUILT_IN,
        rates: this.factors !== null,
        procedures: this.procedures !== null,
      },
      problems: this.problems,
      cases: this.closed().length,
      learned: this.learned('')
        .filter(r => r.seen > 0.05)
        .map(r => ({ ...r, label: labels.get(r.fault) ?? r.fault })),
    }
  }

  written(kind: FileKind): string {
    if (kind === 'knowledge') return writeKnowledge(this.knowledge)
    if (kind === 'procedures') return writeProcedures(this.procedures ?? undefined)
    const { faults } = this.knowledge
    if (!this.factors) return writeRates(this.learned(''), faults)
    const own = faults.map(f => ({ fault: f.id, before: f.odds, now: f.odds * (this.factors![f.id] ?? 1), seen: 0 }))
    return writeRates(own, faults)
  }

  /** Takes a file in. @throws InputError with line and reason; what was in force stays then */
  take(kind: FileKind, text: string, name: string): KnowledgeState {
    if (kind === 'knowledge') this.knowledge = readKnowledge(text, name)
    else if (kind === 'procedures') this.procedures = readProcedures(text, name)
    else this.factors = readRates(text, name, this.knowledge.faults)
    this.keep(kind, text)
    this.forget()
    return this.state()
  }

  /** Back to what the program comes with. */
  drop(kind: FileKind): KnowledgeState {
    for (const name of [FILES[kind], accepted(FILES[kind])]) rmSync(join(this.folder, name), { force: true })
    if (kind === 'knowledge') this.knowledge = BUILT_IN
    else if (kind === 'procedures') this.procedures = null
    else this.factors = null
    this.problems.length = 0
    this.forget()
    return this.state()
  }

  /** Cases that were closed here. Only drives whose log has grown are looked at again. */
  private closed(): ClosedCase[] {
    const grown = this.db
      .select({
        drive: logEntries.driveId,
        last: sql<number>`max(${logEntries.seq})`,
        complaint: sql<number>`max(instr(coalesce(${logEntries.data}, ''), '"complaint.'))`,
      })
      .from(logEntries)
      .where(and(arrived(logEntries.driveId), sql`${logEntries.seq} > ${this.seen}`))
      .groupBy(logEntries.driveId)
      .all()
    for (const { drive, last, complaint } of grown) {
      this.seen = Math.max(this.seen, last)
      if (complaint > 0) this.complained.add(drive)
      if (!this.complained.has(drive)) continue
      const facts = this.drives.get(drive)
      // What was found on a simulated drive says nothing of how often a fault is met.
      const closed = facts.simulated
        ? null
        : this.drives.aside.guard(facts, () => closedCase(facts, this.drives.log(drive), this.knowledge))
      if (closed) this.cases.set(drive, closed)
      else this.cases.delete(drive)
      this.rates.clear()
    }
    return [...this.cases.values()]
  }

  /** Drives of a type whose case was closed by the cure of this fault, in the order in which they were closed. */
  drivesWith(fault: string, mechanism: MechanismId): string[] {
    const cureOf = new Map(this.knowledge.faults.map(f => [f.id, f.cure.says]))
    const cure = cureOf.get(fault)
    const weight = (c: ClosedCase) =>
      c.causes.reduce((sum, x) => sum + (cureOf.get(x.fault) === cure ? x.weight : 0), 0)
    this.closed()
    return [...this.cases].flatMap(([id, c]) => (c.mechanism === mechanism && weight(c) >= TURNED_OUT ? [id] : []))
  }

  /** How a drive's closed case moved the rates of what it turned out to be; empty while it is open. */
  movedBy(driveId: string): RateMove[] {
    const cases = this.closed()
    const own = this.cases.get(driveId)
    if (!own) return []
    const ratesOf = (of: readonly ClosedCase[]) =>
      new Map(learnRates(of, undefined, { knowledge: this.knowledge }).map(r => [r.fault, r.now / r.before]))
    const before = ratesOf(cases.filter(c => c !== own))
    const after = ratesOf(cases)
    return own.causes
      .filter(c => c.weight >= LEAST_WEIGHT)
      .map(c => ({
        fault: c.fault,
        label: this.knowledge.faults.find(f => f.id === c.fault)!.label,
        times: (after.get(c.fault) ?? 1) / (before.get(c.fault) ?? 1),
      }))
  }

  private learned(model: string): LearnedRate[] {
    const cases = this.closed()
    let rates = this.rates.get(model)
    if (!rates) {
      rates = learnRates(cases, undefined, { knowledge: this.knowledge, model })
      this.rates.set(model, rates)
    }
    return rates
  }

  private forget(): void {
    this.seen = 0
    this.cases.clear()
    this.rates.clear()
  }

  private keep(kind: FileKind, text: string): void {
    const path = join(this.folder, FILES[kind])
    const half = join(this.folder, `.incoming-${FILES[kind]}`)
    writeFileSync(half, text, { flush: true })
    renameSync(half, path)
    copyFileSync(path, join(this.folder, accepted(FILES[kind])))
  }

  /** The file in the data folder; where somebody edited a mistake into it, the one that was right before. */
  private standing<T>(kind: FileKind, read: (text: string) => T): T | null {
    for (const name of [FILES[kind], accepted(FILES[kind])]) {
      const path = join(this.folder, name)
      if (!existsSync(path)) continue
      try {
        return read(readFileSync(path, 'utf8'))
      } catch (error) {
        if (!(error instanceof InputError)) throw error
        this.problems.push(error.message)
        logLine('warn', `${error.message} What was in force before stays.`)
      }
    }
    return null
  }
}
