import { upperFirst, type SourceId } from '../../base/observations'
import {
  caseOfLog,
  checksOn,
  findCheck,
  lastAnswers,
  readCase,
  type DiagnosisCase,
  type LastAnswer,
} from '../../diagnosis'
import { findReading, UNTRIED } from '../../diagnosis/readings'
import { SPEED_KEY, standingEntries, zoneCounts, type DriveFacts, type LogEntry, type ShownReading } from '../../log'
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

function saidOn(log: readonly LogEntry[]): Said {
  const untried = new Set<string>()
  const values = new Map<string, string>()
  const read = (key: string, says?: string) => {
    untried.delete(key)
    if (says !== undefined) values.set(key, says)
  }
  for (const { data } of standingEntries(log)) {
    if (data?.type === 'speed') read(SPEED_KEY, `${data.rpm.toFixed(1)} r/min`)
    if (data?.type === 'read-test')
      for (const { place, good, all } of zoneCounts(data.bars)) read(`read.${place}`, `${good} of ${all} sectors`)
    if (data?.type !== 'reading') continue
    const { key, value, unit, count } = data
    if (key.startsWith(UNTRIED)) untried.add(key.slice(UNTRIED.length))
    else if (count) read(key, `${count.good} of ${count.sectors} sectors`)
    else read(key, typeof value === 'number' ? `${value} ${unit}` : undefined)
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
  const words =
    (last.source === 'recording' ? point.inRecording?.[last.answer] : undefined) ?? answerSaid(point, last.answer)
  const number = findReading(point.check)?.kind !== 'word' ? said.values.get(point.check) : undefined
  return {
    ...base,
    state: last.before ? 'again' : last.good ? 'right' : 'wrong',
    seen: number ?? words,
    source: last.source,
  }
}

/** The bench test by what a recording of the interface shows, without a log: the reads are not among it. */
export const benchTestByLines = (drive: TestedDrive, shows: readonly ShownReading[]): BenchTest =>
  benchTestOf(
    drive,
    readCase({ mechanism: drive.mechanism, readings: shows.map(s => ({ ...s, source: 'recording' })) }),
    {
      untried: new Set(),
      values: new Map(
        shows.flatMap(s => (typeof s.value === 'number' ? [[s.key, `${s.value.toFixed(1)} ${s.unit}`]] : [])),
      ),
    },
  )

/** What the check of write protect both ways says of either single try. */
const BOTH_WAYS: Readonly<Record<string, Readonly<Record<string, string>>>> = {
  'protect.blocks': { both: 'refused', always: 'refused', never: 'written' },
  'protect.allows': { both: 'written', always: 'refused', never: 'written' },
}

/** A point that is still to be tried, and can be. */
export const isOpen = (p: PointResult): boolean => (p.state === 'not tried' || p.state === 'again') && !p.held

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
  return {
    points,
    tried: points.filter(p => p.state === 'right' || p.state === 'wrong').length,
    wrong: points.filter(p => p.state === 'wrong').length,
    next: points.find(isOpen)?.point.check ?? null,
  }
}

/** What a recording says of a line, as what it says of a point: the disk turns where the index comes. */
const TOLD_BY_LINE: Readonly<Record<string, { readonly line: string; readonly as: Readonly<Record<string, string>> }>> =
  {
    'see.spin': { line: 'line.index', as: { right: 'yes' } },
    'see.index': { line: 'line.index', as: { right: 'yes', still: 'no' } },
    'see.home': { line: 'line.track-0', as: { right: 'found' } },
    'see.ready': { line: 'line.ready', as: { right: 'yes' } },
  }

/** A point that nobody tried by itself, where something else that is on the log tells the same. */
function combined(point: TestPoint, answers: ReadonlyMap<string, LastAnswer>): LastAnswer | undefined {
  const told = TOLD_BY_LINE[point.check]
  const line = told && answers.get(told.line)
  const shown = line?.source === 'recording' ? told!.as[line.answer] : undefined
  if (shown) return { ...line!, answer: shown }
  const whole = answers.get('see.protect')
  const answer = whole && BOTH_WAYS[point.check]?.[whole.answer]
  if (!whole || !answer) return undefined
  const good = answer === (point.check === 'protect.blocks' ? 'refused' : 'written')
  return { ...whole, answer, good, before: whole.before && !good }
}
