import { CALLS } from '../../base/observations'
import type { MechanismId } from '../../drives'
import { findingsNamed, nextOf as cureOf } from '../../findings'
import { standingEntries, type LogEntry, type StationId } from '../../log'
import { sentenceOf } from './gate-state'
import { findStep } from './stations'
import { nextAt, stationForGoal, stationOf, type StepState, type Walk } from './walk'

/** What the hands could do next on one drive. */
export interface NextThing {
  readonly driveId: string
  readonly tag: string
  readonly title: string
  readonly reason: string
  readonly minutes: number
  /** Station at which it is done. */
  readonly station: StationId
  /** The drive's case asks for it. */
  readonly ofCase: boolean
}

/** A drive with its log and its way, to be ranked among the others. */
export interface OnBench {
  readonly id: string
  readonly tag: string
  readonly mechanism?: MechanismId
  readonly log: readonly LogEntry[]
  readonly way: Walk
  /** What its complaints ask for: the best check, or the cure; left out where nobody complains. */
  readonly wanted?: Pick<NextThing, 'title' | 'reason' | 'minutes'> | null
}

/** A nudge is quick and nearly done, so it comes first; then what only needs deciding; long mends last. */
const ORDER = { stop: 0, nudge: 1, unknown: 2, leave: 3, mend: 4 } as const

/** When something is decided at an instrument in some minutes: rough, common practice. */
const JUDGED_MINUTES = 8

/**
 * Things to do across the open drives, best first: what is dangerous, then what is quick, then what is furthest along.
 * A wait that has run out comes before the rest. A running wait that holds a step leaves the other steps of its drive
 * to the hands; one that holds nothing in particular keeps the whole drive out.
 */
export const bestNext = (drives: readonly OnBench[]): NextThing[] => ranked(drives.map(nextOf))

/** What could be done next on one drive, and how it ranks among others. */
export interface RankedThing {
  readonly thing: NextThing
  readonly rank: number
  readonly along: number
}

/** Whether it must not be left: something that was found says stop. */
export const isUrgent = (thing: RankedThing | null): boolean => thing?.rank === ORDER.stop

/** Things of many drives, best first. */
export const ranked = (things: readonly (RankedThing | null)[]): NextThing[] =>
  things
    .filter(t => t !== null)
    .sort((a, b) => a.rank - b.rank || b.along - a.along)
    .map(r => r.thing)

/** The next thing on one drive; null where it has left, or nothing is for the hands. */
export function nextOf(drive: OnBench): RankedThing | null {
  const w = drive.way
  const { progress } = w
  if (progress.outcome) return null
  const thing = (
    title: string,
    reason: string,
    minutes: number,
    rank: number,
    station: StationId = progress.current,
  ): RankedThing => ({
    thing: { driveId: drive.id, tag: drive.tag, title, reason, minutes, station, ofCase: false },
    rank,
    along: progress.done.size,
  })
  const over = w.waits.find(x => x.over)
  if (over)
    return thing(
      `${over.what}: done`,
      `Its wait has run out; look whether it is so, and go on.${over.holds ? ` It held “${findStep(over.holds)?.step.title ?? over.holds}”.` : ''}`,
      2,
      ORDER.nudge - 0.5,
      over.entry.station,
    )
  if (w.waits.some(x => !x.holds)) return null
  const at = stationForGoal(w)
  const next = nextAt(w, at)
  // Whatever is free may be done while something soaks; where nothing is, this drive is not for the hands.
  if (next?.hold?.kind === 'wait') return null
  const stops = stopOf(w, next, drive.mechanism)
  if (stops) return thing(...stops, ORDER.stop)
  const held = w.waits.some(x => !x.over && x.holds)
  if (drive.wanted && !held) {
    const wanted = thing(drive.wanted.title, drive.wanted.reason, drive.wanted.minutes, ORDER.unknown)
    return { ...wanted, thing: { ...wanted.thing, ofCase: true } }
  }
  const judged = standingEntries(drive.log).findLast(
    e => e.call && e.station === progress.current && e.kind === 'measurement',
  )?.call
  if (judged && judged.kind !== 'leave' && progress.call === judged.kind) {
    return thing(
      `${stationOf(w, progress.current).station.label}: ${CALLS[judged.kind].label.toLowerCase()}`,
      `${judged.reasons[0]} ${judged.next}`,
      JUDGED_MINUTES,
      ORDER[judged.kind],
    )
  }
  return thing(...describe(w, at, next), ORDER[progress.call ?? 'leave'], at)
}

/**
 * Something that was found stops everything: what is to be done about it, before any step that only writes down. Null
 * where the next step is about it anyway.
 */
function stopOf(
  w: Walk,
  next: StepState | null,
  mechanism?: MechanismId,
): [title: string, reason: string, minutes: number] | null {
  const worst = w.findings.findLast(f => f.finding.call === 'stop')
  if (!worst) return null
  const { step } = next ?? {}
  const about = step?.asks?.includes(worst.question.id) || findingsNamed(step?.when).includes(worst.finding.id)
  if (about) return null
  return [cureOf(worst.finding, mechanism).replace(/\.$/, ''), sentenceOf(worst), JUDGED_MINUTES]
}

function describe(w: Walk, at: StationId, next: StepState | null): [title: string, reason: string, minutes: number] {
  const { station } = stationOf(w, at)
  if (!next) return [`Finish ${station.label}`, 'All steps are done; mark the station finished.', 1]
  if (next.hold?.kind === 'gate') {
    const { gate, missing } = next.hold.gate
    return [`Open the safety gate: ${gate.label.toLowerCase()}`, missing[0]!.sentence, next.step.hands]
  }
  return [next.step.title, next.step.why, next.step.hands]
}
