import { inMachine, type LogEntry } from '../../log'

/** Complaints that a drive took over with the place of another one. */
export interface Carried {
  /** Tag of the drive that had its place. */
  readonly from: string
  /** Ids of those that nobody has tried with this drive yet. */
  readonly untried: readonly string[]
}

/**
 * Complaints of the machine that a drive went into: they are no evidence against it until they were tried with it.
 * @param entries those that still hold and may support a claim
 */
export function carriedComplaints(entries: readonly LogEntry[]): Carried | null {
  const { replaces } = inMachine(entries)
  if (!replaces) return null
  const { drive, complaints, entry } = replaces
  const tried = new Set(entries.flatMap(e => (e.seq > entry.seq && e.data?.type === 'reading' ? [e.data.key] : [])))
  return { from: drive.tag, untried: complaints.filter(id => !tried.has(`complaint.${id}`)) }
}
