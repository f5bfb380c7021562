import { STATION_IDS, standingEntries, type CallKind, type LogEntry, type Outcome, type StationId } from '../observations'
import { findStation } from './stations'

/** Where a drive stands, read from its log alone. */
export interface Progress {
  /** Station that the hands are at. */
  readonly current: StationId
  readonly done: ReadonlySet<StationId>
  readonly stepsDone: ReadonlySet<string>
  /** The latest call that still holds at the current station, or null. */
  readonly call: CallKind | null
  /** How the drive left, or null while it is open. */
  readonly outcome: Outcome | null
}

/** Works out where a drive stands from the entries that still hold. */
export function progressOf(log: readonly LogEntry[]): Progress {
  const standing = standingEntries(log)
  const done = new Set<StationId>()
  const stepsDone = new Set<string>()
  let outcome: Progress['outcome'] = null
  for (const e of standing) {
    if (e.kind === 'station') done.add(e.station)
    if (e.data?.type === 'step') stepsDone.add(e.data.step)
    if (e.data?.type === 'release') outcome = e.data.outcome
  }
  const current = STATION_IDS.find(id => !done.has(id)) ?? 'release'
  const judged = standing.filter(e => e.call && e.station === current)
  return { current, done, stepsDone, call: judged.at(-1)?.call?.kind ?? null, outcome }
}

/** The first step of a station that has not been done; null when all are. */
export function nextStep(station: StationId, stepsDone: ReadonlySet<string>): string | null {
  return findStation(station).steps.find(s => !stepsDone.has(s.id))?.id ?? null
}
