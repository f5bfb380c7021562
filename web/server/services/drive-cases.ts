import { driveCase, type DriveCase, type KnownBeside } from '@wobrin/core/bench/case'
import type { Walk } from '@wobrin/core/bench/stations'
import type { DriveFacts, LogEntry } from '@wobrin/core/log'

/** So many cases are kept at hand: those of a bench that is full, a few times over. */
const MOST = 500

type Way = Pick<Walk, 'gates'>

interface Kept {
  readonly from: string
  readonly knowledge: KnownBeside['knowledge']
  readonly found: DriveCase
}

/**
 * Cases of drives. One is worked out again only when something of what it comes from is another: the drive's facts, its
 * log, its safety gates, or what is known beside its log.
 */
export class DriveCases {
  /** The one asked for last comes last. */
  private readonly kept = new Map<string, Kept>()

  /** @param beside what is known of a drive beside its own log */
  constructor(private readonly beside: (drive: DriveFacts) => KnownBeside = () => ({})) {}

  of(drive: DriveFacts, log: readonly LogEntry[], way: Way): DriveCase {
    const known = this.beside(drive)
    const { knowledge, ...rest } = known
    // Entries are only ever added; where one was erased, everything is forgotten.
    const from = JSON.stringify([drive, log.length, log.at(-1)?.id, way.gates, rest])
    const before = this.kept.get(drive.id)
    const made =
      before?.from === from && before.knowledge === knowledge
        ? before
        : { from, knowledge, found: driveCase(drive, log, way, known) }
    this.keep(drive.id, made)
    return made.found
  }

  /** Its case where some checks cannot be made. */
  without(skip: ReadonlySet<string>, drive: DriveFacts, log: readonly LogEntry[], way: Way): DriveCase {
    return skip.size ? driveCase(drive, log, way, { ...this.beside(drive), skip }) : this.of(drive, log, way)
  }

  forget(): void {
    this.kept.clear()
  }

  private keep(id: string, made: Kept): void {
    this.kept.delete(id)
    this.kept.set(id, made)
    const [oldest] = this.kept.keys()
    if (this.kept.size > MOST) this.kept.delete(oldest!)
  }
}
