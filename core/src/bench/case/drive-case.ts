import {
  caseOfLog,
  diagnose,
  findComplaint,
  findFault,
  openComplaints,
  type CaseReading,
  type Diagnosis,
  type WeighOptions,
} from '../../diagnosis'
import { lowerFirst, type CallKind } from '../../base/observations'
import { inMachine, supportingEntries, type DriveFacts, type LogEntry } from '../../log'
import { carriedComplaints, type Carried } from './carried'
import { fittedUntold, type FittedUntold } from './fitted-untold'
import { closedGates, keptFrom, type GateState, type NextThing, type Walk } from '../stations'

/** A drive's case: what is complained of, what it may be, and what keeps checks from being made. */
export interface DriveCase {
  /** Ids of the complaints that are neither cured nor gone. */
  readonly complaints: readonly string[]
  /** Those of them that were not tried again since something was said to help. */
  readonly toSettle: readonly string[]
  /** Complaints that came with the place of another drive; null where it has nobody's place. */
  readonly carried: Carried | null
  /** A part that was fitted, and of which is to be said what came of it; null where there is none. */
  readonly fitted: FittedUntold | null
  readonly diagnosis: Diagnosis
  /** The closed safety gate that holds checks back; null where none does. */
  readonly held: GateState | null
  /** What would be checked best lies behind looks that nobody has made yet: they come first. */
  readonly looksFirst: boolean
}

/** What is known beside the drive's own log. */
export interface KnownBeside extends Pick<WeighOptions, 'factors' | 'carried' | 'knowledge' | 'skip'> {
  /** What reads in other drives say of it. */
  readonly also?: readonly CaseReading[]
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
  const entries = supportingEntries(log, drive)
  const carried = carriedComplaints(entries)
  const untried = carried?.untried ?? []
  const complaints = [...new Set([...openComplaints(c), ...untried])]
  const diagnosis = diagnose(c, { ...known, without: keptFrom(way.gates) })
  const held = closedGates(way.gates)[0] ?? null
  return {
    complaints,
    toSettle: [...new Set([...untriedSince(openComplaints(c), entries), ...(held ? [] : untried)])],
    carried,
    fitted: complaints.length && !held ? fittedUntold(entries) : null,
    diagnosis,
    held,
    looksFirst:
      held !== null &&
      !held.forbidden &&
      (untried.length > 0 || (diagnosis.behind !== null && diagnosis.cure === null)),
  }
}

/** After what helped, the drive does what it did not do before, or does something else wrong. */
const HELPED: readonly unknown[] = ['cures', 'better']

/** Complaints of which nothing was said since something that was done helped. */
function untriedSince(complaints: readonly string[], entries: readonly LogEntry[]): string[] {
  const readings = entries.flatMap(e => (e.data?.type === 'reading' ? [{ seq: e.seq, ...e.data }] : []))
  const helped = readings.findLast(r => /^(?:after|swap)\./.test(r.key) && HELPED.includes(r.value))
  if (!helped) return []
  return complaints.filter(id => !readings.some(r => r.key === `complaint.${id}` && r.seq > helped.seq))
}

/** Whether anybody complains of a drive, or of the machine that it went into: the case is worked out only then. */
export const hasComplaint = (drive: DriveFacts, log: readonly LogEntry[]): boolean =>
  (log.some(e => e.data?.type === 'reading' && e.data.key.startsWith('complaint.')) &&
    openComplaints(caseOfLog(drive, log)).length > 0) ||
  (inMachine(log).replaces !== null && (carriedComplaints(supportingEntries(log, drive))?.untried.length ?? 0) > 0)

/** What a case wants done, as a thing on the bench. */
type Wanted = Pick<NextThing, 'title' | 'reason' | 'minutes'>

/** A safety look takes about so long. */
export const LOOK_MINUTES = 1.5

/** Trying a drive again takes about so long. */
const TRY_AGAIN_MINUTES = 3

/** Why a complaint is to be tried again. */
export const whySettled = ({ carried }: DriveCase, id: string): string =>
  carried?.untried.includes(id)
    ? `This drive has the place of ${carried.from} now.`
    : 'What helped counts once the complaint itself was tried again.'

/** What comes once the safety looks are made. */
export const behindLooks = ({ diagnosis }: DriveCase): string => diagnosis.behind?.title ?? 'Try it in its machine'

/** What a case asks the hands to do, as one thing on the bench: the cure where it is cheaper, else the best check. */
export function wantedBy(found: DriveCase): Wanted | null {
  const { complaints, toSettle, diagnosis, held, looksFirst } = found
  if (complaints.length === 0) return null
  if (toSettle.length)
    return {
      title: 'Try it again, and say whether it is cured',
      reason: `${whySettled(found, toSettle[0]!)} ${toSettle.map(id => findComplaint(id)!.label).join('; ')}.`,
      minutes: TRY_AGAIN_MINUTES,
    }
  const told = complaints.map(id => findComplaint(id)!.label).join('; ')
  if (found.fitted)
    return {
      title: `Try it with the other ${lowerFirst(found.fitted.label)}, and say what came of it`,
      reason: `${told}. The ${lowerFirst(found.fitted.label)} was changed, and nobody said whether that cured it.`,
      minutes: TRY_AGAIN_MINUTES,
    }
  if (looksFirst)
    return {
      title: `Make the safety looks: ${lowerFirst(held!.gate.label)}`,
      reason: `${told}. Then: ${lowerFirst(behindLooks(found))}.`,
      minutes: held!.missing.length * LOOK_MINUTES,
    }
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

/** What trying a check tells is never all: so often its answer asks for one more (from memory). */
const CHECKS_TO_COME = 2

/**
 * Minutes of hands that a case is expected to take: looks and checks on the way to the cause, the cure, weighed by how
 * likely each is, and trying it again. Rough; 0 where nothing is complained of.
 */
export function caseMinutes({ complaints, toSettle, fitted, diagnosis, held, looksFirst }: DriveCase): number {
  if (complaints.length === 0) return 0
  if (toSettle.length || fitted) return TRY_AGAIN_MINUTES
  if (diagnosis.cure) return diagnosis.cure.minutes + TRY_AGAIN_MINUTES
  const looks = looksFirst ? held!.missing.length * LOOK_MINUTES : 0
  const check = (looksFirst ? diagnosis.behind : diagnosis.next[0])?.minutes ?? 0
  const there = diagnosis.causes.map(c => ({
    p: c.probability * c.left,
    minutes: findFault(c.fault)?.cure.minutes ?? 0,
  }))
  const all = there.reduce((sum, c) => sum + c.p, 0)
  const cure = all > 0 ? there.reduce((sum, c) => sum + c.p * c.minutes, 0) / all : 0
  return Math.round(looks + CHECKS_TO_COME * check + cure + TRY_AGAIN_MINUTES)
}

/** The call on a drive: a *Stop* that was found, else its case's while something is complained of, else its way's. */
export const callOnBench = (walked: CallKind | null, found: DriveCase | null): CallKind | null =>
  walked === 'stop' || !found || found.complaints.length === 0
    ? walked
    : found.toSettle.length
      ? 'unknown'
      : found.diagnosis.call
