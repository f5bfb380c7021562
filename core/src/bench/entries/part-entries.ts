import { ParameterError } from '../../base/errors'
import { evidenceBy, lowerFirst } from '../../base/observations'
import {
  PART_KNOWN,
  PART_SAID,
  type DriveFacts,
  type LogEntry,
  type NewEntry,
  type PartEntryData,
  type PartKnown,
  type PartOrigin,
} from '../../log'
import { recordFinding } from '../../findings'
import { findPart, lentOut, partsOn, PART_TREE, readMeasures, type PartNode } from '../../parts'

/** What a person says of one part. */
export interface PartInput {
  readonly part: string
  readonly condition: string
  readonly known: string
  readonly measures: Readonly<Record<string, unknown>>
}

const wrong = (field: string, problem: string, expected: string) => new ParameterError(problem, expected, { field })

/** A part by its id. @throws ParameterError where no drive has one of this name */
function known(id: string): PartNode {
  const node = findPart(id)
  if (!node) throw wrong('part', `there is no part “${id}”`, 'one of the parts of a drive')
  return node
}

/**
 * A person's word on a part, as an entry.
 * @throws ParameterError where the drive has no such part, or a word or a measure cannot be
 */
export function partEntry(
  input: PartInput | undefined,
  drive: Pick<DriveFacts, 'mechanism' | 'features'>,
): Pick<NewEntry, 'title' | 'evidence'> & { readonly data: PartEntryData } {
  if (!input) throw wrong('part', 'the part is left out', 'which part, and what it is like')
  const node = known(input.part)
  if (!partsOn(drive, [], PART_TREE).some(n => n.id === node.id))
    throw wrong('part', `a drive of this type has no ${lowerFirst(node.label)}`, 'one of its parts')
  const condition = PART_SAID.find(c => c === input.condition)
  if (!condition) throw wrong('condition', `“${input.condition}” is not a condition`, PART_SAID.join(', '))
  const how = PART_KNOWN.find(k => k === input.known)
  if (!how) throw wrong('known', `“${input.known}” does not say how it is known`, PART_KNOWN.join(', '))
  const measures = measuresFor(node, input.measures)
  return {
    title: `${node.label}: ${condition}${condition === 'good' || condition === 'bad' ? `, ${how}` : ''}`,
    evidence: evidenceBy('hand'),
    data: { type: 'part', part: node.id, condition, known: how, measures },
  }
}

function measuresFor(node: PartNode, typed: Readonly<Record<string, unknown>>): PartEntryData['measures'] {
  if (node.shape) return readMeasures(node.shape, typed)
  if (Object.keys(typed).length)
    throw wrong('measures', `nothing is measured of a ${lowerFirst(node.label)} here`, 'no measures')
  return {}
}

/** A drive that was stripped: its release, and the part as it is called in it. It is owed nothing. */
export interface DonorOrigin {
  readonly kind: 'donor'
  readonly tag: string
  readonly release: string
  readonly part: string
}

/** A part that goes into a drive. */
export interface Fitting {
  readonly id: string
  readonly at: string
  readonly remark: string
  /** Part of the tree, as it is called where it goes in. */
  readonly part: string
  readonly from: PartOrigin | DonorOrigin
  readonly known: PartKnown
  readonly says: string
  readonly measures: PartEntryData['measures']
}

const bare = { station: 'drive-train', call: null, observations: [], evidence: null, takesBack: null } as const

/**
 * Entries of a part that goes in: what was fitted, with the finding that it amounts to, where the vocabulary has one,
 * so that gates and steps follow; and, where another drive gave it, the debt on that drive's log.
 * @param newId makes an id for each entry beside the first
 */
export function fittedEntries(
  f: Fitting,
  to: Pick<DriveFacts, 'id' | 'tag' | 'mechanism'>,
  newId: () => string,
): NewEntry[] {
  const node = known(f.part)
  const { from } = f
  const said = node.fitted ? recordFinding({ finding: node.fitted, place: node.place ?? null }, to.mechanism) : null
  const finding = said ? { finding: said.finding.id, place: said.place } : {}
  const fitted: NewEntry = {
    ...bare,
    at: f.at,
    id: f.id,
    driveId: to.id,
    kind: 'part-used',
    title: `${node.label} ${from.kind === 'spare' ? `“${from.name}”` : `of ${from.tag}`} fitted`,
    detail: [f.known === 'not known' ? 'Nobody had tested it.' : `There: ${f.says}`, f.remark]
      .filter(Boolean)
      .join(' '),
    data:
      from.kind === 'donor'
        ? { type: 'part-used', release: from.release, part: from.part, from: from.tag, ...finding }
        : { type: 'part-fitted', part: node.id, from, known: f.known, measures: f.measures, ...finding },
  }
  if (from.kind !== 'drive') return [fitted]
  const lent: NewEntry = {
    ...bare,
    at: f.at,
    id: newId(),
    driveId: from.id,
    kind: 'part-lent',
    title: `${node.label} lent to ${to.tag}`,
    detail: f.remark,
    data: { type: 'part-lent', part: node.id, to: { id: to.id, tag: to.tag }, fitted: f.id },
  }
  return [fitted, lent]
}

/** A lending that ends. */
export interface Returning {
  readonly id: string
  readonly at: string
  readonly remark: string
  /** Entry that lent it. */
  readonly lent: string
  readonly how: 'returned' | 'replaced'
}

/**
 * Entries of a part that comes back to the drive that lent it, or of another one in its place. What came back is
 * missing in the drive that had it.
 * @throws ParameterError where nothing is lent by this entry, or the debt was settled already
 */
export function backEntries(
  r: Returning,
  lender: Pick<DriveFacts, 'id' | 'tag'>,
  log: readonly LogEntry[],
  newId: () => string,
): NewEntry[] {
  const data = log.find(e => e.id === r.lent)?.data
  if (data?.type !== 'part-lent') throw wrong('lent', `${lender.tag} lent nothing by this entry`, 'a part that it lent')
  const open = [...lentOut(log).values()].find(l => l.entry === r.lent)
  const node = known(data.part)
  if (!open)
    throw wrong('lent', `the debt of the ${lowerFirst(node.label)} to ${lender.tag} is settled already`, 'an open one')
  const common = { at: r.at, detail: r.remark, ...bare }
  const back: NewEntry = {
    ...common,
    id: r.id,
    driveId: lender.id,
    kind: 'part-back',
    title:
      r.how === 'returned'
        ? `${node.label} back from ${data.to.tag}`
        : `${node.label} replaced: the old one stays in ${data.to.tag}`,
    data: { type: 'part-back', lent: r.lent, part: node.id, how: r.how },
  }
  if (r.how === 'replaced') return [back]
  const missing: NewEntry = {
    ...common,
    id: newId(),
    driveId: data.to.id,
    kind: 'part',
    title: `${node.label} went back to ${lender.tag}`,
    data: { type: 'part', part: node.id, condition: 'missing', known: 'looked at', measures: {} },
  }
  return [back, missing]
}
