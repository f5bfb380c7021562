import { CALLS, standingEntries, type LogEntry } from '../observations'
import { progressOf } from './progress'
import { findStation } from './stations'
import { openWaits } from './waits'

/** What the hands could do next on one drive. */
export interface NextThing {
  readonly driveId: string
  readonly tag: string
  readonly title: string
  readonly reason: string
  readonly minutes: number
}

/** Minutes of hands for one step, by station: rough, common practice. */
const MINUTES: Readonly<Record<string, number>> = {
  'receive': 5, 'look': 5, 'open': 10, 'clean': 15, 'drive-train': 15, 'electronics': 15, 'first-power': 5, 'speed': 8, 'align': 15, 'prove': 20, 'release': 5,
}

/** A nudge is quick and nearly done, so it comes first; then what only needs deciding; long mends last. */
const ORDER = { stop: 0, nudge: 1, unknown: 2, leave: 3, mend: 4 } as const

/**
 * Things to do across the open drives, best first: what is dangerous, then what is quick, then what is furthest along.
 * A drive whose wait has run out comes before the rest; one that still waits is not for the hands now.
 * @param drives each drive with its log @param nowMs milliseconds since 1970, UTC
 */
export function bestNext(drives: readonly { readonly id: string, readonly tag: string, readonly log: readonly LogEntry[] }[], nowMs: number): NextThing[] {
  const ranked = drives.flatMap((drive) => {
    const progress = progressOf(drive.log)
    if (progress.outcome) return []
    const waits = openWaits(drive.log, nowMs)
    if (waits.some(w => !w.over)) return []
    const ready = waits[0]
    if (ready) {
      const thing: NextThing = { driveId: drive.id, tag: drive.tag, title: `${ready.what}: done`, reason: 'Its wait has run out; look whether it is so, and go on.', minutes: 2 }
      return [{ thing, rank: ORDER.nudge - 0.5, along: progress.done.size }]
    }
    const station = findStation(progress.current)
    const judged = standingEntries(drive.log).filter(e => e.call && e.station === progress.current).at(-1)
    const step = station.steps.find(s => !progress.stepsDone.has(s.id))
    const call = judged?.call ?? null
    const title = call && call.kind !== 'leave' ? `${station.label}: ${CALLS[call.kind].label.toLowerCase()}` : step ? step.title : `Finish ${station.label}`
    const reason = call && call.kind !== 'leave' ? `${call.reasons[0]} ${call.next}` : step ? step.why : `All steps are done; mark the station finished.`
    const thing: NextThing = { driveId: drive.id, tag: drive.tag, title, reason, minutes: MINUTES[progress.current] ?? 10 }
    return [{ thing, rank: ORDER[call?.kind ?? 'leave'], along: progress.done.size }]
  })
  return ranked.sort((a, b) => a.rank - b.rank || b.along - a.along).map(r => r.thing)
}
