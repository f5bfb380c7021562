import { upperFirst, type SourceId } from '../../base/observations'
import { caseOfLog, checksOn, findCheck, lastAnswers, type DiagnosisCase, type LastAnswer } from '../../diagnosis'
import { findReading, UNTRIED } from '../../diagnosis/readings'
import { zoneOfCylinder } from '../../drives'
import { SPEED_KEY, standingEntries, type DriveFacts, type LogEntry, type SurfaceBar } from '../../log'
import { heldBy, type GateState } from '../stations'
import type { TestedDrive } from './expected'
import { TEST_POINTS, type TestPoint } from './points'

export type PointState = 'right' | 'wrong' | 'again' | 'could not try' | 'not tried'
export const POINT_STATES: Readonly<Record<PointState, string>> = {
  right: 'right',
  wrong: 'wrong',
  again: 'try again',
  'could not try': 'could not try',
  'not tried': 'not tried',
}

/** A point of a drive's bench test: what is expected, and what was seen. */
export interface PointResult {
  readonly point: TestPoint
  readonly expected: string
  readonly state: PointState
  /** What was seen, in words; empty where nothing was. */
  readonly seen: string
  readonly source: SourceId | null
  /** The closed safety gate that keeps it from being tried; null where none does. */
  readonly held: GateState | null
}

export interface BenchTest {
  readonly points: readonly PointResult[]
  readonly tried: number
  readonly wrong: number
  /** The first point that can be tried and was not; null where there is none. */
  readonly next: string | null
}

/** What is on a log beside the answers: which points could not be tried, and the numbers that were read. */
interface Said {
  readonly untried: ReadonlySet<string>
  readonly values: ReadonlyMap<string, string>
}

/** Sectors that a recording of a surface shows, by head and zone. */
function sharesOf(bars: readonly SurfaceBar[]): Map<string, string> {
  const last = bars.reduce((most, b) => Math.max(most, b.cylinder), 0)
  const counts = new Map<string, [good: number, all: number]>()
  for (const b of bars) {
    const key = `read.${b.head ? 'upper' : 'lower'}.${zoneOfCylinder(b.cylinder, last + 1)}`
    const [good, all] = counts.get(key) ?? [0, 0]
    counts.set(key, [good + b.good, all + b.good + b.bad + b.missing + b.wrongCylinder])
  }
  return new Map([...counts].map(([key, [good, all]]) => [key, `${good} of ${all} sectors`]))
}

function saidOn(log: readonly LogEntry[]): Said {
  const untried = new Set<string>()
  const values = new Map<string, string>()
  for (const { data } of standingEntries(log)) {
    if (data?.type === 'speed') values.set(SPEED_KEY, `${data.rpm.toFixed(1)} r/min`)
    if (data?.type === 'read-test') for (const [key, share] of sharesOf(data.bars)) values.set(key, share)
    if (data?.type !== 'reading') continue
    if (data.key.startsWith(UNTRIED)) {
      untried.add(data.key.slice(UNTRIED.length))
      continue
    }
    untried.delete(data.key)
    if (data.count) values.set(data.key, `${data.count.good} of ${data.count.sectors} sectors`)
    else if (typeof data.value === 'number') values.set(data.key, `${data.value} ${data.unit}`)
  }
  return { untried, values }
}

/** Words for an answer of a point. */
export const answerSaid = (point: TestPoint, answer: string): string =>
  point.answers?.[answer] ?? upperFirst(findCheck(point.check)!.words?.[answer] ?? answer)

function resultOf(
  point: TestPoint,
  drive: TestedDrive,
  last: LastAnswer | undefined,
  said: Said,
): Omit<PointResult, 'held'> {
  const base = { point, expected: point.expected(drive) }
  if (!last || said.untried.has(point.check))
    return {
      ...base,
      state: said.untried.has(point.check) ? 'could not try' : 'not tried',
      seen: '',
      source: null,
    }
  const words = answerSaid(point, last.answer)
  const number = findReading(point.check)?.kind !== 'word' ? said.values.get(point.check) : undefined
  return {
    ...base,
    state: last.before ? 'again' : last.good ? 'right' : 'wrong',
    seen: number ?? words,
    source: last.source,
  }
}

/** Two single tries of write protect say what the check that combines them says, and the other way round. */
const BOTH_WAYS: Readonly<Record<string, Readonly<Record<string, string>>>> = {
  'protect.blocks': { both: 'refused', always: 'refused', never: 'written' },
  'protect.allows': { both: 'written', always: 'refused', never: 'written' },
}

/** The bench test of a drive by its log: a recording, a host program and an answer of the case all fill it. */
export const benchTest = (drive: DriveFacts, log: readonly LogEntry[], gates: readonly GateState[]): BenchTest =>
  benchTestOf(drive, caseOfLog(drive, log), saidOn(log), gates)

/** The bench test by a case: what each point should do, and what it did. */
export function benchTestOf(
  drive: TestedDrive,
  c: DiagnosisCase,
  said: Said = saidOn([]),
  gates: readonly GateState[] = [],
): BenchTest {
  const has = checksOn(c)
  const answers = lastAnswers(c)
  const points = TEST_POINTS.filter(p => has.has(p.check) && (p.when?.(drive) ?? true)).map(point => ({
    ...resultOf(point, drive, answers.get(point.check) ?? combined(point, answers), said),
    held: heldBy(has.get(point.check)!.needs, gates),
  }))
  const open = points.find(p => (p.state === 'not tried' || p.state === 'again') && !p.held)
  return {
    points,
    tried: points.filter(p => p.state === 'right' || p.state === 'wrong').length,
    wrong: points.filter(p => p.state === 'wrong').length,
    next: open?.point.check ?? null,
  }
}

function combined(point: TestPoint, answers: ReadonlyMap<string, LastAnswer>): LastAnswer | undefined {
  const whole = answers.get('see.protect')
  const answer = whole && BOTH_WAYS[point.check]?.[whole.answer]
  if (!whole || !answer) return undefined
  const good = answer === (point.check === 'protect.blocks' ? 'refused' : 'written')
  return { ...whole, answer, good, before: whole.before && !good }
}
