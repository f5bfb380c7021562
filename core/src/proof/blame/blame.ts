import { marginalsOf, searchPosterior } from '../../base/inference'
import { upperFirst, type Call } from '../../base/observations'
import { BenchModel, type Subject } from './bench-model'
import { nextReads } from './next-read'
import {
  placeFails,
  poolReads,
  ZONE_NAMES,
  type BlameDisk,
  type BlameDrive,
  type BlameRead,
  type PlaceRead,
} from './reads'

export const BLAME_CAUSES = {
  'disk-bad': { label: 'a bad disk', call: 'mend', next: 'Save what it holds, and retire it.' },
  'disk-spot': { label: 'a bad spot', call: 'leave', next: 'Look at the disk there; leave the drives alone.' },
  'disk-density': {
    label: 'a disk of another density',
    call: 'leave',
    next: 'Look at its hole or its label, and take a disk of the right density; leave the drives alone.',
  },
  'disk-narrow': {
    label: 'a narrow track over a wide one',
    call: 'leave',
    next: 'Read it in a drive with narrow heads; erase the disk whole before it is written again.',
  },
  'head-dirty': { label: 'a dirty head', call: 'mend', next: 'Clean it, and read the same disk again.' },
  'head-dead': { label: 'a dead head', call: 'mend', next: 'Look at its plug, its coil and its amplifier.' },
  'head-off': {
    label: 'a head off track',
    call: 'nudge',
    next: 'At Align, ask whether it may be touched; sweep it with a reference disk.',
  },
  'drive-off': {
    label: 'both heads off track',
    call: 'nudge',
    next: 'At Align: home and the sensor before the heads.',
  },
  'drive-speed': { label: 'its speed', call: 'nudge', next: 'Measure it at Speed.' },
  'writer-off': {
    label: 'written by a misaligned drive',
    call: 'leave',
    next: 'Leave the drives that read it alone; write the disk again on a verified drive.',
  },
  'writer-speed': {
    label: 'a writer at another speed',
    call: 'leave',
    next: 'Leave the drives that read it alone; write the disk again on a verified drive.',
  },
} as const satisfies Record<string, { readonly label: string; readonly call: Call['kind']; readonly next: string }>
export type BlameCause = keyof typeof BLAME_CAUSES

export interface Blamed {
  readonly cause: BlameCause
  /** The thing: a disk, a drive or a writer, by name; with head and zone where it is a part of it. */
  readonly who: string
  readonly where: string
  readonly disk: string | null
  readonly drive: string | null
  readonly probability: number
  /** Failing places that it can have part in, and in how many pairs of disk and drive. */
  readonly failures: number
  readonly pairs: number
}

export interface BlameAnswer {
  readonly blamed: readonly Blamed[]
  readonly call: Call
  /** Reads that would tell most, best first; empty where nothing is open. */
  readonly next: readonly {
    readonly disk: string
    readonly drive: string
    readonly bits: number
    readonly reads: number
  }[]
  /** Drives that are not proposed because a safety gate keeps good disks out of them. */
  readonly gated: readonly string[]
  /** Disks that go into no other drive before they were looked at, by name. */
  readonly lookFirst: readonly string[]
  /** Places that read whole in one try and not in another. */
  readonly contradictions: readonly string[]
  readonly failing: number
  readonly places: number
}

/**
 * Configurations that are looked into: many where little was read, few where much was, as much evidence leaves few
 * that count.
 */
const lookedInto = (places: number) => Math.max(20, Math.round(20_000 / Math.max(1, places)))
/** One in three thousand of the likeliest: what is less changes no figure that is shown. */
const NEGLIGIBLE = 8
/** Less is not shown. */
const SHOWN = 0.03
/** Sure enough to act on, and then only with failures in two pairs of disk and drive, or two tries. */
const SURE = 0.9

const NOTHING_READ: Call = {
  kind: 'unknown',
  reasons: ['Nothing was read yet.'],
  next: 'Read two disks in two drives.',
}

/** Weighs what is behind disks that read in one drive and not in another. */
export function whoIsToBlame(
  reads: readonly BlameRead[],
  disks: readonly BlameDisk[],
  drives: readonly BlameDrive[],
  looked?: number,
): BlameAnswer {
  const places = poolReads(reads, disks, drives)
  const failing = places.filter(placeFails)
  const contradictions = places
    .filter(p => p.contradictory)
    .map(p => `${disks[p.disk]!.name} in ${drives[p.drive]!.name}, ${headName(p.head)}, ${ZONE_NAMES[p.zone]}`)
  const gated = drives.filter(d => d.mayLoad === false).map(d => d.name)
  const lookFirst = disks.filter(d => d.lookFirst).map(d => d.name)
  // An empty bench has nothing to search.
  if (places.length === 0)
    return { blamed: [], next: [], gated, lookFirst, contradictions, failing: 0, places: 0, call: NOTHING_READ }
  const model = new BenchModel(disks, drives, places)
  const explained = searchPosterior(model, looked ?? lookedInto(places.length), NEGLIGIBLE)
  const blamed = [
    ...blamedSubjects(model, marginalsOf(explained, model.sizes)),
    ...blamedDisks(model, diskMarginals(model, explained)),
  ]
    .filter(b => b.probability >= SHOWN && b.failures > 0)
    .sort((a, b) => b.probability - a.probability)
  const next = failing.length
    ? nextReads(model, explained)
        .slice(0, 3)
        .filter(n => n.bits > 0.05)
        .map(n => ({ disk: disks[n.disk]!.name, drive: drives[n.drive]!.name, bits: n.bits, reads: n.reads }))
    : []
  return {
    blamed,
    next,
    gated,
    lookFirst,
    contradictions,
    failing: failing.length,
    places: places.length,
    call: callOf(),
  }

  function callOf(): Call {
    if (failing.length === 0 && contradictions.length === 0)
      return {
        kind: 'leave',
        reasons: [`All ${places.length} places that were read came whole.`],
        next: 'Nothing is to blame.',
      }
    if (failing.length === 0)
      return {
        kind: 'unknown',
        reasons: [
          `${contradictions[0]} read without error once and not another time: neither the disk nor the head is like that.`,
        ],
        next: 'Wiggle each wire while it reads; look at the clamp.',
      }
    const tries = Math.max(...failing.map(p => p.tries))
    const enough = (b: Blamed) => b.probability >= SURE && (b.pairs >= 2 || tries >= 2)
    const sure = blamed.filter(enough)
    const read = next[0]
      ? ` Read ${next[0].disk} in ${next[0].drive}: that tells most.`
      : ' Read another disk in these drives, or these disks in another drive.'
    // A head that reads nothing of other drives' disks is dead or wholly beside its track: its own writing tells.
    const head = sure.some(b => b.drive !== null) ? undefined : headItself(blamed, tries)
    if (head) {
      const [first] = head
      const also = sure.map(b => `${BLAME_CAUSES[b.cause].label} (${named(b)})`)
      return {
        kind: 'mend',
        reasons: [
          `It is ${named(first!)}: ${head.map(b => `${BLAME_CAUSES[b.cause].label} ${percent(b.probability)}`).join(', ')}.${also.length ? ` And ${also.join(', ')}.` : ''}`,
        ],
        next: `Read a disk that ${first!.who} wrote itself: a head that is off track reads its own writing, a dead one reads nothing.`,
      }
    }
    if (sure.length) {
      // What is wrong with a drive or a head comes before what is wrong with a disk: it spoils what is read next.
      const first = [...sure].sort(
        (a, b) => Number(a.drive === null) - Number(b.drive === null) || b.probability - a.probability,
      )[0]!
      const { label, call, next: todo } = BLAME_CAUSES[first.cause]
      const also = sure.filter(b => b !== first).map(b => `${BLAME_CAUSES[b.cause].label} (${named(b)})`)
      return {
        kind: call,
        reasons: [
          `${upperFirst(label)}: ${named(first)}, with ${percent(first.probability)}.${also.length ? ` And ${also.join(', ')}.` : ''}`,
        ],
        next: todo,
      }
    }
    const machine = drives
      .map(d => ({
        d,
        own: blamed.filter(b => b.drive === d.id && (b.cause.startsWith('drive-') || b.cause === 'head-off')),
      }))
      .find(
        ({ own }) =>
          own.length > 1 &&
          own.some(b => b.pairs >= 2 || tries >= 2) &&
          own.reduce((n, b) => n + b.probability, 0) >= SURE,
      )
    if (machine)
      return {
        kind: 'nudge',
        reasons: [
          `It is ${machine.d.name} itself: ${machine.own.map(b => `${BLAME_CAUSES[b.cause].label}${b.where ? ` (${b.where})` : ''} ${percent(b.probability)}`).join(', ')}.`,
        ],
        next: `Measure its speed: that tells the two apart.${next[0] ? ` Or read ${next[0].disk} in ${next[0].drive}.` : ''}`,
      }
    const one = failing.length === 1 && tries === 1 ? 'One failure is not enough evidence.' : ''
    const top = blamed.slice(0, 2).map(b => `${BLAME_CAUSES[b.cause].label} (${named(b)}) ${percent(b.probability)}`)
    return {
      kind: 'unknown',
      reasons: [`${one} ${top.length ? `It may be ${top.join(', or ')}.` : 'Nothing stands out.'}`.trim()],
      next: `${tries === 1 ? 'Try once more what failed.' : ''}${read}`.trim(),
    }
  }
}

/** What one head may be, where together it is sure and no single cause is; undefined where there is no such head. */
function headItself(blamed: readonly Blamed[], tries: number): Blamed[] | undefined {
  const heads = blamed.filter(b => b.cause.startsWith('head-'))
  const each = [...new Set(heads.map(named))].map(name => heads.filter(b => named(b) === name))
  return each.find(
    own =>
      own.length > 1 && own.some(b => b.pairs >= 2 || tries >= 2) && own.reduce((n, b) => n + b.probability, 0) >= SURE,
  )
}

const named = (b: Blamed) => `${b.who}${b.where ? `, ${b.where}` : ''}`
export const headName = (head: number) => (head ? 'upper head' : 'lower head')
const percent = (p: number) => (p > 0.995 ? 'over 99 %' : `${Math.round(p * 100)} %`)

/** Probability of each state of each disk, over all that the drives may be. */
export function diskMarginals(model: BenchModel, explained: ReturnType<typeof searchPosterior>): Float64Array[] {
  return model.disks.map((_, d) => {
    const sum = new Float64Array(model.states[d]!.length)
    for (const { config, weight } of explained) {
      const posterior = model.posterior(d, config)
      for (let s = 0; s < sum.length; s++) sum[s]! += weight * posterior[s]!
    }
    return sum
  })
}

function evidence(model: BenchModel, concerns: (p: PlaceRead) => boolean): Pick<Blamed, 'failures' | 'pairs'> {
  const own = model.places.filter(p => placeFails(p) && concerns(p))
  return { failures: own.length, pairs: new Set(own.map(p => `${p.disk} ${p.drive}`)).size }
}

function blamedSubjects(model: BenchModel, marginals: readonly Float64Array[]): Blamed[] {
  const { drives, disks } = model
  return model.subjects.flatMap((s: Subject, v): Blamed[] => {
    const m = marginals[v]!
    if (m.every((p, state) => state === 0 || p < SHOWN)) return []
    if (s.of === 'writer') {
      const who = s.name ?? `whoever wrote ${disks[s.disks[0]!]!.name}`
      const said = evidence(model, p => s.disks.includes(p.disk))
      return (['writer-off', 'writer-speed'] as const).map((cause, i) => ({
        cause,
        who,
        where: '',
        disk: null,
        drive: null,
        probability: m[i + 1]!,
        ...said,
      }))
    }
    const drive = drives[s.drive]!
    if (s.of === 'machine') {
      const said = evidence(model, p => p.drive === s.drive || disks[p.disk]!.writer === drive.id)
      return (['drive-off', 'drive-speed'] as const).map((cause, i) => ({
        cause,
        who: drive.name,
        where: '',
        disk: null,
        drive: drive.id,
        probability: m[i + 1]!,
        ...said,
      }))
    }
    const read = evidence(model, p => p.drive === s.drive && p.head === s.head)
    const any = evidence(model, p => p.head === s.head && (p.drive === s.drive || disks[p.disk]!.writer === drive.id))
    return (['head-dirty', 'head-dead', 'head-off'] as const).map((cause, i) => ({
      cause,
      who: drive.name,
      where: headName(s.head),
      disk: null,
      drive: drive.id,
      // A little or wholly beside its track: one cause, and one adjuster.
      probability: cause === 'head-off' ? m[3]! + m[4]! : m[i + 1]!,
      ...(cause === 'head-off' ? any : read),
    }))
  })
}

function blamedDisks(model: BenchModel, marginals: readonly Float64Array[]): Blamed[] {
  return model.disks.flatMap((disk, d) =>
    model.states[d]!.flatMap((state, s): Blamed[] => {
      if (state.kind === 'good' || marginals[d]![s]! < SHOWN) return []
      const at = state.kind === 'spot' ? state.place : null
      const said = evidence(model, p => p.disk === d && (at === null || at === p.head * 3 + p.zone))
      return [
        {
          cause: `disk-${state.kind}`,
          who: disk.name,
          where: at === null ? '' : `side ${Math.floor(at / 3)}, ${ZONE_NAMES[at % 3]}`,
          disk: disk.id,
          drive: null,
          probability: marginals[d]![s]!,
          ...said,
        },
      ]
    }),
  )
}
