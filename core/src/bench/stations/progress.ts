import { findingsAmong, type StandingFinding } from '../../findings'
import { STATION_IDS, standingEntries, type LogEntry, type Outcome, type StationId } from '../../log'
import { GRAVITY, type CallKind } from '../../base/observations'

/** Where a drive stands, read from its log alone. */
export interface Progress {
  /** Station that the hands are at. */
  readonly current: StationId
  readonly done: ReadonlySet<StationId>
  /**
   * What holds now: a *Stop* found anywhere, else the latest instrument's call at this station, else the gravest of
   * what was found here or is still to be mended.
   */
  readonly call: CallKind | null
  /** How the drive left, or null while it is open. */
  readonly outcome: Outcome | null
  /** What was found after it had been proved or released, where that opened it again. */
  readonly reopenedBy: LogEntry | null
}

/** Works out where a drive stands from the entries that still hold. */
export function progressOf(log: readonly LogEntry[]): Progress {
  const standing = standingEntries(log)
  return progressAmong(standing, findingsAmong(standing))
}

/** The same, where what still holds is known already. */
export function progressAmong(standing: readonly LogEntry[], findings: readonly StandingFinding[]): Progress {
  const done = new Set<StationId>()
  let outcome: Progress['outcome'] = null
  let reopenedBy: LogEntry | null = null
  for (const e of standing) {
    // A drive that was proved, or has left working, comes back to the station of what was found on it since, and is
    // proved anew.
    if (isFault(e) && (outcome === 'released' || (outcome === null && done.has('prove')))) {
      outcome = null
      reopenedBy = e
      for (const s of [e.station, 'prove', 'release'] as const) done.delete(s)
    }
    // In a machine it is proved anew.
    if (e.data?.type === 'replaces' && outcome !== 'parts') {
      outcome = null
      for (const s of ['prove', 'release'] as const) done.delete(s)
    }
    if (e.kind === 'station') {
      done.add(e.station)
      if (e.station === 'prove') reopenedBy = null
    }
    if (e.data?.type === 'release') {
      outcome = e.data.outcome
      reopenedBy = null
    }
  }
  const current = STATION_IDS.find(id => !done.has(id)) ?? 'release'
  const instrument = standing.findLast(e => e.call && e.station === current && e.kind !== 'finding')?.call?.kind
  const found = new Set(
    findings
      .filter(f => f.entry.station === current || f.finding.call === 'stop' || f.finding.call === 'mend')
      .map(f => f.finding.call),
  )
  const call = found.has('stop') ? 'stop' : (instrument ?? GRAVITY.find(k => found.has(k)) ?? null)
  return { current, done, call, outcome, reopenedBy }
}

/** Whether an entry that is added may change how a drive has left; none else does. */
export const mayMoveOutcome = (e: LogEntry): boolean =>
  e.kind === 'taken-back' || e.data?.type === 'release' || e.data?.type === 'replaces' || isFault(e)

/**
 * Something that is wrong with the drive itself: found, or measured other than on the stand-in, and not merely
 * unknown.
 */
function isFault(e: LogEntry): boolean {
  return (
    (e.kind === 'finding' || e.kind === 'measurement') &&
    (e.call?.kind === 'mend' || e.call?.kind === 'stop') &&
    e.evidence?.source !== 'simulated'
  )
}
