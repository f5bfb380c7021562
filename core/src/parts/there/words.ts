import { formatObservation, type CallKind } from '../../base/observations'
import type { StandingFinding } from '../../findings'
import { speedOf, type LogEntry, type PartKnown } from '../../log'
import type { PartNode } from '../types'
import type { PartsLog } from './parts-log'

/** What one entry says of a part. */
export interface Word {
  readonly seq: number
  readonly condition: 'good' | 'bad' | 'not known'
  readonly known: PartKnown
  readonly says: string
  /** Finding or instrument that says so; null for a person, or for what was fitted. */
  readonly by: string | null
  /** Another one has to be got. */
  readonly lost: boolean
}

/** The newest entry that sets what a part is like: a person's word on it, or another one that was fitted. */
export function settingOf(ids: readonly string[], { entries }: PartsLog): Word | null {
  const e = entries.findLast(({ data }) => {
    if (data?.type === 'part' || data?.type === 'part-fitted' || data?.type === 'part-used')
      return ids.includes(data.part)
    return data?.type === 'part-back' && data.how === 'replaced' && ids.includes(data.part)
  })
  const { data } = e ?? {}
  if (!e || !data) return null
  const word = { seq: e.seq, says: e.title, by: null, lost: false }
  if (data.type === 'part-fitted') return { ...word, condition: 'good', known: data.known }
  if (data.type !== 'part') return { ...word, condition: 'good', known: 'not known' }
  const amiss = data.condition === 'bad' || data.condition === 'missing'
  return {
    ...word,
    condition: amiss ? 'bad' : data.condition === 'good' ? 'good' : 'not known',
    known: data.known,
    lost: amiss,
  }
}

/** Whether a finding speaks of this part, and not of another one at another place. */
const speaks = (n: PartNode, f: StandingFinding, which: string | null): boolean =>
  (n.place === undefined || f.place === n.place) && (n.which === undefined || which === n.which)

/** What looks say of a part after some entry: the newest bad finding, else the newest good one. */
export function lookedAt(n: PartNode, log: PartsLog, after: number): Word | null {
  const of = (ids: readonly string[] = []) =>
    log.findings.filter(f => f.entry.seq > after && ids.includes(f.finding.id) && speaks(n, f, log.which)).at(-1)
  const bad = of(n.bad)
  const good = of(n.good)
  const f = bad ?? good
  if (!f) return null
  const lost = bad !== undefined && (n.lost ?? []).includes(bad.finding.id)
  return {
    seq: f.entry.seq,
    condition: bad ? 'bad' : 'good',
    known: 'looked at',
    says: f.entry.title,
    by: f.finding.id,
    lost,
  }
}

const GOOD: ReadonlySet<CallKind> = new Set(['leave', 'nudge'])

/**
 * What instruments say of a part after some entry. A nudge is an adjustment, not a fault; a mend says that something in
 * its path is wrong, not what.
 */
export function testedBy(n: PartNode, { entries }: PartsLog, after: number): Word | null {
  const test = entries.findLast(e => e.seq > after && e.call && e.call.kind !== 'unknown' && isTest(n, e))
  if (!test) return null
  if (!GOOD.has(test.call!.kind))
    return {
      seq: test.seq,
      condition: 'not known',
      known: 'not known',
      says: `Not cleared: ${test.call!.reasons[0]}`,
      by: testOf(test),
      lost: false,
    }
  const main = test.observations[0]
  const says = main ? `${main.label}: ${formatObservation(main)}` : test.title
  return { seq: test.seq, condition: 'good', known: 'tested', says, by: testOf(test), lost: false }
}

const isTest = (n: PartNode, e: LogEntry): boolean => n.tests?.includes(testOf(e) ?? '') ?? false

/** Instrument that an entry is of: a type of data, or a calculator's id. */
function testOf(e: LogEntry): string | null {
  const d = e.data
  if (!d) return null
  return d.type === 'sum' ? d.instrument : speedOf(e) ? 'speed' : d.type
}

/** Measures of a part that were typed last, over those of what was fitted. */
export function measuresOf(id: string, { entries }: PartsLog): Readonly<Record<string, number | string>> {
  let known: Record<string, number | string> = {}
  for (const { data } of entries) {
    if (data?.type === 'part-fitted' && data.part === id) known = { ...data.measures }
    if (data?.type === 'part' && data.part === id) known = { ...known, ...data.measures }
  }
  return known
}
