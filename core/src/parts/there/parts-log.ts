import { findingsAmong, type StandingFinding } from '../../findings'
import { supportingEntries, type DriveFacts, type LogEntry } from '../../log'

/** What a drive's log says of its parts, read once. */
export interface PartsLog {
  readonly entries: readonly LogEntry[]
  readonly findings: readonly StandingFinding[]
  /** Which head a look at the heads speaks of; null where nobody said. */
  readonly which: string | null
}

export function partsLog(drive: Pick<DriveFacts, 'simulated'>, log: readonly LogEntry[]): PartsLog {
  const entries = supportingEntries(log, drive)
  const which = entries.findLast(e => e.data?.type === 'reading' && e.data.key === 'heads.which')?.data
  return {
    entries,
    findings: findingsAmong(entries),
    which: which?.type === 'reading' ? String(which.value) : null,
  }
}

/** A part that a drive lent to another one. */
export interface LentPart {
  /** Entry that says so. */
  readonly entry: string
  readonly at: string
  readonly part: string
  readonly to: { readonly id: string; readonly tag: string }
}

/** Parts of a drive that are in other drives now, by their ids. @param entries those that hold */
export function lentOut(entries: readonly LogEntry[]): Map<string, LentPart> {
  const back = new Set(entries.flatMap(({ data }) => (data?.type === 'part-back' ? [data.lent] : [])))
  return new Map(
    entries.flatMap(({ id, at, data }): [string, LentPart][] =>
      data?.type === 'part-lent' && !back.has(id) ? [[data.part, { entry: id, at, part: data.part, to: data.to }]] : [],
    ),
  )
}
