import type { CallKind, LogEntry } from '@wobrin/core/observations'
import { speedEntries } from '@wobrin/core/procedures'

/** Readings on a log for the ruler, latest first, each with a word for when it was. */
export function earlierReadings(log: readonly LogEntry[]): { rpm: number, label: string, kind: CallKind }[] {
  const all = speedEntries(log)
  return all.map(({ entry, data }, i) => ({
    rpm: data.rpm, kind: entry.call?.kind ?? 'unknown' as const,
    label: i === all.length - 1 ? 'last' : i === 0 ? 'as found' : shortTime(entry.at),
  })).reverse()
}
