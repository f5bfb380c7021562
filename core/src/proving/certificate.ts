import { findMechanism } from '../mechanisms'
import {
  CALLS,
  formatObservation,
  standingEntries,
  type CallKind,
  type EntryKind,
  type LogEntry,
  type Outcome,
} from '../observations'
import { asFoundRecord, putBackList, type RecordedItem } from '../as-found'
import { meaning, standingFindings } from '../findings'
import { findGate, isGateId, progressOf, speedEntries, STATIONS } from '../procedures'
import { closingOf } from './closing'
import type { DriveFacts } from './drive'
import { ladderOf } from './ladder'
import { nextService, type ServiceDate } from './next-service'
import type { RungId } from './proof-tests'
import type { DiskStanding } from './reference-disks'
import { logHead, sealOf, type LogHead } from './seal'

/** Version of the certificate's form; its JSON Schema is published with it. */
export const CERTIFICATE_VERSION = 2

export interface CertificateMeasurement {
  readonly what: string
  readonly at: string
  readonly value: string
  /** The same as a number, where it is one, in `unit`. */
  readonly number: number | null
  readonly unit: string
  /** Half-width of the 95 % interval, in `unit`; null where none is known. */
  readonly uncertainty: number | null
  readonly how: string
  readonly call: CallKind
  readonly callLabel: string
  readonly reason: string
  /** SHA-256 of the recording it was computed from. */
  readonly evidence: string | null
  readonly simulated: boolean
}

/** A reference disk that the drive was judged by, and what its word rests on. */
export interface DiskWord {
  readonly name: string
  readonly trusted: boolean
  readonly rests: DiskStanding['rests']
  /** Each link in words: the disk, who wrote it, how that drive was proved. */
  readonly chain: readonly string[]
}

/** What a drive leaves with: what was shown, how, and what was not. */
export interface Certificate {
  readonly format: 'wobrin-certificate'
  readonly version: typeof CERTIFICATE_VERSION
  readonly state: 'draft' | Outcome
  readonly issuedAt: string
  readonly workshop: string
  readonly drive: {
    readonly tag: string
    readonly mechanism: string
    readonly maker: string
    readonly model: string
    readonly serial: string
    readonly host: string
    readonly receivedAt: string
  }
  readonly asFound: { readonly ownerWords: string; readonly speed: CertificateMeasurement | null }
  readonly asLeft: { readonly speed: CertificateMeasurement | null }
  readonly measurements: readonly CertificateMeasurement[]
  readonly work: readonly {
    readonly at: string
    readonly station: string
    readonly what: string
    readonly detail: string
  }[]
  /** What was found on it and still holds, other than what was found good. */
  readonly found: readonly {
    readonly at: string
    readonly what: string
    readonly means: string
    readonly call: CallKind
  }[]
  /** Gates that were passed although they were closed, and why. */
  readonly overrides: readonly {
    readonly at: string
    readonly gate: string
    readonly missing: readonly string[]
    readonly reason: string
  }[]
  /** Parts that went in: of donors, and what was found new or replaced. */
  readonly parts: readonly { readonly at: string; readonly what: string; readonly from: string }[]
  /** Highest rung of the ladder of claims that is reached; null for none. */
  readonly claim: RungId | null
  /** Whether the short proof passed with the covers on. */
  readonly closedUp: boolean
  readonly referenceDisks: readonly (DiskWord & { readonly readAt: string })[]
  readonly shown: readonly string[]
  readonly notShown: readonly string[]
  readonly cautions: readonly string[]
  /** What was written at its release: what to do next time, or why it was given up. */
  readonly remark: string
  readonly nextService: readonly ServiceDate[]
  /** Head of the log that it was made from. */
  readonly logHead: LogHead
  /** SHA-256 of all of the above as canonical JSON (RFC 8785). */
  readonly hash: string
}

function asMeasurement(entry: LogEntry): CertificateMeasurement[] {
  const mean = entry.observations[0]
  if (entry.kind !== 'measurement' || !entry.call || !mean) return []
  const speed = entry.data?.type === 'speed' ? entry.data : null
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
      reason: entry.call.reasons[0],
      evidence: speed?.captureSha ?? null,
      simulated: speed?.simulated ?? false,
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
  return isGateId(before) ? `the gate “${findGate(before).label}” is open` : id
}

function putBackSaid(record: readonly RecordedItem[]): string[] {
  const undone = record.filter(r => r.undone)
  if (undone.length === 0 || undone.some(r => !r.putBack)) return []
  const off = undone.filter(r => r.leftOff).length
  return [
    `${record.length} ${record.length === 1 ? 'thing was' : 'things were'} recorded as found and ${undone.length} undone; ${off ? `${undone.length - off} put back, ${off} left off on purpose` : 'all is put back'}.`,
  ]
}

function shownBy(last: CertificateMeasurement | null, lastEntry: LogEntry | undefined): string[] {
  if (!last || !lastEntry) return []
  if (last.simulated) return ['Nothing about the real drive: its readings came from a simulated pickup.']
  if (last.call === 'unknown') return []
  const variation = lastEntry.observations.find(o => o.key === 'speed.variation.peak')
  const steady =
    variation && typeof variation.value === 'number'
      ? `, varying by ${variation.value.toFixed(2)} % zero to peak as far as its pickup can see`
      : ''
  return [`The spindle turned at ${last.value} when last measured${steady}.`]
}

/**
 * Puts a drive's certificate together from its facts and its log.
 * @param issuedAt ISO 8601, UTC; passed in because core has no clock @param word what a reference disk's word rests on now; null where it is none of the shelf's
 */
export function buildCertificate(
  drive: DriveFacts,
  log: readonly LogEntry[],
  workshop: string,
  issuedAt: string,
  word: (disk: string) => DiskWord | null = () => null,
): Certificate {
  const standing = standingEntries(log)
  const progress = progressOf(log)
  const speeds = speedEntries(log)
  const measurements = standing.flatMap(asMeasurement)
  const record = asFoundRecord(log)
  const first = speeds[0] ? (asMeasurement(speeds[0].entry)[0] ?? null) : null
  const lastEntry = speeds.at(-1)?.entry
  const last = lastEntry ? (asMeasurement(lastEntry)[0] ?? null) : null
  const ladder = ladderOf(drive.mechanism, log, disk => word(disk)?.trusted ?? null)
  // The lowest rung is what the speed says already.
  const proved = ladder.stands !== null && ladder.stands !== 'turns'
  const notShown = [
    ...(last && last.call !== 'unknown' ? [] : ['The spindle’s speed: it was not measured surely enough to say.']),
    ...(proved
      ? ladder.notClaims
      : ['That it reads or writes any disk: no instrument has measured that here, and a note is no proof.']),
    ...(ladder.stands === 'standard' ? [] : ['Alignment of heads, track zero and index: not measured.']),
    ...(last ? ['The recorder’s own clock: it was taken to be right to 50 ppm, as ordinary crystals are.'] : []),
  ]
  const closing = closingOf(log)
  if (proved && !closing.proved)
    notShown.push(
      closing.closed
        ? 'That it works closed up: the short proof with its covers on is not whole.'
        : 'That it works closed up: it was proved open.',
    )
  const open = STATIONS.filter(s => s.id !== 'release' && !progress.done.has(s.id))
  if (open.length) notShown.push(`Stations not finished: ${open.map(s => s.label).join(', ')}.`)
  const cautions: string[] = []
  if (last && (last.call === 'mend' || last.call === 'stop' || last.call === 'nudge'))
    cautions.push(`Its last speed reading says “${last.callLabel}”: ${last.reason}`)
  const list = putBackList(record)
  if (list.left)
    cautions.push(
      `Not put back: ${list.steps
        .filter(s => !s.done)
        .map(s => s.title.replace(': ', ' '))
        .join(', ')}.`,
    )
  if (progress.outcome === 'quarantined')
    cautions.push('Quarantined: nothing good goes into it, and nothing from it into a good drive.')
  const released = standing.findLast(e => e.kind === 'released')
  const content: Omit<Certificate, 'hash'> = {
    format: 'wobrin-certificate',
    version: CERTIFICATE_VERSION,
    state: progress.outcome ?? 'draft',
    issuedAt,
    workshop,
    drive: {
      tag: drive.tag,
      mechanism: findMechanism(drive.mechanism).label,
      maker: drive.maker,
      model: drive.model,
      serial: drive.serial,
      host: drive.host,
      receivedAt: drive.receivedAt,
    },
    asFound: { ownerWords: drive.ownerWords, speed: first },
    asLeft: { speed: last },
    measurements,
    work: standing
      .filter(e => !APART.has(e.kind))
      .map(e => ({
        at: e.at,
        station: STATIONS.find(s => s.id === e.station)!.label,
        what: e.title,
        detail: e.detail,
      })),
    found: standingFindings(log)
      .filter(f => f.finding.call !== 'leave')
      .map(f => ({ at: f.entry.at, what: f.entry.title, means: meaning(f.finding, f.place), call: f.finding.call })),
    overrides: standing.flatMap(overrideOf),
    parts: standing.flatMap(partOf),
    claim: ladder.stands,
    closedUp: closing.proved,
    referenceDisks: disksOf(standing, word),
    shown: [
      ...shownBy(last, lastEntry),
      ...(proved ? ladder.claims : []),
      ...(closing.proved ? ['The short proof passed with its covers on.'] : []),
      ...putBackSaid(record),
    ],
    notShown,
    cautions,
    remark: released?.detail ?? '',
    nextService: progress.outcome === 'released' ? nextService(drive.mechanism, log, released?.at ?? issuedAt) : [],
    logHead: logHead(log),
  }
  return { ...content, hash: sealOf(content) }
}

/** What was found new in it, or went into it from a donor. */
function partOf(e: LogEntry): Certificate['parts'] {
  if (e.data?.type === 'part-used') return [{ at: e.at, what: e.title, from: e.data.from }]
  if (
    e.data?.type === 'finding' &&
    !e.data.finding.startsWith('lacquer') &&
    /\.(?:new|replaced|fitted|rebuilt|remade|renewed)$/.test(e.data.finding)
  )
    return [{ at: e.at, what: e.title, from: '' }]
  return []
}

function disksOf(
  standing: readonly LogEntry[],
  word: (disk: string) => DiskWord | null,
): Certificate['referenceDisks'] {
  const read = new Map<string, string>()
  for (const e of standing) {
    const d = e.data
    if (
      (d?.type === 'read-test' && !d.simulated && d.disk) ||
      d?.type === 'cross-read' ||
      (d?.type === 'sweep' && d.disk && !d.simulated)
    )
      read.set(d.disk!, e.at)
  }
  return [...read].flatMap(([disk, readAt]) => {
    const w = word(disk)
    return w ? [{ name: w.name, trusted: w.trusted, rests: w.rests, chain: w.chain, readAt }] : []
  })
}
