import type { DriveRef } from './entry-data'
import type { LogEntry } from './log-entry'

/** Where a drive is, as far as whole drives were exchanged in a machine. */
export interface InMachine {
  /** The drive that has its place now; null while it is in its machine. */
  readonly replacedBy: { readonly drive: DriveRef; readonly at: string } | null
  /** The drive whose place it has; null where it has nobody's. */
  readonly replaces: {
    readonly drive: DriveRef
    readonly at: string
    readonly complaints: readonly string[]
    readonly entry: LogEntry
  } | null
}

/** What the last exchange left: a drive may come out of a machine and go back into it. */
export function inMachine(log: readonly LogEntry[]): InMachine {
  let last: LogEntry | null = null
  for (const e of log) {
    const type = e.data?.type
    if ((type === 'replaced' || type === 'replaces') && (last === null || e.seq > last.seq)) last = e
  }
  const data = last?.data
  if (data?.type === 'replaced') return { replacedBy: { drive: data.by, at: last!.at }, replaces: null }
  if (data?.type === 'replaces') {
    const { drive, complaints } = data
    return { replacedBy: null, replaces: { drive, at: last!.at, complaints, entry: last! } }
  }
  return { replacedBy: null, replaces: null }
}
