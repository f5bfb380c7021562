import { addTo } from '../../base/order'
import type { SourceId } from '../../base/observations'
import type { CaseReading } from '../../diagnosis'
import { POINT, UNTRIED } from '../../diagnosis/readings'
import { findingsAmong } from '../../findings'
import { supportingEntries, type AsFoundItem, type DriveFacts, type LogEntry } from '../../log'
import type { ModelSheet } from '../../drives/models'

/** A drive with its log. */
export interface LoggedDrive {
  readonly drive: DriveFacts
  readonly log: readonly LogEntry[]
}

/** What one of two drives shows in a row. */
export interface ComparedValue {
  /** As it is read: a number with its unit, or words. */
  readonly says: string
  readonly value: number | string
  readonly unit: string
  readonly source: SourceId | null
  /** Entry that it is from. */
  readonly entry: LogEntry
}

export const COMPARED = {
  points: 'Test points',
  readings: 'Readings',
  findings: 'Findings',
  marks: 'Parts, straps and wires as found',
} as const
export type ComparedGroup = keyof typeof COMPARED

/** One thing of two drives, side by side. */
export interface ComparedRow {
  readonly group: ComparedGroup
  readonly key: string
  readonly label: string
  /** Part of the diagnosis that it tells of; null where nobody said. */
  readonly part: string | null
  readonly mine: ComparedValue | null
  readonly other: ComparedValue | null
  /** Whether both differ by more than their uncertainties; null where one of them is not known. */
  readonly differs: boolean | null
}

/** Where nobody said how good a number is: a share of the larger one (from memory). */
const USUAL_SHARE = 0.05

function differ(a: ComparedValue, b: ComparedValue): boolean {
  if (typeof a.value !== 'number' || typeof b.value !== 'number')
    return String(a.value).trim().toLowerCase() !== String(b.value).trim().toLowerCase()
  if (a.unit !== b.unit) return true
  const half = Math.max(Math.abs(a.value), Math.abs(b.value)) * USUAL_SHARE
  const of = (v: ComparedValue) => v.entry.observations[0]?.uncertainty ?? half
  // Two drives of one model differ by their parts' tolerances too: less than the usual share is no difference.
  return Math.abs(a.value - b.value) > Math.max(half, Math.hypot(of(a), of(b)))
}

type Found = ReadonlyMap<string, { readonly label: string; readonly value: ComparedValue }>

/** Readings that tell of the drive itself; what it is complained of, and what could not be tried, is another thing. */
const isOwn = (key: string): boolean => !/^(?:complaint|after|swap|compare)\./.test(key) && !key.startsWith(UNTRIED)

function readingsOf({ drive, log }: LoggedDrive): Map<string, { label: string; value: ComparedValue }> {
  const out = new Map<string, { label: string; value: ComparedValue }>()
  for (const entry of supportingEntries(log, drive)) {
    const { data } = entry
    if (data?.type !== 'reading' || !isOwn(data.key)) continue
    const says = data.count
      ? `${data.count.good} of ${data.count.sectors}`
      : [data.value, data.unit].filter(x => x !== '').join(' ')
    const label = entry.observations[0]?.label ?? data.key
    const { value, unit } = data
    out.set(data.key, { label, value: { says, value, unit, source: entry.evidence?.source ?? null, entry } })
  }
  return out
}

function findingsOf({ drive, log }: LoggedDrive): Found {
  return new Map(
    findingsAmong(supportingEntries(log, drive)).map(f => {
      const says = [f.finding.label.toLowerCase(), f.place].filter(Boolean).join(', ')
      return [
        f.question.id,
        { label: f.question.topic, value: { says, value: says, unit: '', source: 'hand', entry: f.entry } },
      ]
    }),
  )
}

const markSays = (m: AsFoundItem): string =>
  [m.state, m.detail, m.colour, m.from && m.to ? `${m.from} to ${m.to}` : m.from || m.to, m.measured]
    .filter(Boolean)
    .join(', ')

function marksOf({ drive, log }: LoggedDrive): Found {
  return new Map(
    supportingEntries(log, drive).flatMap(entry => {
      const { data } = entry
      if (data?.type !== 'as-found') return []
      const says = markSays(data.item)
      const value: ComparedValue = { says: says || 'there', value: says, unit: '', source: null, entry }
      return [[`${data.item.kind} ${data.item.name.toLowerCase()}`, { label: data.item.name, value }] as const]
    }),
  )
}

/**
 * Two drives side by side: test points of their model, readings, findings, and what was marked before it was touched.
 * What differs comes first, then what only one of them shows.
 * @param sheet the model's sheet; its test points stand there even where neither drive was measured
 */
export function compareDrives(mine: LoggedDrive, other: LoggedDrive, sheet: ModelSheet | null): ComparedRow[] {
  const [own, theirs] = [readingsOf(mine), readingsOf(other)]
  const points = new Map((sheet?.points ?? []).map(p => [`${POINT}${p.id}`, p]))
  const keys = [...new Set([...points.keys(), ...own.keys(), ...theirs.keys()])]
  const readings = keys.map((key): ComparedRow => {
    const point = points.get(key)
    const [a, b] = [own.get(key), theirs.get(key)]
    const label = point ? [point.name, point.state].filter(Boolean).join(', ') : (a ?? b)!.label
    return row(key.startsWith(POINT) ? 'points' : 'readings', key, label, a?.value, b?.value, point?.part)
  })
  const both = (group: ComparedGroup, a: Found, b: Found): ComparedRow[] =>
    [...new Set([...a.keys(), ...b.keys()])].map(key =>
      row(group, key, (a.get(key) ?? b.get(key))!.label, a.get(key)?.value, b.get(key)?.value),
    )
  const rank = (r: ComparedRow) => (r.differs ? 0 : r.differs === null ? 1 : 2)
  return [
    ...readings,
    ...both('findings', findingsOf(mine), findingsOf(other)),
    ...both('marks', marksOf(mine), marksOf(other)),
  ].sort((a, b) => rank(a) - rank(b))
}

const row = (
  group: ComparedGroup,
  key: string,
  label: string,
  mine: ComparedValue | null = null,
  other: ComparedValue | null = null,
  part: string | null = null,
): ComparedRow => ({ group, key, label, part, mine, other, differs: mine && other ? differ(mine, other) : null })

/**
 * What a comparison with an identical drive that works says of the parts of this one: where a test point of a part
 * differs the part is suspect, where all of them agree it is not.
 */
export function comparedReadings(rows: readonly ComparedRow[]): CaseReading[] {
  const byPart = new Map<string, ComparedRow[]>()
  for (const r of rows) if (r.part && r.differs !== null) addTo(byPart, r.part, r)
  return [...byPart].map(([part, of]) => {
    const telling = of.find(r => r.differs) ?? of[0]!
    const { entry, source } = telling.mine!
    return {
      key: `compare.${part}`,
      value: telling.differs ? 'differs' : 'same',
      unit: '',
      source: source ?? 'hand',
      uncertainty: null,
      at: entry.seq,
    }
  })
}
