import { findMechanism } from '../mechanisms'
import { CALLS, formatObservation, standingEntries, type CallKind, type EntryKind, type LogEntry, type Outcome } from '../observations'
import { asFoundRecord, putBackList, type RecordedItem } from '../as-found'
import { meaning, standingFindings } from '../findings'
import { findGate, isGateId, progressOf, speedEntries, STATIONS } from '../procedures'
import type { DriveFacts } from './drive'
import { ladderOf } from './ladder'

export interface CertificateMeasurement {
  readonly what: string
  readonly at: string
  readonly value: string
  readonly how: string
  readonly call: CallKind
  readonly callLabel: string
  readonly reason: string
  /** SHA-256 of the recording it was computed from. */
  readonly evidence: string | null
  readonly simulated: boolean
}

/** What a drive leaves with: what was shown, how, and what was not. */
export interface Certificate {
  readonly format: 'wobrin-certificate'
  readonly version: 1
  readonly state: 'draft' | Outcome
  readonly issuedAt: string
  readonly workshop: string
  readonly drive: { readonly tag: string, readonly mechanism: string, readonly maker: string, readonly model: string, readonly serial: string, readonly host: string, readonly receivedAt: string }
  readonly asFound: { readonly ownerWords: string, readonly speed: CertificateMeasurement | null }
  readonly asLeft: { readonly speed: CertificateMeasurement | null }
  readonly measurements: readonly CertificateMeasurement[]
  readonly work: readonly { readonly at: string, readonly station: string, readonly what: string, readonly detail: string }[]
  /** What was found on it and still holds, other than what was found good. */
  readonly found: readonly { readonly at: string, readonly what: string, readonly means: string, readonly call: CallKind }[]
  /** Gates that were passed although they were closed, and why. */
  readonly overrides: readonly { readonly at: string, readonly gate: string, readonly missing: readonly string[], readonly reason: string }[]
  readonly shown: readonly string[]
  readonly notShown: readonly string[]
  readonly cautions: readonly string[]
  /** What was written at its release: what to do next time, or why it was given up. */
  readonly remark: string
  /** Highest sequence number of the log entries it was made from, and how many there were. */
  readonly logHead: { readonly seq: number, readonly entries: number }
}

function asMeasurement(entry: LogEntry): CertificateMeasurement[] {
  const mean = entry.observations[0]
  if (entry.kind !== 'measurement' || !entry.call || !mean) return []
  const speed = entry.data?.type === 'speed' ? entry.data : null
  return [{
    what: mean.label, at: entry.at, value: formatObservation(mean), how: mean.how,
    call: entry.call.kind, callLabel: CALLS[entry.call.kind].label, reason: entry.call.reasons[0],
    evidence: speed?.captureSha ?? null, simulated: speed?.simulated ?? false,
  }]
}

/** Kinds of entries that the certificate has elsewhere, or sums up. */
const APART: ReadonlySet<EntryKind> = new Set(['received', 'measurement', 'released', 'wait-ended', 'finding', 'as-found', 'undone', 'put-back', 'override', 'acknowledged'])

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
  return [`${record.length} ${record.length === 1 ? 'thing was' : 'things were'} recorded as found and ${undone.length} undone; ${off ? `${undone.length - off} put back, ${off} left off on purpose` : 'all is put back'}.`]
}

function shownBy(last: CertificateMeasurement | null, lastEntry: LogEntry | undefined): string[] {
  if (!last || !lastEntry) return []
  if (last.simulated) return ['Nothing about the real drive: its readings came from a simulated pickup.']
  if (last.call === 'unknown') return []
  const variation = lastEntry.observations.find(o => o.key === 'speed.variation.peak')
  const steady = variation && typeof variation.value === 'number' ? `, varying by ${variation.value.toFixed(2)} % zero to peak as far as its pickup can see` : ''
  return [`The spindle turned at ${last.value} when last measured${steady}.`]
}

/**
 * Puts a drive's certificate together from its facts and its log.
 * @param issuedAt ISO 8601, UTC; passed in because core has no clock @param trusts whether a reference disk is trusted now
 */
export function buildCertificate(drive: DriveFacts, log: readonly LogEntry[], workshop: string, issuedAt: string, trusts: (disk: string) => boolean | null = () => null): Certificate {
  const standing = standingEntries(log)
  const progress = progressOf(log)
  const speeds = speedEntries(log)
  const measurements = standing.flatMap(asMeasurement)
  const record = asFoundRecord(log)
  const first = speeds[0] ? asMeasurement(speeds[0].entry)[0] ?? null : null
  const lastEntry = speeds.at(-1)?.entry
  const last = lastEntry ? asMeasurement(lastEntry)[0] ?? null : null
  const ladder = ladderOf(drive.mechanism, log, trusts)
  // The lowest rung is what the speed says already.
  const proved = ladder.stands !== null && ladder.stands !== 'turns'
  const notShown = [
    ...(last && last.call !== 'unknown' ? [] : ['The spindle’s speed: it was not measured surely enough to say.']),
    ...proved ? ladder.notClaims : ['That it reads or writes any disk: no instrument has measured that here, and a note is no proof.'],
    ...ladder.stands === 'standard' ? [] : ['Alignment of heads, track zero and index: not measured.'],
    ...(last ? ['The recorder’s own clock: it was taken to be right to 50 ppm, as ordinary crystals are.'] : []),
  ]
  const open = STATIONS.filter(s => s.id !== 'release' && !progress.done.has(s.id))
  if (open.length) notShown.push(`Stations not finished: ${open.map(s => s.label).join(', ')}.`)
  const cautions: string[] = []
  if (last && (last.call === 'mend' || last.call === 'stop' || last.call === 'nudge')) cautions.push(`Its last speed reading says “${last.callLabel}”: ${last.reason}`)
  const list = putBackList(record)
  if (list.left) cautions.push(`Not put back: ${list.steps.filter(s => !s.done).map(s => s.title.replace(': ', ' ')).join(', ')}.`)
  if (progress.outcome === 'quarantined') cautions.push('Quarantined: nothing good goes into it, and nothing from it into a good drive.')
  return {
    format: 'wobrin-certificate', version: 1,
    state: progress.outcome ?? 'draft',
    issuedAt, workshop,
    drive: {
      tag: drive.tag, mechanism: findMechanism(drive.mechanism).label, maker: drive.maker, model: drive.model, serial: drive.serial, host: drive.host, receivedAt: drive.receivedAt,
    },
    asFound: { ownerWords: drive.ownerWords, speed: first },
    asLeft: { speed: last },
    measurements,
    work: standing.filter(e => !APART.has(e.kind))
      .map(e => ({ at: e.at, station: STATIONS.find(s => s.id === e.station)!.label, what: e.title, detail: e.detail })),
    found: standingFindings(log).filter(f => f.finding.call !== 'leave').map(f => ({ at: f.entry.at, what: f.entry.title, means: meaning(f.finding, f.place), call: f.finding.call })),
    overrides: standing.flatMap(overrideOf),
    shown: [...shownBy(last, lastEntry), ...proved ? ladder.claims : [], ...putBackSaid(record)],
    notShown, cautions,
    remark: standing.findLast(e => e.kind === 'released')?.detail ?? '',
    logHead: { seq: log.reduce((m, e) => Math.max(m, e.seq), 0), entries: log.length },
  }
}
