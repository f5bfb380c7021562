import type { LogEntry } from './log-entry'

/** A speed on a drive's log: computed from a recording, or read off something by a person. */
export interface SpeedOnLog {
  readonly entry: LogEntry
  /** r/min. */
  readonly rpm: number
  /** Half-width of the 95 % interval, r/min; null where none is known. */
  readonly uncertainty: number | null
  /** Revolutions of the trimmer since the reading before, turns; positive is to the right. */
  readonly movedTurns: number
}

/** Key of a typed speed in the vocabulary of readings. */
export const SPEED_KEY = 'speed.mean'

/** The speed that an entry holds; null for any other entry. */
export function speedOf(entry: LogEntry): SpeedOnLog | null {
  const { data } = entry
  if (data?.type === 'speed')
    return { entry, rpm: data.rpm, uncertainty: data.uncertainty, movedTurns: data.movedTurns }
  if (data?.type === 'reading' && data.key === SPEED_KEY && typeof data.value === 'number')
    return { entry, rpm: data.value, uncertainty: data.uncertainty, movedTurns: data.movedTurns }
  return null
}

/** Speeds among entries, in their order. */
export const speedsAmong = (entries: readonly LogEntry[]): SpeedOnLog[] => entries.flatMap(e => speedOf(e) ?? [])

/** The latest of them; null where there is none. */
export const lastSpeed = (entries: readonly LogEntry[]): SpeedOnLog | null => speedsAmong(entries).at(-1) ?? null
