import {
  ADJUSTER_NAMES,
  ADJUSTER_PLACES,
  mayTouch,
  type AdjusterId,
  type SurfaceEvidence,
  type TouchCase,
  type TouchVerdict,
} from '../carriage'
import { findingsAmong } from '../findings'
import type { MechanismId } from '../mechanisms'
import { standingEntries, type LogEntry, type SweepEntryData } from '../observations'

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
}

/** Adjusters that have a seal of their own. */
const SEALED = ['sensor', 'stepper', 'lower', 'upper'] as const

/** A surface from a read test on the log. */
export function surfaceOf(entry: LogEntry): SurfaceEvidence | null {
  if (entry.data?.type !== 'read-test') return null
  const value = (key: string) => entry.observations.find(o => o.key === key)
  const number = (key: string) => (typeof value(key)?.value === 'number' ? (value(key)!.value as number) : null)
  const swing = (head: string) => {
    const o = value(`surface.swing.${head}`)
    return o && typeof o.value === 'number' ? { size: o.value / 100, sd: (o.uncertainty ?? 1) / 196 } : null
  }
  return {
    bars: entry.data.bars,
    homeOff: number('surface.home') ?? 0,
    rateOff: (number('surface.rate') ?? 0) / 100,
    swings: [swing('lower'), swing('upper')],
  }
}

/**
 * The order of work at Align, read from a drive's log: clean and speed first, then evidence on a trusted disk, the sensor before heads,
 * one adjuster at a time, outer, middle and inner after tightening, then the seal. It says; it does not forbid.
 * @param trusts whether a reference disk of the shelf is trusted; null where it is none of them
 */
export function alignOrder(
  mechanism: MechanismId,
  log: readonly LogEntry[],
  trusts: (disk: string) => boolean | null = () => null,
): AlignOrder {
  const standing = standingEntries(log)
  const findings = findingsAmong(standing)
  const found = (question: string) => findings.filter(f => f.question.id === question).at(-1)
  const clean = found('headclean')
  const speed = standing.findLast(e => e.data?.type === 'speed')
  const tests = standing.filter(e => e.data?.type === 'read-test')
  const surface = tests.at(-1)
  const data = surface?.data?.type === 'read-test' ? surface.data : null
  const trusted =
    data === null ? null : data.disk ? trusts(data.disk) : data.simulated ? true : data.read?.trusted ? true : null
  const lacquer = Object.fromEntries(
    SEALED.flatMap(a => {
      const f = findings
        .filter(x => x.question.id === 'lacquer' && (x.place === ADJUSTER_PLACES[a] || x.place === null))
        .at(-1)
      const state =
        f?.finding.id === 'lacquer.broken' ? 'broken' : f?.finding.id === 'lacquer.never' ? 'never' : f ? 'whole' : null
      return state ? [[a, state]] : []
    }),
  ) as TouchCase['lacquer']
  const second = found('seconddisk')?.finding.id
  const otherDisk = data?.disk
    ? tests.some(
        t =>
          t !== surface &&
          t.data?.type === 'read-test' &&
          t.data.disk &&
          data.disk !== t.data.disk &&
          t.call?.kind === surface?.call?.kind,
      )
    : false
  const touch: TouchCase = {
    mechanism,
    surface: surface ? surfaceOf(surface) : null,
    speed: speed?.call?.kind ?? null,
    trustedDisk: trusted,
    clean: clean?.finding.call === 'leave',
    lacquer,
    secondDisk: second === 'seconddisk.same' || otherDisk ? 'same' : second === 'seconddisk.good' ? 'reads' : null,
  }
  const verdict = mayTouch(touch)
  const sweeps = standing.flatMap(entry => (entry.data?.type === 'sweep' ? [{ entry, data: entry.data }] : []))
  const last = sweeps.at(-1)
  const name = last ? ADJUSTER_NAMES[last.data.adjuster] : null
  const sealed =
    last &&
    findings.some(
      f =>
        f.finding.id === 'lacquer.renewed' &&
        f.place === ADJUSTER_PLACES[last.data.adjuster] &&
        f.entry.seq > last.entry.seq,
    )
  const item = (id: OrderItem['id'], title: string, done: boolean, says: string): OrderItem => ({
    id,
    title,
    done,
    says,
  })
  const items: OrderItem[] = [
    item(
      'clean',
      'Heads clean',
      touch.clean,
      clean ? `A swab came away ${clean.finding.label.toLowerCase()}.` : 'The heads were not cleaned yet.',
    ),
    item(
      'speed',
      'Speed right',
      touch.speed === 'leave',
      speed ? `Its latest reading says: ${speed.call?.reasons[0] ?? speed.title}` : 'The speed was not measured.',
    ),
    item(
      'disk',
      'A trusted disk read',
      trusted === true,
      !surface
        ? 'No surface is on the log.'
        : trusted
          ? 'Written by a drive that was proved.'
          : 'Nobody proved who wrote the disk that was read.',
    ),
    item('evidence', 'Evidence', verdict.call.kind === 'nudge', verdict.call.reasons[0]!),
    item(
      'sweep',
      'One adjuster swept and set',
      last?.data.setTo !== null && last !== undefined,
      last
        ? last.data.setTo === null
          ? `The ${name} was swept, and not set yet.`
          : `The ${name} was set.`
        : 'Nothing was moved.',
    ),
    item(
      'recheck',
      'Tightened; outer, middle, inner',
      last?.data.recheck !== null && last !== undefined && last.entry.call?.kind === 'leave',
      last?.data.recheck ? (last.entry.call?.reasons[0] ?? '') : 'Not read since.',
    ),
    item('seal', 'Sealed anew', sealed === true, sealed ? 'A drop of lacquer shows that it was set.' : 'Not sealed.'),
  ]
  return { items, verdict, touch, sweeps }
}

/** What has to be done before an adjuster is swept on a drive; each a sentence. The first two stop a sweep, the rest are said. */
export function beforeSweep(
  order: AlignOrder,
  adjuster: AdjusterId,
): { readonly stops: readonly string[]; readonly says: readonly string[] } {
  const item = (id: OrderItem['id']) => order.items.find(i => i.id === id)!
  const stops = (['clean', 'speed'] as const).filter(id => !item(id).done).map(id => item(id).says)
  const open = order.sweeps.at(-1)
  const says: string[] = []
  if (open && open.data.setTo === null && open.data.adjuster !== adjuster)
    says.push(`One adjuster at a time: the sweep of the ${ADJUSTER_NAMES[open.data.adjuster]} was not finished.`)
  if ((adjuster === 'upper' || adjuster === 'lower') && order.verdict.adjuster === 'sensor')
    says.push('The sensor before the heads: home itself is off.')
  if (order.verdict.call.kind === 'leave') says.push(`The evidence says to leave it: ${order.verdict.call.reasons[0]}`)
  else if (order.verdict.adjuster && order.verdict.adjuster !== adjuster && adjuster !== 'tab')
    says.push(`The evidence points to the ${ADJUSTER_NAMES[order.verdict.adjuster]}, not to this.`)
  if (order.touch.lacquer[adjuster as 'sensor'] === 'whole') says.push('Its lacquer is whole: nobody moved it.')
  if (!item('disk').done) says.push(item('disk').says)
  return { stops, says }
}
