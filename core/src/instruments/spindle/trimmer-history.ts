import { speedsAmong, standingEntries, type LogEntry, type SpeedEntryData } from '../../log'
import type { TrimmerReading } from './trimmer'

/** Speeds from recordings that still hold, oldest first. */
export function speedEntries(log: readonly LogEntry[]): { entry: LogEntry; data: SpeedEntryData }[] {
  return standingEntries(log).flatMap(entry => (entry.data?.type === 'speed' ? [{ entry, data: entry.data }] : []))
}

/** A speed without an uncertainty is taken to be good to this share. */
const USUAL = 0.005

/** Readings to learn the trimmer from, oldest first: computed ones, and those that a person typed. */
export function trimmerHistory(log: readonly LogEntry[]): TrimmerReading[] {
  return speedsAmong(standingEntries(log)).map(({ rpm, uncertainty, movedTurns }) => ({
    rpm,
    uncertainty: uncertainty ?? rpm * USUAL,
    movedTurns,
  }))
}
