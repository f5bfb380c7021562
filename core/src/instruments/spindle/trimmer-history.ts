import { speedsAmong, standingEntries, type LogEntry } from '../../log'
import type { TrimmerReading } from './trimmer'

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
