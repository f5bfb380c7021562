import { findMechanism } from '../../drives'
import { caseOfLog, openComplaints } from '../../diagnosis'
import { inMachine, supportingEntries, type DriveFacts, type LogEntry } from '../../log'
import { carriedComplaints } from '../case'
import { progressOf } from '../stations'

/** A drive with its log. */
export interface OnFile {
  readonly drive: DriveFacts
  readonly log: readonly LogEntry[]
}

/** Complaints that are open on a drive, those of its machine that were not tried yet among them. */
export function complaintsToPass({ drive, log }: OnFile): string[] {
  const untried = carriedComplaints(supportingEntries(log, drive))?.untried ?? []
  return [...new Set([...openComplaints(caseOfLog(drive, log)), ...untried])]
}

/**
 * Why a drive cannot go into the machine of another one; null where it can.
 */
export function whyNot(old: OnFile, other: OnFile): string | null {
  const { tag } = other.drive
  if (other.drive.id === old.drive.id) return 'A drive does not replace itself.'
  if (old.drive.practice || other.drive.practice) return 'A practice drive sits in no machine.'
  if (old.drive.simulated !== other.drive.simulated)
    return 'A real drive and a simulated one do not replace each other.'
  const out = inMachine(old.log).replacedBy
  if (out) return `${old.drive.tag} is not in its machine: ${out.drive.tag} is.`
  const { outcome } = progressOf(other.log)
  if (outcome === 'parts') return `${tag} was stripped for parts.`
  if (outcome === 'quarantined') return `${tag} is quarantined.`
  const { replaces } = inMachine(other.log)
  if (replaces && outcome === null) return `${tag} has the place of ${replaces.drive.tag} already.`
  return null
}

/** What differs between two drives and matters to the machine; empty where nothing is known to. */
export function differsFor(old: DriveFacts, other: DriveFacts): string[] {
  const out: string[] = []
  if (old.mechanism !== other.mechanism)
    out.push(
      `${other.tag} is another drive type: ${findMechanism(other.mechanism).label}, not ${findMechanism(old.mechanism).label}.`,
    )
  else if (old.model.trim().toLowerCase() !== other.model.trim().toLowerCase())
    out.push(`${other.tag} is another model: compare plug, straps, screw holes and front before it goes in.`)
  return out
}
