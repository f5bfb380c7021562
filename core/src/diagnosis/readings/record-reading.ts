import { ParameterError } from '../../base/errors'
import {
  evidenceWords,
  plain,
  type Call,
  type Evidence,
  type Observation,
  type SourceId,
} from '../../base/observations'
import { SPEED_KEY, type CountedSectors, type DriveFacts, type ReadingEntryData, type StationId } from '../../log'
import { judgeTypedSpeed } from './judge-typed-speed'
import { nearestIds } from '../nearest'
import { CASE_READINGS, findReading, UNTRIED } from './derived'
import { POINT, pointReading } from './point-reading'
import { READINGS, usualUncertainty, type Reading, type ReadingWay } from './readings'

/** A reading as a person types it. */
export interface ReadingInput {
  readonly key: string
  /** A number, or one of the reading's words; for a count the sectors that read. */
  readonly value: number | string
  /** For a test point: its name and its unit. */
  readonly label?: string
  readonly unit?: string
  /** For a count: sectors that were tried. */
  readonly of?: number
  /** How it was taken; the usual way if not given. */
  readonly source?: SourceId
  readonly by?: string
  /** Half-width of the 95 % interval in the reading's unit; what is usual for the source if not given. */
  readonly uncertainty?: number | null
  /** Turns of the trimmer since the speed before; positive is to the right. */
  readonly movedTurns?: number
}

export interface RecordedReading {
  readonly title: string
  readonly station: StationId
  /** Null where the value by itself calls for nothing: a complaint is a question, not an answer. */
  readonly call: Call | null
  readonly observations: readonly Observation[]
  readonly evidence: Evidence
  readonly data: ReadingEntryData
}

type JudgedDrive = Pick<DriveFacts, 'mechanism' | 'nominalRpm' | 'hasTrimmer' | 'motor'>

/**
 * A typed reading with its source, its uncertainty and the call on it.
 * @throws ParameterError that names the field: an unknown key, a value out of range, a word that it cannot be
 */
export function recordReading(input: ReadingInput, drive: JudgedDrive): RecordedReading {
  const reading = findReading(input.key) ?? pointReading(input.key, input.label, input.unit)
  if (!reading)
    throw new ParameterError(`there is no reading “${input.key}”`, `one such as ${nearest(input.key)}`, {
      field: 'key',
    })
  const count = reading.kind === 'count' ? counted(reading, input) : null
  const value = count ? (100 * count.good) / count.sectors : valueOf(reading, input.value)
  const way = wayOf(reading, input)
  const uncertainty = typeof value === 'number' && !count ? uncertaintyOf(input, way, value) : null
  const evidence: Evidence = { source: way.source, by: way.by, recording: null }
  const how = `${evidenceWords(evidence)}${count ? `, ${count.good} of ${count.sectors} sectors` : ''}`
  const shown = typeof value === 'number' ? Number(value.toPrecision(6)) : value
  const observation: Observation = {
    key: reading.key,
    label: reading.label,
    value: shown,
    unit: reading.unit,
    ...(uncertainty === null ? {} : { uncertainty }),
    how,
  }
  return {
    title: `${reading.label}: ${said(reading, shown, count)}`,
    station: reading.station,
    call: callOn(reading, shown, uncertainty, count, drive),
    observations: [observation],
    evidence,
    data: {
      type: 'reading',
      key: reading.key,
      value: shown,
      unit: reading.unit,
      uncertainty,
      count,
      movedTurns: reading.key === SPEED_KEY ? (input.movedTurns ?? 0) : 0,
    },
  }
}

const nearest = (key: string): string =>
  nearestIds(
    key,
    [...READINGS, ...CASE_READINGS].map(r => r.key),
  ).join(', ')

const said = (reading: Reading, value: number | string, count: CountedSectors | null) =>
  count
    ? `${count.good} of ${count.sectors}`
    : `${typeof value === 'number' ? plainly(value) : value}${reading.unit ? ` ${reading.unit}` : ''}`

/** As many digits as were typed. */
const plainly = (x: number) => String(x).replace('-', '−')

function counted(reading: Reading, { value, of }: ReadingInput): CountedSectors {
  const good = Number(value)
  const where = { field: 'value' }
  if (!Number.isInteger(of) || of! < 1)
    throw new ParameterError(`${reading.label}: ${of ?? 'no'} sectors were tried`, 'a whole number, 1 or more', {
      field: 'of',
    })
  if (!Number.isInteger(good) || good < 0 || good > of!)
    throw new ParameterError(
      `${reading.label}: ${String(value)} of ${of} sectors cannot have read`,
      `0 to ${of}`,
      where,
    )
  return { good, sectors: of! }
}

function valueOf(reading: Reading, value: number | string): number | string {
  const where = { field: 'value' }
  if (reading.kind === 'word') {
    if (typeof value === 'string' && reading.words!.includes(value)) return value
    throw new ParameterError(`${reading.label} cannot be “${String(value)}”`, reading.words!.join(', '), where)
  }
  if (reading.kind === 'text') {
    const words = String(value).trim()
    if (words.length > 0 && words.length <= 80) return words
    throw new ParameterError(`${reading.label}: nothing was given`, 'a word, at most 80 characters', where)
  }
  const number = typeof value === 'number' ? value : Number(value.trim().replace(',', '.') || Number.NaN)
  const [least, most] = [reading.least ?? -Infinity, reading.most ?? Infinity]
  if (!Number.isFinite(number) || number < least || number > most)
    throw new ParameterError(
      `${reading.label}: “${String(value)}” cannot be`,
      `a number from ${least} to ${most} ${reading.unit}`,
      where,
    )
  return number
}

function wayOf(reading: Reading, { source, by }: ReadingInput): ReadingWay {
  const known = reading.ways.find(w => (!source || w.source === source) && (!by || w.by === by))
  if (known) return known
  const near = reading.ways.find(w => w.source === source)
  return { ...(near ?? { uncertainty: null, from: 'from memory' as const }), source: source ?? 'hand', by: by ?? '' }
}

/** A speed is never taken as exact: without any other word it is good to half a per cent. */
const FALLBACK = 0.005

function uncertaintyOf(input: ReadingInput, way: ReadingWay, value: number): number | null {
  if (input.uncertainty !== undefined && input.uncertainty !== null) {
    if (input.uncertainty >= 0 && Number.isFinite(input.uncertainty)) return input.uncertainty
    throw new ParameterError(`an uncertainty of ${input.uncertainty}`, 'a number, 0 or more', { field: 'uncertainty' })
  }
  const usual = usualUncertainty(way, value) ?? (input.key === SPEED_KEY ? value * FALLBACK : null)
  return usual === null ? null : Number(usual.toPrecision(2))
}

function callOn(
  reading: Reading,
  value: number | string,
  uncertainty: number | null,
  count: CountedSectors | null,
  drive: JudgedDrive,
): Call | null {
  // A complaint is a question; what could not be tried, and a test point by itself, say nothing.
  if (['complaint.', UNTRIED, POINT].some(start => reading.key.startsWith(start))) return null
  if (reading.key === SPEED_KEY && typeof value === 'number') return judgeTypedSpeed(value, uncertainty ?? 0, drive)
  if (count) return callOnCount(reading, count)
  if (typeof value === 'number') return callOnNumber(reading, value, uncertainty ?? 0)
  if (reading.words?.[0] === value)
    return { kind: 'leave', reasons: [`${reading.label}: ${value}.`], next: 'Continue with the next step.' }
  return {
    kind: 'unknown',
    reasons: [`${reading.label}: ${value}. By itself this does not say which part is at fault.`],
    next: 'Compare it with an identical drive, or look at what comes before it.',
  }
}

function callOnCount(reading: Reading, { good, sectors }: CountedSectors): Call {
  if (good === sectors)
    return {
      kind: 'leave',
      reasons: [`${reading.label}: all ${sectors}. A count says nothing of the margin that is left.`],
      next: 'Continue with the next step.',
    }
  return {
    kind: 'unknown',
    reasons: [`${reading.label}: ${good} of ${sectors}. One disk is not enough evidence.`],
    next: 'Clean the heads and try another disk before a part is blamed.',
  }
}

function callOnNumber(reading: Reading, value: number, uncertainty: number): Call {
  const shown = `${reading.label}: ${plainly(value)} ${reading.unit}`
  if (!reading.right)
    return {
      kind: 'unknown',
      reasons: [`${shown}. What it should be is not known here.`],
      next: 'Compare it with an identical drive.',
    }
  const { low, high, source } = reading.right
  const limits = `${plain(low)} to ${plain(high)} ${reading.unit}, ${source}`
  if (value >= low && value <= high)
    return { kind: 'leave', reasons: [`${shown}, inside ${limits}.`], next: 'Continue with the next step.' }
  if (value + uncertainty >= low && value - uncertainty <= high)
    return { kind: 'unknown', reasons: [`${shown} is at the edge of ${limits}.`], next: 'Measure it again under load.' }
  return {
    kind: 'mend',
    reasons: [`${shown}, outside ${limits}.`],
    next: 'Look at the supply, its plug and its leads before anything behind them.',
  }
}
