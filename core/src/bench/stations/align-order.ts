import { ADJUSTER_NAMES, ADJUSTER_PLACES, type AdjusterId } from '../../drives'
import { mayTouch, type SurfaceEvidence, type TouchCase, type TouchVerdict } from '../../instruments/alignment'
import { evidenceWords } from '../../base/observations'
import { findingsAmong, sealsOf, type Seals } from '../../findings'
import {
  lastSpeed,
  supportingEntries,
  surfaceState,
  type DriveFacts,
  type LogEntry,
  type ReadTestEntryData,
  type SurfaceState,
  type SweepEntryData,
} from '../../log'

/** One thing of the order of work at Align. */
export interface OrderItem {
  readonly id: 'clean' | 'speed' | 'disk' | 'evidence' | 'sweep' | 'recheck' | 'seal'
  readonly title: string
  readonly done: boolean
  /** What the log says of it, a sentence. */
  readonly says: string
}

export interface AlignOrder {
  readonly items: readonly OrderItem[]
  readonly verdict: TouchVerdict
  readonly touch: TouchCase
  readonly sweeps: readonly { readonly entry: LogEntry; readonly data: SweepEntryData }[]
  /** What to sweep and by which head, in order, where more than one adjuster was moved; else empty. */
  readonly plan: readonly SweepPlan[]
  /** The written reason with which the safety gate of sealed adjusters was overridden; null where it was not. */
  readonly overridden: string | null
}

/** One sweep of several: the adjuster, and the head that judges it. */
export interface SweepPlan {
  readonly adjuster: AdjusterId
  readonly by: 'lower' | 'upper'
  readonly says: string
}

/**
 * Where what moves both heads and one head's own screws were both moved, the two are told apart by a head whose own
 * screws nobody touched: it sets the first, then the other head is set to it by its own screws.
 */
export function sweepPlan(seals: Seals): SweepPlan[] {
  const moved = (a: keyof Seals) => seals[a] === 'broken'
  const both = (['sensor', 'stepper'] as const).filter(moved)
  const own = (['lower', 'upper'] as const).filter(moved)
  if (both.length === 0 || own.length === 0) return []
  const by = own.length === 1 && own[0] === 'lower' ? 'upper' : 'lower'
  return [
    ...both.map((adjuster): SweepPlan => ({
      adjuster,
      by,
      says: `Sweep the ${ADJUSTER_NAMES[adjuster]} by the ${by} head alone: the other head’s own screws were moved too.`,
    })),
    ...own.map((adjuster): SweepPlan => ({
      adjuster,
      by: adjuster,
      says: `Then sweep the ${ADJUSTER_NAMES[adjuster]} by its own screws, judged by that head alone.`,
    })),
  ]
}

/** A weaker source is named behind what it says. */
const sourceOf = (e: LogEntry) =>
  e.evidence && e.evidence.source !== 'recording' ? ` (${evidenceWords(e.evidence)})` : ''

/** What the log says of how a disk reads: its last read test, and places that were counted since. */
export function surfaceEvidence({ test, counts }: SurfaceState): SurfaceEvidence | null {
  const data = test?.data?.type === 'read-test' ? test.data : null
  return data || counts.length ? { bars: data?.bars ?? [], ...data?.surface, counts } : null
}

type Trusts = (disk: string) => boolean | null

/** The same, asking of each disk once: the answer may take a look into a database. */
function asked(trusts: Trusts): Trusts {
  const known = new Map<string, boolean | null>()
  return disk => {
    if (!known.has(disk)) known.set(disk, trusts(disk))
    return known.get(disk) ?? null
  }
}

/**
 * The surface as reference disks show it, where one was read; otherwise as any disk does. A disk that nobody vouches
 * for says nothing against what a reference disk showed.
 */
function stateFor(standing: readonly LogEntry[], trusts: Trusts): SurfaceState {
  const vouched = surfaceState(standing, place => place.disk !== null && trusts(place.disk) === true)
  const known = vouched.test?.data?.type === 'read-test' && vouchedFor(vouched.test.data, trusts) === true
  return known || vouched.counts.length ? vouched : surfaceState(standing)
}

/** Whether a verified drive wrote the disk of a read test; null where nobody knows. */
const vouchedFor = (data: ReadTestEntryData, trusts: Trusts): boolean | null =>
  data.disk ? trusts(data.disk) : data.simulated || data.read?.trusted ? true : null

/** Everything of a log that the order of work looks at. */
function read(drive: Pick<DriveFacts, 'mechanism' | 'simulated'>, log: readonly LogEntry[], trusts: Trusts) {
  const standing = supportingEntries(log, drive)
  const findings = findingsAmong(standing)
  const tests = standing.filter(e => e.data?.type === 'read-test')
  const state = stateFor(standing, trusts)
  const surface = state.test ?? undefined
  return {
    state,
    findings,
    tests,
    surface,
    data: surface?.data?.type === 'read-test' ? surface.data : null,
    found: (question: string) => findings.findLast(f => f.question.id === question),
    speed: lastSpeed(standing)?.entry,
    overridden: standing.findLast(e => e.data?.type === 'override' && e.data.gate === 'touch-sealed')?.detail ?? null,
    sweeps: standing.flatMap(entry => (entry.data?.type === 'sweep' ? [{ entry, data: entry.data }] : [])),
  }
}
type Read = ReturnType<typeof read>

/** Whether a trusted drive wrote the disk that was read last; null where nobody knows. */
function isTrusted({ data, state }: Read, trusts: Trusts): boolean | null {
  const said = state.counts.map(c => (c.disk ? trusts(c.disk) : null))
  if (data) said.push(vouchedFor(data, trusts))
  // One disk that nobody vouches for leaves the whole in doubt.
  if (said.length === 0 || said.includes(null)) return null
  return said.every(Boolean)
}

/** What a second disk said: told by hand, or another disk of the shelf that read alike. */
function secondDiskOf({ data, tests, surface, found }: Read): TouchCase['secondDisk'] {
  const said = found('seconddisk')?.finding.id
  const alike = (t: LogEntry) =>
    t !== surface &&
    t.data?.type === 'read-test' &&
    Boolean(t.data.disk) &&
    data?.disk !== t.data.disk &&
    t.call?.kind === surface?.call?.kind
  if (said === 'seconddisk.same' || (data?.disk && tests.some(alike))) return 'same'
  return said === 'seconddisk.good' ? 'reads' : null
}

const diskSays = (read: boolean, trusted: boolean | null) => {
  if (!read) return 'No surface is on the log.'
  return trusted ? 'Written by a verified drive.' : 'Nobody verified the drive that wrote the disk.'
}

const sweepSays = (last: Read['sweeps'][number] | undefined) => {
  if (!last) return 'Nothing was moved.'
  const name = ADJUSTER_NAMES[last.data.adjuster]
  return last.data.setTo === null ? `The ${name} was swept, and not set yet.` : `The ${name} was set.`
}

/**
 * The order of work at Align, read from a drive's log: clean and speed first, then evidence on a trusted disk, the
 * sensor before heads, one adjuster at a time, outer, middle and inner after tightening, then the seal. It says; it
 * does not forbid.
 * @param trusts whether a reference disk of the shelf is trusted; null where it is none of them
 */
export function alignOrder(
  drive: Pick<DriveFacts, 'mechanism' | 'simulated'> & Partial<Pick<DriveFacts, 'features'>>,
  log: readonly LogEntry[],
  trusts: Trusts = () => null,
): AlignOrder {
  const known = asked(trusts)
  const r = read(drive, log, known)
  const { speed, sweeps } = r
  const surface = surfaceEvidence(r.state)
  const trusted = isTrusted(r, known)
  const clean = r.found('headclean')
  const touch: TouchCase = {
    mechanism: drive.mechanism,
    surface,
    heads: drive.features?.heads,
    speed: speed?.call?.kind ?? null,
    trustedDisk: trusted,
    clean: clean?.finding.call === 'leave',
    lacquer: sealsOf(r.findings),
    secondDisk: secondDiskOf(r),
  }
  const verdict = mayTouch(touch)
  const last = sweeps.at(-1)
  const sealed = r.findings.some(
    f =>
      last !== undefined &&
      f.finding.id === 'lacquer.renewed' &&
      f.place === ADJUSTER_PLACES[last.data.adjuster] &&
      f.entry.seq > last.entry.seq,
  )
  const cleanSays = clean ? `A swab came away ${clean.finding.label.toLowerCase()}.` : 'The heads were not cleaned yet.'
  const speedSays = speed
    ? `Its latest reading says: ${speed.call?.reasons[0] ?? speed.title}${sourceOf(speed)}`
    : 'The speed was not measured.'
  const swept = last !== undefined && last.data.setTo !== null
  const rechecked = last !== undefined && last.data.recheck !== null && last.entry.call?.kind === 'leave'
  const recheckSays = last?.data.recheck ? (last.entry.call?.reasons[0] ?? '') : 'Not read since.'
  const sealSays = sealed ? 'A drop of lacquer shows that it was set.' : 'Not sealed.'
  const counted = r.state.counts.at(-1)?.entry
  const evidenceSays = verdict.call.reasons[0]! + (counted ? sourceOf(counted) : '')
  const items: OrderItem[] = [
    { id: 'clean', title: 'Heads clean', done: touch.clean, says: cleanSays },
    { id: 'speed', title: 'Speed right', done: touch.speed === 'leave', says: speedSays },
    { id: 'disk', title: 'A reference disk read', done: trusted === true, says: diskSays(surface !== null, trusted) },
    { id: 'evidence', title: 'Evidence', done: verdict.call.kind === 'nudge', says: evidenceSays },
    { id: 'sweep', title: 'One adjuster swept and set', done: swept, says: sweepSays(last) },
    { id: 'recheck', title: 'Tightened; outer, middle, inner', done: rechecked, says: recheckSays },
    { id: 'seal', title: 'Sealed again', done: sealed, says: sealSays },
  ]
  return { items, verdict, touch, sweeps, plan: sweepPlan(touch.lacquer), overridden: r.overridden }
}

/**
 * What has to be done before an adjuster is swept on a drive; each a sentence. The first two stop a sweep, the rest
 * are said.
 */
export function beforeSweep(
  order: AlignOrder,
  adjuster: AdjusterId,
): { readonly stops: readonly string[]; readonly says: readonly string[] } {
  const item = (id: OrderItem['id']) => order.items.find(i => i.id === id)!
  const undone = (['clean', 'speed'] as const).filter(id => !item(id).done).map(id => item(id).says)
  // A gate that was overridden in writing is not closed a second time here; what it passed over is still said.
  const stops = order.overridden === null ? undone : []
  const open = order.sweeps.at(-1)
  const says: string[] = order.overridden === null ? [] : [...undone]
  const planned = order.plan.find(p => p.adjuster === adjuster)
  if (planned) says.push(planned.says)
  if (open && open.data.setTo === null && open.data.adjuster !== adjuster)
    says.push(`One adjuster at a time: the sweep of the ${ADJUSTER_NAMES[open.data.adjuster]} was not finished.`)
  if ((adjuster === 'upper' || adjuster === 'lower') && order.verdict.adjuster === 'sensor')
    says.push('The sensor before the heads: the track-zero position itself is off.')
  if (order.verdict.call.kind === 'leave') says.push(`The evidence says to leave it: ${order.verdict.call.reasons[0]}`)
  else if (order.verdict.adjuster && order.verdict.adjuster !== adjuster && adjuster !== 'tab')
    says.push(`The evidence points to the ${ADJUSTER_NAMES[order.verdict.adjuster]}, not to this.`)
  if (order.touch.lacquer[adjuster as 'sensor'] === 'whole') says.push('Its seal is intact: nobody moved it.')
  if (!item('disk').done) says.push(item('disk').says)
  return { stops, says }
}
