import {
  asFoundRecord,
  findingsAmong,
  findQuestion,
  holds,
  situationOf,
  type Question,
  type Situation,
  type StandingFinding,
} from '../../findings'
import { lowerFirst } from '../../base/observations'
import { putBackList } from '../put-back'
import type { Features, MechanismId } from '../../drives'
import { STATION_IDS, standingEntries, type LogEntry, type StationId } from '../../log'
import { CAUTIONS, type Caution } from './cautions'
import { gateStates, sentenceOf, type GateState } from './gate-state'
import { neededBy, type Aim } from './needed'
import { progressAmong, type Progress } from './progress'
import { shownSteps } from './shown-by'
import { isAcknowledged } from './sitting'
import type { Station, Step } from './station'
import { STATIONS } from './stations'
import { waitsAmong, type Wait } from './waits'

/** What keeps a step from being done. */
export type Hold =
  | { readonly kind: 'gate'; readonly gate: GateState }
  | { readonly kind: 'wait'; readonly wait: Wait }
  | { readonly kind: 'caution'; readonly caution: Caution }

export interface StepState {
  readonly step: Step
  readonly done: boolean
  /** Entry that ticked it; null where it is not done, or done by what was found. */
  readonly ticked: LogEntry | null
  /** Its questions that are not answered yet. */
  readonly open: readonly Question[]
  readonly hold: Hold | null
  /** Needed for the goal on the drive's route; others are for an overhaul. */
  readonly needed: boolean
  /** Done or shown by a reading of the case. */
  readonly shown: boolean
  /** Steps that usually come before it and are not done. */
  readonly before: readonly Step[]
}

export interface StationState {
  readonly station: Station
  readonly steps: readonly StepState[]
  readonly cautions: readonly Caution[]
  readonly finished: boolean
}

/** A drive's whole way: where it stands, what is open, what is held and why. */
export interface Walk {
  readonly progress: Progress
  readonly situation: Situation
  readonly findings: readonly StandingFinding[]
  readonly gates: readonly GateState[]
  readonly waits: readonly Wait[]
  readonly stations: readonly StationState[]
}

export interface Walked extends Aim {
  readonly mechanism: MechanismId
  readonly features?: Features | null
}

const rank = (id: StationId) => STATION_IDS.indexOf(id)

/**
 * Walks a drive's procedure: which steps it has by its kind, its features and what was found, which of them are done,
 * and what holds the rest.
 * @param nowMs milliseconds since 1970, UTC; passed in because core has no clock
 */
export function walk(drive: Walked, log: readonly LogEntry[], nowMs: number): Walk {
  const standing = standingEntries(log)
  const findings = findingsAmong(standing)
  const situation = situationOf(
    drive,
    findings.map(f => f.finding.id),
  )
  const waits = waitsAmong(standing, nowMs)
  const gates = gateStates(situation, findings, standing, {
    toPutBack: putBackList(asFoundRecord(log)).left,
    waits: waits.filter(w => !w.over).map(w => w.what),
    wet: waits.filter(w => !w.over && w.forbidsPower).map(w => w.what),
    atHeads: waits.filter(w => !w.over && w.forbidsDisk).map(w => w.what),
  })
  const progress = progressAmong(standing, findings)
  const ticks = new Map(standing.flatMap(e => (e.data?.type === 'step' ? [[e.data.step, e] as const] : [])))

  const shown = STATIONS.map(station => ({
    station,
    steps: station.steps.filter(s => ticks.has(s.id) || holds(s.when, situation)),
  }))
  const openQuestions = (station: Station, step: Step) =>
    (step.asks ?? [])
      .map(findQuestion)
      .filter(
        q =>
          holds(q.when, situation) &&
          !findings.some(
            f =>
              f.question === q &&
              rank(f.entry.station) >= rank(station.id) &&
              (!step.untilGood || f.finding.call === 'leave'),
          ),
      )
  const shownNow = shownSteps(standing)
  const needed = neededBy(drive, gates)
  const isDone = (station: Station, step: Step) =>
    ticks.has(step.id) ||
    shownNow.has(step.id) ||
    (Boolean(step.asks?.length) && !step.byHand && openQuestions(station, step).length === 0)
  const undone = new Map(
    shown.flatMap(({ station, steps }) => steps.filter(s => !isDone(station, s)).map(s => [s.id, s] as const)),
  )

  const holdOf = (step: Step): Hold | null => {
    const gate = gates.find(g => g.gate.id === step.gate)
    if (gate && !gate.open) return { kind: 'gate', gate }
    const wait = waits.find(w => !w.over && (w.holds === step.id || w.holdsToo.includes(step.id)))
    if (wait) return { kind: 'wait', wait }
    // A caution of the whole station is shown there; it holds back only the steps that it is about.
    const caution = (step.cautions ?? [])
      .map(id => CAUTIONS[id])
      .find(c => c.acknowledge && holds(c.when, situation) && !isAcknowledged(standing, c.id, nowMs))
    return caution ? { kind: 'caution', caution } : null
  }
  const stations = shown.map(({ station, steps }): StationState => ({
    station,
    finished: progress.done.has(station.id),
    cautions: station.cautions.map(id => CAUTIONS[id]).filter(c => holds(c.when, situation)),
    steps: steps.map(step => ({
      step,
      done: !undone.has(step.id),
      ticked: ticks.get(step.id) ?? null,
      open: openQuestions(station, step),
      hold: undone.has(step.id) ? holdOf(step) : null,
      needed: needed(step),
      shown: shownNow.has(step.id),
      before: (step.after ?? []).flatMap(id => undone.get(id) ?? []),
    })),
  }))
  return { progress, situation, findings, gates, waits, stations }
}

export const stationOf = (w: Walk, id: StationId): StationState => w.stations[rank(id)]!

/**
 * The step that is next at a station: the first undone one that nothing holds, else the first undone one; null when
 * all are done.
 */
export function nextAt(w: Walk, id: StationId): StepState | null {
  const left = stationOf(w, id).steps.filter(s => !s.done)
  // What only an overhaul would do comes after what the goal needs.
  const wanted = left.filter(s => s.needed)
  const undone = wanted.length ? wanted : left
  // A caution is read and gone on from: what it is about is not put behind the rest.
  return undone.find(s => !s.hold || s.hold.kind === 'caution') ?? undone[0] ?? null
}

/** Minutes of hands that undone steps of the stations to come will take; none for a drive that has left. */
function minutesOf(w: Walk, counts: (s: StepState) => boolean): number {
  if (w.progress.outcome !== null) return 0
  return w.stations
    .filter(s => !s.finished)
    .flatMap(s => s.steps)
    .filter(s => !s.done && counts(s))
    .reduce((sum, s) => sum + s.step.hands, 0)
}

/** Minutes of hands of all undone steps of the stations to come: a whole overhaul. */
export const minutesToGo = (w: Walk): number => minutesOf(w, () => true)

/** Minutes of hands of those that the goal needs. */
export const minutesForGoal = (w: Walk): number => minutesOf(w, s => s.needed)

/** The first station that still has something to do for the goal; where nothing is left, where the hands are. */
export function stationForGoal(w: Walk): StationId {
  const open = w.stations.find(s => !s.finished && s.steps.some(x => x.needed && !x.done))
  return open?.station.id ?? w.progress.current
}

/**
 * What an entry changed: steps that came or fell away, gates that closed or opened. Whole sentences, the gravest
 * first.
 */
export function consequencesOf(before: Walk, after: Walk): string[] {
  const steps = (w: Walk) =>
    new Map(
      w.stations.flatMap(s =>
        s.steps.map(st => [st.step.id, `${s.station.label}: ${lowerFirst(st.step.title)}`] as const),
      ),
    )
  const [old, now] = [steps(before), steps(after)]
  const forbidden = (w: Walk) => new Map(w.gates.map(g => [g.gate.id, g] as const))
  const [oldGates, nowGates] = [forbidden(before), forbidden(after)]
  const closed = [...nowGates.values()].filter(g => g.forbiddenHere && !oldGates.get(g.gate.id)?.forbiddenHere)
  const opened = [...nowGates.values()].filter(g => g.open && oldGates.get(g.gate.id)?.open === false)
  return [
    ...closed.map(g => `Closed: ${g.gate.label.toLowerCase()}.`),
    ...opened.map(g => `Open now: ${g.gate.label.toLowerCase()}.`),
    ...[...now].filter(([id]) => !old.has(id)).map(([, title]) => `Added at ${title}.`),
    ...[...old].filter(([id]) => !now.has(id)).map(([, title]) => `Not needed any more at ${title}.`),
  ]
}

/**
 * Whether a good disk may go into a drive: every safety gate before that is open or was overridden.
 */
export const mayLoadGoodDisk = (w: Walk): boolean =>
  w.gates.every(g => g.open || (g.gate.id !== 'insert-good-disk' && g.gate.id !== 'insert-disk'))

/**
 * Whether something that was found says that a disk which was in the drive may have been hurt by it: heads torn, a
 * steady click, a torn last disk.
 */
export const mayHaveHurtDisks = (w: Walk): boolean => w.gates.some(g => g.gate.id === 'insert-disk' && g.forbiddenHere)

/** Findings that close no safety gate and still have to be answered for when a drive is released. */
const TO_ANSWER_FOR = ['protect.always']

/**
 * Whole sentences for which a release needs a written reason: safety gates that stand before using a drive and are
 * still closed, and write protect that always blocks. A gate that was overridden is open, with its reason. Whether a
 * sealed adjuster may be touched does not matter to whoever uses the drive.
 */
export function releaseDoubts(w: Walk): string[] {
  return [
    ...w.gates
      .filter(g => !g.open && g.gate.id !== 'touch-sealed')
      .map(g => `The safety gate “${g.gate.label}” is closed: ${g.missing[0]!.sentence}`),
    ...w.findings.filter(f => TO_ANSWER_FOR.includes(f.finding.id)).map(sentenceOf),
  ]
}
