import {
  caseOfLog,
  diagnose,
  findComplaint,
  openComplaints,
  type CaseReading,
  type CheckNeed,
  type Diagnosis,
  type WeighOptions,
} from '../../diagnosis'
import type { DriveFacts, LogEntry } from '../../log'
import type { GateState, NextThing, Walk } from '../stations'

/** A drive's case: what is complained of, what it may be, and what keeps checks from being made. */
export interface DriveCase {
  /** Ids of the complaints that are neither cured nor gone. */
  readonly complaints: readonly string[]
  readonly diagnosis: Diagnosis
  /** The closed safety gate that holds checks back; null where none does. */
  readonly held: GateState | null
}

/** What is known beside the drive's own log. */
export interface KnownBeside extends Pick<WeighOptions, 'factors' | 'knowledge'> {
  /** What reads in other drives say of it. */
  readonly also?: readonly CaseReading[]
}

/** What a closed gate keeps from being done. */
const HELD: Readonly<Record<string, readonly CheckNeed[]>> = {
  'first-power': ['power', 'disk'],
  'insert-disk': ['disk'],
}

/**
 * What a drive's log comes to. Checks behind a closed safety gate are not proposed.
 * @param beside what the workshop's own cases, its edited knowledge and reads in other drives say
 */
export function driveCase(
  drive: DriveFacts,
  log: readonly LogEntry[],
  way: Pick<Walk, 'gates'>,
  beside: KnownBeside = {},
): DriveCase {
  const { also = [], ...known } = beside
  const own = caseOfLog(drive, log)
  const c = { ...own, readings: [...own.readings, ...also] }
  const closed = way.gates.filter(g => !g.open && HELD[g.gate.id])
  const without = [...new Set(closed.flatMap(g => HELD[g.gate.id]!))]
  return { complaints: openComplaints(c), diagnosis: diagnose(c, { ...known, without }), held: closed[0] ?? null }
}

/** Whether anybody complains of a drive: the case is worked out only then. */
export const hasComplaint = (drive: DriveFacts, log: readonly LogEntry[]): boolean =>
  log.some(e => e.data?.type === 'reading' && e.data.key.startsWith('complaint.')) &&
  openComplaints(caseOfLog(drive, log)).length > 0

/** What a case asks the hands to do, as one thing on the bench: the cure where it is cheaper, else the best check. */
export function wantedBy({ complaints, diagnosis }: DriveCase): Pick<NextThing, 'title' | 'reason' | 'minutes'> | null {
  if (complaints.length === 0) return null
  const told = complaints.map(id => findComplaint(id)!.label).join('; ')
  const { cure } = diagnosis
  if (cure) {
    return {
      title: cure.says.replace(/\.$/, ''),
      reason: `${told}. ${diagnosis.reasons.join(' ')}`,
      minutes: cure.minutes,
    }
  }
  const best = diagnosis.next[0]
  return best ? { title: best.title, reason: `${told}. ${best.why}`, minutes: best.minutes } : null
}
