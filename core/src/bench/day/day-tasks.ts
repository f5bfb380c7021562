import { caseMinutes, wantedBy, type DriveCase } from '../case'
import { STATIONS, type GateState, type StepSetting, type StepState, type Wait, type Walk } from '../stations'
import { chanceBehind, chanceNeeded } from './chance-of'
import { STATION_IDS, type StationId } from '../../log'

/** A piece of work on one drive, or a wait: what the plan of a bench day is made of. */
export interface DayTask {
  readonly id: string
  readonly driveId: string
  readonly tag: string
  readonly title: string
  /** Where it is done; null for what the case asks. */
  readonly station: StationId | null
  /** Its steps, or nothing where it is none of the stations’. */
  readonly steps: readonly string[]
  /** Minutes; of a wait that runs, those that are left at the time that was asked for. */
  readonly minutes: number
  readonly attended: boolean
  /** How long it takes depends on what is found. */
  readonly expected: boolean
  readonly after: readonly string[]
  /** Shared things that it takes: a supply, a reference disk. */
  readonly needs: readonly string[]
  /** How much rather it is done than others. */
  readonly priority: number
  /** How hands and bench are for it; null where that makes no difference. */
  readonly setting: StepSetting | null
  /** Chance that it is needed at all, 0 to 1. */
  readonly chance: number
}

/** What cannot be planned on a drive, and why. */
export interface HeldBack {
  readonly driveId: string
  readonly tag: string
  readonly what: string
  readonly reason: string
}

export interface DriveDay {
  readonly tasks: readonly DayTask[]
  readonly heldBack: HeldBack | null
}

/** A drive with its way and its case. */
export interface DayDrive {
  readonly id: string
  readonly tag: string
  readonly way: Walk
  readonly found: DriveCase | null
  /** How much rather it is worked on than others, 0 to 1. */
  readonly priority: number
  /** What is next on it is dangerous to leave. */
  readonly urgent: boolean
}

/** The one supply of a bench, as it stands among the shared things. */
export const SUPPLY = 'supply'
/** Tools of which a bench usually has one, under the name that they share. */
const SHARED: Readonly<Record<string, string>> = {
  'reference disk': 'reference disk',
  'two reference disks': 'reference disk',
  'verified drive': 'verified drive',
  'logic analyser or pickup': 'analyser',
  'recording of the data line': 'analyser',
  'soldering iron': 'soldering iron',
}
/** From this station on a drive is under power. */
const POWERED = STATION_IDS.indexOf('first-power')
/** The case is worked on before this station. */
const BEFORE: StationId = 'align'
/** No piece of work is longer, so that it can be fitted into an evening. */
const LONGEST = 25

/** What must not be left comes before everything else. */
const URGENT = 10

type NewTask = Omit<DayTask, 'id' | 'driveId' | 'tag' | 'priority' | 'setting' | 'chance'> &
  Partial<Pick<DayTask, 'setting' | 'chance'>>

const placeOf = (id: StationId) => STATION_IDS.indexOf(id)

/**
 * What is to be done on a drive for its goal: its steps in pieces of at most about 25 minutes, station by station, its
 * case where the first power is behind it, and waits that run or will be begun. What stands behind a closed safety gate
 * that no step of it opens is left out, with the reason.
 * @param nowMs milliseconds since 1970, UTC; passed in because core has no clock
 */
export function driveDay({ id: driveId, tag, way, found, priority, urgent }: DayDrive, nowMs: number): DriveDay {
  if (way.progress.outcome !== null) return { tasks: [], heldBack: null }
  const tasks: DayTask[] = []
  const add = (task: NewTask): string => {
    const id = `${tag} ${tasks.length + 1}`
    const first = task.attended && !tasks.some(t => t.attended)
    tasks.push({ setting: null, chance: 1, ...task, id, driveId, tag, priority: urgent && first ? URGENT : priority })
    return id
  }
  const running = way.waits.filter(w => !w.over).map(wait => ({ wait, id: add(runningWait(wait, nowMs)) }))
  /** Waits that steps of this plan begin, with the step. */
  const begun: { readonly step: string; readonly id: string }[] = []
  let last: string | null = null

  const behind = (steps: readonly StepState[], powered: boolean): string[] => [
    ...(last === null ? [] : [last]),
    ...running.filter(r => holdsBack(r.wait, steps, powered)).map(r => r.id),
    ...begun.filter(b => powered || steps.some(s => s.step.after?.includes(b.step))).map(b => b.id),
  ]
  const addCase = () => {
    const wanted = found && wantedBy(found)
    if (!wanted) return
    last = add({
      title: wanted.title,
      station: null,
      steps: [],
      minutes: Math.max(1, Math.round(caseMinutes(found))),
      attended: true,
      expected: true,
      after: behind([], true),
      needs: [SUPPLY],
    })
  }

  const pieces = piecesOf(way)
  const behindCase = chanceBehind(found)
  for (const { station, steps } of pieces.work) {
    if (found && placeOf(station) >= placeOf(BEFORE) && !tasks.some(t => t.expected)) addCase()
    const powered = placeOf(station) >= POWERED
    const chance = (tasks.some(t => t.expected) ? behindCase : 1) * chanceNeeded(station, steps, found)
    const after = behind(steps, powered)
    last = add({
      title: titleOf(station, steps),
      station,
      steps: steps.map(s => s.step.title),
      minutes: steps.reduce((sum, s) => sum + s.step.hands, 0),
      attended: true,
      expected: false,
      after,
      needs: neededFor(steps, powered),
      setting: settingOf(steps),
      chance,
    })
    const waits = steps.at(-1)!.step
    if (waits.wait && !isRunning(waits.wait, way))
      begun.push({
        step: waits.id,
        id: add({
          title: `Wait after “${waits.title}”`,
          station,
          steps: [],
          minutes: waits.wait,
          attended: false,
          expected: false,
          after: [last],
          needs: [],
          chance,
        }),
      })
  }
  if (found && !pieces.heldBack && !tasks.some(t => t.expected)) addCase()
  const { heldBack } = pieces
  return { tasks, heldBack: heldBack && { driveId, tag, ...heldBack } }
}

const runningWait = (wait: Wait, nowMs: number): NewTask => ({
  title: wait.what,
  station: wait.entry.station,
  steps: [],
  minutes: Math.max(0, Math.ceil((Date.parse(wait.endsAt) - nowMs) / 60_000)),
  attended: false,
  expected: false,
  after: [],
  needs: [],
})

/** A wait of the same length that runs already is the one that the step begins: the step was not ticked yet. */
const isRunning = (minutes: number, way: Walk): boolean =>
  way.waits.some(w => !w.over && w.entry.data?.type === 'wait' && w.entry.data.minutes === minutes)

const holdsBack = (wait: Wait, steps: readonly StepState[], powered: boolean): boolean =>
  wait.holds === null ||
  (powered && wait.forbidsPower) ||
  steps.some(s => s.step.id === wait.holds || wait.holdsToo.includes(s.step.id))

/** The setting of a piece of work: that of the first step which has one. */
const settingOf = (steps: readonly StepState[]): StepSetting | null =>
  steps.find(s => s.step.setting)?.step.setting ?? null

/**
 * Needed steps of the stations to come, cut into pieces: a piece ends where a wait begins, where it gets long, and
 * where dirty hands, clean ones and a dark room follow each other.
 */
function piecesOf(way: Walk): {
  work: { station: StationId; steps: StepState[] }[]
  heldBack: Pick<HeldBack, 'what' | 'reason'> | null
} {
  const work: { station: StationId; steps: StepState[] }[] = []
  const open = way.stations.filter(s => !s.finished)
  const undone = open.flatMap(s => s.steps.filter(x => x.needed && !x.done))
  for (const { station, steps } of open) {
    let piece: StepState[] = []
    for (const s of steps.filter(x => undone.includes(x))) {
      const gate = closedFor(s, undone)
      if (gate) {
        if (piece.length) work.push({ station: station.id, steps: piece })
        return { work, heldBack: { what: gate.gate.label, reason: gate.missing[0]!.sentence } }
      }
      const setting = settingOf(piece)
      if (setting && s.step.setting && s.step.setting !== setting) {
        work.push({ station: station.id, steps: piece })
        piece = []
      }
      piece.push(s)
      if (s.step.wait || piece.reduce((sum, x) => sum + x.step.hands, 0) >= LONGEST) {
        work.push({ station: station.id, steps: piece })
        piece = []
      }
    }
    if (piece.length) work.push({ station: station.id, steps: piece })
  }
  return { work, heldBack: null }
}

/** The safety gate that holds a step and that no undone step could open; null where the way there is clear. */
function closedFor(s: StepState, undone: readonly StepState[]): GateState | null {
  if (s.hold?.kind !== 'gate') return null
  const { gate } = s.hold
  const opens = (question: string | null) => question === null || undone.some(u => u.step.asks?.includes(question))
  return gate.missing.some(m => m.kind === 'forbids' && !opens(m.question)) ? gate : null
}

function titleOf(station: StationId, steps: readonly StepState[]): string {
  const [first, ...more] = steps
  const { label } = STATIONS.find(s => s.id === station)!
  return `${label}: ${first!.step.title}${more.length ? ` and ${more.length} more` : ''}`
}

const neededFor = (steps: readonly StepState[], powered: boolean): string[] => [
  ...new Set([...(powered ? [SUPPLY] : []), ...steps.flatMap(s => s.step.tools.flatMap(t => SHARED[t] ?? []))]),
]
