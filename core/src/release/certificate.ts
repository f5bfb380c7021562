import { findMechanism } from '../drives'
import { CALLS, formatObservation } from '../base/observations'
import {
  inMachine,
  sealOf,
  speedsAmong,
  standingEntries,
  supportingEntries,
  type DriveFacts,
  type EntryKind,
  type LogEntry,
} from '../log'
import { asFoundRecord, findFinding, meaning, standingFindings, type RecordedItem } from '../findings'
import { complaintsOf } from '../bench/case'
import { putBackList } from '../bench/put-back'
import { findGate, isGateId, progressOf, STATIONS, type Progress } from '../bench/stations'
import { closingOf, ladderOf, type Closing, type Ladder } from '../proof'
import { CERTIFICATE_VERSION } from './certificate-version'
import type { Certificate, CertificateMeasurement, DiskWord } from './schema'
import { nextService } from './next-service'
import { asNumbered, type OwnEntry } from './log-as-written'
import { logHead } from './seal'

function asMeasurement(entry: LogEntry): CertificateMeasurement[] {
  const mean = entry.observations[0]
  if (entry.kind !== 'measurement' || !entry.call || !mean) return []
  const evidence = entry.evidence
  return [
    {
      what: mean.label,
      at: entry.at,
      value: formatObservation(mean),
      number: typeof mean.value === 'number' ? mean.value : null,
      unit: mean.unit,
      uncertainty: mean.uncertainty ?? null,
      how: mean.how,
      call: entry.call.kind,
      callLabel: CALLS[entry.call.kind].label,
      reason: entry.call.reasons[0]!,
      source: evidence?.source ?? 'said',
      by: evidence?.by ?? '',
      evidence: evidence?.recording ?? null,
      simulated: evidence?.source === 'simulated',
    },
  ]
}

/** Kinds of entries that the certificate has elsewhere, or sums up. */
const APART: ReadonlySet<EntryKind> = new Set([
  'received',
  'measurement',
  'released',
  'wait-ended',
  'finding',
  'as-found',
  'undone',
  'put-back',
  'override',
  'acknowledged',
  'part-used',
  'replaced',
  'replaces',
])

function overrideOf(e: LogEntry): Certificate['overrides'] {
  if (e.data?.type !== 'override') return []
  const { gate, missing } = e.data
  const known = isGateId(gate) ? findGate(gate) : null
  const needs = missing.map(id => known?.conditions.find(c => c.id === id)?.need ?? gateNamed(id))
  return [{ at: e.at, gate: known?.label ?? gate, missing: needs, reason: e.detail }]
}

function gateNamed(id: string): string {
  const before = id.replace('gate:', '')
  return isGateId(before) ? `the safety gate “${findGate(before).label}” is open` : id
}

function putBackSaid(record: readonly RecordedItem[]): string[] {
  const undone = record.filter(r => r.undone)
  if (undone.length === 0 || undone.some(r => !r.putBack)) return []
  const off = undone.filter(r => r.leftOff).length
  return [
    `${record.length} ${record.length === 1 ? 'thing was' : 'things were'} recorded as found and ${undone.length} undone; ${off ? `${undone.length - off} put back, ${off} left off on purpose` : 'all is put back'}.`,
  ]
}

/** The speeds that may be said of the drive itself. */
function speedsOf(standing: readonly LogEntry[]): {
  readonly first: CertificateMeasurement | null
  readonly last: CertificateMeasurement | null
  readonly lastEntry: LogEntry | null
} {
  const speeds = speedsAmong(standing).map(s => s.entry)
  const of = (e: LogEntry | undefined) => (e ? (asMeasurement(e)[0] ?? null) : null)
  return { first: of(speeds[0]), last: of(speeds.at(-1)), lastEntry: speeds.at(-1) ?? null }
}

function shownBy({ last, lastEntry }: ReturnType<typeof speedsOf>): string[] {
  if (!last || !lastEntry || last.call === 'unknown') return []
  const variation = lastEntry.observations.find(o => o.key === 'speed.variation.peak')
  const steady =
    variation && typeof variation.value === 'number'
      ? `, varying by ${variation.value.toFixed(2)} % zero to peak as far as its pickup can see`
      : ''
  const how = last.source === 'recording' || last.source === 'simulated' ? '' : ` (${last.how})`
  return [`The spindle turned at ${last.value} when last measured${steady}${how}.`]
}

function notShownBy(
  drive: DriveFacts,
  last: CertificateMeasurement | null,
  ladder: Ladder,
  closing: Closing,
  progress: Progress,
): string[] {
  const works = ladder.rungs.some(r => r.id !== 'turns' && r.reached)
  const open = STATIONS.filter(s => s.id !== 'release' && !progress.done.has(s.id)).map(s => s.label)
  return [
    ...(drive.simulated ? ['Anything of a real drive: this one is a software model, and so are its readings.'] : []),
    ...(last && last.call !== 'unknown' ? [] : ['The spindle’s speed: it was not measured surely enough to say.']),
    ...(works
      ? ladder.notClaims
      : ['That it reads or writes any disk: no instrument has measured that here, and a note is no proof.']),
    ...(ladder.stands === 'standard' ? [] : ['Alignment of heads, track zero and index: not measured.']),
    ...(last?.source === 'recording'
      ? ['The recorder’s own clock: it was taken to be right to 50 ppm, as ordinary crystals are.']
      : []),
    ...(!works || closing.proved
      ? []
      : closing.closed
        ? ['That it works with covers on: the short proof with its covers on is not complete.']
        : ['That it works with covers on: it was tested with covers off only.']),
    ...(open.length ? [`Stations not finished: ${open.join(', ')}.`] : []),
  ]
}

function cautionsOf(
  last: CertificateMeasurement | null,
  record: readonly RecordedItem[],
  progress: Progress,
): string[] {
  const list = putBackList(record)
  const left = list.steps.filter(s => !s.done).map(s => s.title.replace(': ', ' '))
  const off = last && (last.call === 'mend' || last.call === 'stop' || last.call === 'nudge')
  return [
    ...(off ? [`Its last speed reading says “${last.callLabel}”: ${last.reason}`] : []),
    ...(list.left ? [`Not put back: ${left.join(', ')}.`] : []),
    ...(progress.outcome === 'quarantined'
      ? ['Quarantined: nothing good goes into it, and nothing from it into a good drive.']
      : []),
  ]
}

const rungsOf = (ladder: Ladder): Certificate['rungs'] =>
  ladder.rungs.map(r => ({
    id: r.id,
    reached: r.reached,
    tests: r.tests.map(t => ({
      id: t.test.id,
      state: t.state,
      says: t.says,
      source: t.entry?.evidence?.source ?? null,
      simulated: t.entry?.evidence?.source === 'simulated',
    })),
  }))

const workOf = (standing: readonly LogEntry[]): Certificate['work'] =>
  standing
    .filter(e => !APART.has(e.kind))
    .map(e => ({
      at: e.at,
      station: STATIONS.find(s => s.id === e.station)!.label,
      what: e.title,
      detail: e.detail,
    }))

/**
 * Puts a drive's certificate together from its facts and its log. Every measurement is carried with its source; only
 * those that may support a claim about this drive do.
 * @param issuedAt ISO 8601, UTC; passed in because core has no clock
 * @param word what a reference disk's word rests on now; null where it is none of the shelf's
 */
export function buildCertificate(
  drive: DriveFacts,
  log: readonly OwnEntry[],
  workshop: string,
  issuedAt: string,
  word: (disk: string) => DiskWord | null = () => null,
): Certificate {
  const standing = standingEntries(log)
  const supporting = supportingEntries(log, drive)
  const progress = progressOf(log)
  const record = asFoundRecord(log)
  const speeds = speedsOf(supporting)
  const ladder = ladderOf(drive, log, disk => word(disk)?.trusted ?? null)
  const closing = closingOf(log, drive)
  const released = standing.findLast(e => e.kind === 'released')
  const { tag, simulated, maker, model, serial, host, receivedAt } = drive
  const content: Omit<Certificate, 'hash'> = {
    format: 'wobrin-certificate',
    version: CERTIFICATE_VERSION,
    state: progress.outcome ?? 'draft',
    issuedAt,
    workshop,
    drive: { tag, simulated, mechanism: findMechanism(drive.mechanism).label, maker, model, serial, host, receivedAt },
    machine: machineOf(standing),
    asFound: { ownerWords: drive.ownerWords, speed: speeds.first },
    asLeft: { speed: speeds.last },
    measurements: standing.flatMap(asMeasurement),
    work: workOf(standing),
    complaints: complaintsOf(drive, log).map(c => ({
      id: c.id,
      what: c.label,
      state: c.state,
      seen: c.seen,
      cause: c.cause?.label ?? null,
      cure: c.cure?.title ?? null,
      proof: c.proof,
      says: c.says,
    })),
    found: standingFindings(log)
      .filter(f => f.finding.call !== 'leave')
      .map(f => ({ at: f.entry.at, what: f.entry.title, means: meaning(f.finding, f.place), call: f.finding.call })),
    overrides: standing.flatMap(overrideOf),
    parts: standing.flatMap(partOf),
    claim: ladder.stands,
    rungs: rungsOf(ladder),
    closedUp: closing.proved,
    referenceDisks: disksOf(supporting, word),
    shown: [
      ...shownBy(speeds),
      ...ladder.claims,
      ...(closing.proved ? ['The short proof passed with its covers on.'] : []),
      ...putBackSaid(record),
    ],
    notShown: notShownBy(drive, speeds.last, ladder, closing, progress),
    cautions: cautionsOf(speeds.last, record, progress),
    remark: released?.detail ?? '',
    nextService: progress.outcome === 'released' ? nextService(drive.mechanism, log, released?.at ?? issuedAt) : [],
    logHead: logHead(asNumbered(log)),
  }
  return { ...content, hash: sealOf(content) }
}

/** Whole drives that were exchanged in the machine. */
function machineOf(standing: readonly LogEntry[]): Certificate['machine'] {
  const { replaces, replacedBy } = inMachine(standing)
  return {
    inPlaceOf: replaces && { tag: replaces.drive.tag, at: replaces.at },
    replacedBy: replacedBy && { tag: replacedBy.drive.tag, at: replacedBy.at },
  }
}

/** What was fitted new, or went into it from a donor. */
function partOf(e: LogEntry): Certificate['parts'] {
  if (e.data?.type === 'part-used') return [{ at: e.at, what: e.title, from: e.data.from }]
  if (e.data?.type === 'part-fitted') {
    const { from } = e.data
    return [{ at: e.at, what: e.title, from: from.kind === 'drive' ? from.tag : from.name }]
  }
  const fitted = e.data?.type === 'finding' && findFinding(e.data.finding).finding.fitted
  return fitted ? [{ at: e.at, what: e.title, from: '' }] : []
}

function disksOf(
  supporting: readonly LogEntry[],
  word: (disk: string) => DiskWord | null,
): Certificate['referenceDisks'] {
  const read = new Map<string, string>()
  for (const { data, at } of supporting) {
    const disk = data?.type === 'read-test' || data?.type === 'cross-read' || data?.type === 'sweep' ? data.disk : null
    if (disk) read.set(disk, at)
  }
  return [...read].flatMap(([disk, readAt]) => {
    const w = word(disk)
    return w ? [{ name: w.name, trusted: w.trusted, rests: w.rests, chain: w.chain, readAt }] : []
  })
}
