import { ParameterError } from '../../base/errors'
import { SOURCE_IDS, type SourceId } from '../../base/observations'
import { MECHANISM_IDS, NO_FEATURES, type Features, type MechanismId } from '../../drives'
import { QUESTIONS } from '../../findings'
import { TREATMENTS } from '../knowledge/actions'
import { COMPLAINTS } from '../knowledge/complaints'
import { CHECKS, findCheck } from '../knowledge/knowledge'
import { knownId } from '../nearest'
import { READING_KEYS } from './reading-keys'

/** A value that somebody read, with where it came from and, where it matters, when. */
export interface CaseReading {
  readonly key: string
  readonly value: number | string | boolean
  readonly unit: string
  readonly source: SourceId
  readonly uncertainty: number | null
  readonly at: number | null
}

/** What is known of one drive. Times are any numbers that rise. */
export interface DiagnosisCase {
  readonly mechanism: MechanismId
  readonly features: Features | null
  /** Year of make. */
  readonly year: number | null
  /** Its model, where it is known: lamps tell by model. */
  readonly model?: string
  readonly complaints: readonly { readonly id: string; readonly at: number | null }[]
  readonly found: readonly { readonly finding: string; readonly place: string | null; readonly at: number | null }[]
  readonly readings: readonly CaseReading[]
  readonly checks: readonly { readonly check: string; readonly answer: string; readonly at: number | null }[]
  readonly done: readonly { readonly treatment: string; readonly at: number | null }[]
}

const FINDING_IDS = QUESTIONS.flatMap(q => q.findings.map(f => f.id))
const TREATMENT_IDS = TREATMENTS.map(t => t.treatment)
const COMPLAINT_IDS = COMPLAINTS.map(c => c.id)
const CHECK_IDS = CHECKS.map(c => c.id)

type Loose = Readonly<Record<string, unknown>>

const isObject = (x: unknown): x is Loose => typeof x === 'object' && x !== null && !Array.isArray(x)

function listAt(input: Loose, field: string): readonly unknown[] {
  const value = input[field]
  if (value === undefined || value === null) return []
  if (!Array.isArray(value)) throw new ParameterError(`${field} is not a list`, 'a list', { field })
  return value
}

function timeOf(item: unknown, field: string): number | null {
  const at = isObject(item) ? item.at : undefined
  if (at === undefined || at === null) return null
  const value = typeof at === 'string' ? Date.parse(at) : at
  if (typeof value !== 'number' || !Number.isFinite(value))
    throw new ParameterError(`at is not a time`, 'a number', { field: `${field}.at` })
  return value
}

/** Year of make from a number, or from words that hold one, such as `1988–1995` (its middle) or `1980s`. */
function yearOf(era: unknown): number | null {
  if (era === undefined || era === null || era === '') return null
  const years = String(era)
    .match(/\d{4}/g)
    ?.map(Number)
    .filter(y => y >= 1960 && y <= 2040)
  if (!years?.length)
    throw new ParameterError(`the era ${JSON.stringify(era)} names no year`, 'a year such as 1989', { field: 'era' })
  const decade = /\d{3}0s/.test(String(era)) ? 5 : 0
  return Math.round(years.reduce((s, y) => s + y, 0) / years.length) + decade
}

function featuresOf(value: unknown): Features | null {
  if (value === undefined || value === null) return null
  if (!isObject(value)) throw new ParameterError('features is not an object', 'an object', { field: 'features' })
  const known = [...Object.keys(NO_FEATURES)]
  for (const key of Object.keys(value)) knownId(key, 'feature', known, 'features')
  return { ...NO_FEATURES, ...value } as Features
}

function readingOf(item: unknown, field: string): CaseReading {
  if (!isObject(item)) throw new ParameterError('a reading is not an object', '{ key, value, unit, source }', { field })
  const key = knownId(item.key, 'reading', READING_KEYS, `${field}.key`)
  const { value, unit = '', source = 'hand', uncertainty = null } = item
  if (typeof value !== 'number' && typeof value !== 'string' && typeof value !== 'boolean')
    throw new ParameterError(`the value of ${key} is missing`, 'a number or a word', { field: `${field}.value` })
  if (typeof value === 'number' && !Number.isFinite(value))
    throw new ParameterError(`the value of ${key} is not a number`, 'a number', { field: `${field}.value` })
  if (uncertainty !== null && (typeof uncertainty !== 'number' || !(uncertainty >= 0)))
    throw new ParameterError(`the uncertainty of ${key} is not a number of 0 or more`, 'a number of 0 or more', {
      field: `${field}.uncertainty`,
    })
  return {
    key,
    value,
    unit: typeof unit === 'string' ? unit : '',
    source: knownId(source, 'source', SOURCE_IDS, `${field}.source`) as SourceId,
    uncertainty,
    at: timeOf(item, field),
  }
}

/**
 * A case as it stands in a file.
 * @throws ParameterError that names the field; an unknown id with the nearest known ones
 */
export function readCase(input: unknown): DiagnosisCase {
  if (!isObject(input)) throw new ParameterError('the case is not an object', 'an object with "mechanism"')
  const mechanism = knownId(input.mechanism, 'drive type', MECHANISM_IDS, 'mechanism') as MechanismId
  const id = (item: unknown, key: string) => (isObject(item) ? item[key] : item)
  return {
    mechanism,
    features: featuresOf(input.features),
    year: yearOf(input.era),
    ...(typeof input.model === 'string' ? { model: input.model } : {}),
    complaints: listAt(input, 'complaints').map((c, i) => ({
      id: knownId(id(c, 'id'), 'complaint', COMPLAINT_IDS, `complaints[${i}]`),
      at: timeOf(c, `complaints[${i}]`),
    })),
    found: listAt(input, 'found').map((f, i) => ({
      finding: knownId(id(f, 'finding'), 'finding', FINDING_IDS, `found[${i}]`),
      place: isObject(f) && typeof f.place === 'string' ? f.place : null,
      at: timeOf(f, `found[${i}]`),
    })),
    readings: listAt(input, 'readings').map((r, i) => readingOf(r, `readings[${i}]`)),
    checks: listAt(input, 'checks').map((c, i) => {
      const field = `checks[${i}]`
      const check = knownId(id(c, 'check'), 'check', CHECK_IDS, `${field}.check`)
      const answers = findCheck(check)!.answers
      const answer = knownId(isObject(c) ? c.answer : undefined, `answer to ${check}`, answers, `${field}.answer`)
      return { check, answer, at: timeOf(c, field) }
    }),
    done: listAt(input, 'done').map((d, i) => ({
      treatment: knownId(id(d, 'treatment'), 'treatment', TREATMENT_IDS, `done[${i}]`),
      at: timeOf(d, `done[${i}]`),
    })),
  }
}

/** A case with one more answer, given after everything that it holds. */
export const withAnswer = (c: DiagnosisCase, check: string, answer: string): DiagnosisCase => ({
  ...c,
  checks: [...c.checks, { check, answer, at: null }],
})
