import { standingEntries, type LogEntry, type SpeedEntryData } from '../observations'
import type { TrimmerReading } from '../spindle'

/** Speed entries that still hold, oldest first. */
export function speedEntries(log: readonly LogEntry[]): { entry: LogEntry; data: SpeedEntryData }[] {
  return standingEntries(log).flatMap(entry => (entry.data?.type === 'speed' ? [{ entry, data: entry.data }] : []))
}

/** Readings to learn the trimmer from, oldest first. */
export function trimmerHistory(log: readonly LogEntry[]): TrimmerReading[] {
  return speedEntries(log).map(({ data }) => ({
    rpm: data.rpm,
    uncertainty: data.uncertainty ?? data.rpm * 0.005,
    movedTurns: data.movedTurns,
  }))
}
