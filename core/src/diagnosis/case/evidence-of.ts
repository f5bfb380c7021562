import { lineName } from '../../calculators/electronics'
import { findFinding } from '../../findings'
import { findMechanism } from '../../drives'
import { actionOf } from '../drive/action-of'
import { answersOf, pooled, type Answer, type Evidence } from '../drive/evidence'
import {
  bandAnswers,
  lineAnswers,
  sensorAnswer,
  shareAnswer,
  speedAnswers,
  WORDS_AS,
  type ReadValue,
} from '../drive/readings-as'
import type { HasChecks } from '../drive/there'
import { findCheck, findComplaint } from '../knowledge/knowledge'
import { ParameterError } from '../../base/errors'
import { knownId } from '../nearest'
import { meantOn } from './meant-on'
import { answersOfFinding } from './findings-as'
import { COMPLAINT_STATES, METERED_LINES } from './reading-keys'
import type { CaseReading, DiagnosisCase } from './read-case'

/** Steps in time between lists where nobody said when. */
const LIST = 10_000
/** After everything that has a time. */
const LAST = 1e15

const checkOf = (id: string) => findCheck(id)!

/** What a complaint means, as evidence by what the owner said. */
function complained(id: string, order: number, drive: HasChecks): Evidence {
  const complaint = findComplaint(id)!
  return { key: `complaint.${id}`, says: complaint.label, any: meantOn(complaint, drive), source: 'said', order }
}

function complaintReading({ key, value, source }: CaseReading, order: number, drive: HasChecks): Evidence[] {
  const id = key.slice('complaint.'.length)
  const state = knownId(value, `state of a complaint`, COMPLAINT_STATES, key)
  const complaint = findComplaint(id)!
  const { label } = complaint
  const seen = { key, any: meantOn(complaint, drive), source }
  if (state === 'not seen') return [{ ...seen, says: `${label}: not seen here`, negated: true, order }]
  if (state === 'cured')
    return [
      { ...seen, says: `${label}, before it was cured`, order: -LIST },
      { ...seen, key: `${key}.cured`, says: `${label}: cured`, negated: true, order: LAST },
    ]
  return [
    {
      ...seen,
      says: state === 'seen' ? label : `${label}, now and then`,
      weak: state !== 'seen' || undefined,
      order,
    } as Evidence,
  ]
}

function answersTo(r: CaseReading, c: DiagnosisCase): (readonly Answer[])[] {
  const one = (answer: string) => [{ check: r.key, answer }]
  const words = WORDS_AS[r.key]
  if (words) return [[words[knownId(r.value, `value of ${r.key}`, Object.keys(words), r.key)]!]]
  const check = checkOf(r.key)
  if (typeof r.value !== 'number')
    return [
      one(
        knownId(
          r.value === true ? 'yes' : r.value === false ? 'no' : r.value,
          `value of ${r.key}`,
          check.answers,
          r.key,
        ),
      ),
    ]
  if (r.key === 'speed.mean') return speedAnswers(c.mechanism, r.value, r.uncertainty ?? 1).map(one)
  if (r.key === 'speed.variation')
    return [one(r.value > findMechanism(c.mechanism).speed.variation.value ? 'uneven' : 'steady')]
  if (!check.bands)
    throw new ParameterError(`${r.key} is not a number`, `one of ${check.answers.join(', ')}`, { field: r.key })
  // Shares of sectors are counted, and a count is exact.
  const slack = r.uncertainty ?? (r.key.startsWith('read.') ? 0 : Math.abs(r.value) * 0.01)
  return bandAnswers(check.bands, Math.abs(r.value), slack).map(one)
}

const written = ({ key, value, unit }: CaseReading): string => {
  const check = findCheck(key)
  // A share of some sectors is known to no more than three figures.
  const plain = typeof value === 'number' ? Number(value.toPrecision(unit.startsWith('%') ? 3 : 5)) : value
  const said = check?.words?.[String(value)] ?? String(plain)
  return `${check?.title ?? key}: ${[said, unit].filter(Boolean).join(' ')}`
}

/** Readings that say something only together. */
function together(readings: readonly (CaseReading & { order: number })[]): Evidence[] {
  const last = (key: string) => readings.findLast(r => r.key === key)
  const out: Evidence[] = []
  for (const name of ['index', 'track-0', 'protect']) {
    const [lit, shaded] = [last(`sensor.${name}.lit`), last(`sensor.${name}.shaded`)]
    const answer = lit && sensorAnswer(lit as ReadValue, shaded as ReadValue | undefined)
    if (lit && answer)
      out.push({
        key: `sensor.${name}`,
        says: `The ${name} sensor, lit ${lit.value} ${lit.unit}${shaded ? `, shaded ${shaded.value} ${shaded.unit}` : ''}`,
        any: [[{ check: `sensor.${name}`, answer }]],
        source: lit.source,
        order: lit.order,
      })
  }
  for (const line of METERED_LINES) {
    const [active, idle] = [last(`level.${line}.active`), last(`level.${line}.idle`)]
    const answers = active && idle ? lineAnswers(Number(active.value), Number(idle.value)) : []
    if (active && idle && answers.length)
      out.push({
        key: `line.${line}`,
        says: `${lineName(line)} at the drive: ${active.value} V active, ${idle.value} V idle`,
        any: answers.map(answer => [{ check: `line.${line}`, answer }]),
        source: active.source,
        order: Math.max(active.order, idle.order),
      })
  }
  const [tried, read] = [last('disks.tried'), last('disks.read')]
  if (tried && read)
    out.push({
      key: 'disks.share',
      says: `${read.value} of ${tried.value} disks read`,
      any: [[{ check: 'disks.share', answer: shareAnswer(Number(tried.value), Number(read.value)) }]],
      source: read.source,
      order: read.order,
    })
  const [marked, formatted] = [last('disk.marked'), last('disk.formatted')]
  if (marked && formatted)
    out.push({
      key: 'disk.match',
      says: `The disk is marked ${marked.value} and formatted ${formatted.value}`,
      any: [[{ check: 'disk.match', answer: marked.value === formatted.value ? 'same' : 'differs' }]],
      source: formatted.source,
      order: formatted.order,
    })
  return out
}

const PIECES = /^(?:sensor\..+\.(?:lit|shaded)|level\..+|disks\.(?:tried|read|one-writer)|disk\.(?:marked|formatted))$/

function foundAs(id: string, place: string | null, order: number): Evidence[] {
  const { finding, question } = findFinding(id)
  const says = `${question.topic}: ${finding.label.toLowerCase()}`
  const answers = [...answersOfFinding(id, place)]
  if (findCheck(`found.${question.id}`)) answers.push([{ check: `found.${question.id}`, answer: id }])
  return answers.map((any, i) => ({
    key: i ? `${id}/${i}` : id,
    says,
    any: any.map(answer => [answer]),
    source: 'hand' as const,
    order,
  }))
}

/** Everything that a case tells, as evidence over the model of its drive. */
export function evidenceOf(c: DiagnosisCase, drive: HasChecks): Evidence[] {
  const timed = <T extends { readonly at: number | null }>(items: readonly T[], list: number) =>
    items.map((item, i) => ({ ...item, order: item.at ?? list * LIST + i + 1 }))
  const readings = timed(c.readings, 2).map(r =>
    r.key === 'speed.variation.peak' ? { ...r, key: 'speed.variation' } : r,
  )
  const out: Evidence[] = [
    ...timed(c.complaints, 0).map(x => complained(x.id, x.at ?? 0, drive)),
    ...timed(c.found, 1).flatMap(f => foundAs(f.finding, f.place, f.order)),
    ...readings.filter(r => r.key.startsWith('complaint.')).flatMap(r => complaintReading(r, r.order, drive)),
    ...readings
      .filter(r => !r.key.startsWith('complaint.') && !PIECES.test(r.key))
      .map(r => ({ key: r.key, says: written(r), any: answersTo(r, c), source: r.source, order: r.order })),
    ...together(readings),
    ...timed(c.checks, 3).map(x => ({
      key: x.check,
      says: `${checkOf(x.check).title}: ${checkOf(x.check).words?.[x.answer] ?? x.answer}`,
      any: [[{ check: x.check, answer: x.answer }]],
      source: checkOf(x.check).source,
      order: x.order,
    })),
  ]
  const known = settledInTime(out, c)
  const changed = known.filter(e => actionOf(e, drive)).map(e => e.order)
  return pooled(known, changed)
}

/** What was done without an outcome, and without a time, in its place: before a reading that came out otherwise. */
function settledInTime(evidence: readonly Evidence[], c: DiagnosisCase): Evidence[] {
  const told = new Set(evidence.map(e => e.key))
  const done = c.done.filter(d => !told.has(`after.${d.treatment}`))
  if (done.length === 0) return [...evidence]
  const again = evidence.filter(e =>
    evidence.some(o => o.key === e.key && o.order < e.order && answersOf(o) !== answersOf(e)),
  )
  return [
    ...evidence,
    ...done.map((d): Evidence => {
      const check = `after.${d.treatment}`
      const order = d.at ?? (again.length ? Math.min(...again.map(e => e.order)) - 0.5 : LAST)
      const says = `${checkOf(check).title}: outcome not noted`
      return { key: check, says, any: [[{ check, answer: 'same' }]], source: 'said', order, weak: true }
    }),
  ]
}
