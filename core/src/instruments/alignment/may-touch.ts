import { findMechanism, ADJUSTER_NAMES, headsOf, type MechanismId, type AdjusterId } from '../../drives'
import { countedEverywhere, type CountedPlace } from '../../log'
import { plain, upperFirst, type Call, type Observation } from '../../base/observations'
import {
  CAUSES,
  explainSurface,
  type Cause,
  type Explanation,
  type SurfaceEvidence,
  type SurfacePriors,
} from './explain-surface'
import { hasOffsetCost } from '../../calculators/alignment'

export interface TouchCase extends SurfacePriors {
  readonly mechanism: MechanismId
  /** The surface that was read last; null where none was. */
  readonly surface: SurfaceEvidence | null
  /** Heads of the drive; the most that its class has where nobody said. */
  readonly heads?: 1 | 2 | null
  /** The latest call on the speed; null where it was not measured. */
  readonly speed: Call['kind'] | null
}

export interface TouchVerdict {
  readonly call: Call
  /** The adjuster that the evidence points to; null where it points to none. */
  readonly adjuster: AdjusterId | null
  readonly explanations: readonly Explanation[]
  readonly observations: readonly Observation[]
}

const ALIGNMENT: readonly Cause[] = ['heads', 'stepper', 'sensor']
/** So sure the evidence must be before anything is touched, and so unlikely misalignment before it is ruled out. */
const SURE = 0.85
const RULED_OUT = 0.02

/** What stands in the way of a verdict before a surface is weighed at all; null where nothing does. */
function beforeSurface(c: TouchCase): Call | null {
  if (!hasOffsetCost(c.mechanism))
    return {
      kind: 'leave',
      reasons: [`A ${findMechanism(c.mechanism).label} drive has no tracks that a hand could align.`],
      next:
        c.mechanism === 'cartridge'
          ? 'Nothing to align in the field: look at the heads, the parking bay and how they load.'
          : 'Speed and the start of the sweep decide: judge both together.',
    }
  if (c.speed === null)
    return {
      kind: 'unknown',
      reasons: ['The speed was not measured: wrong speed looks like misalignment.'],
      next: 'Measure the speed first.',
    }
  if (c.speed === 'nudge' || c.speed === 'stop')
    return {
      kind: 'unknown',
      reasons: ['The speed is not right yet: wrong speed looks like misalignment.'],
      next: 'Set the speed first.',
    }
  if (!c.surface) {
    const sealed =
      (['sensor', 'stepper', 'lower', 'upper'] as const).every(
        a => c.lacquer[a] === 'whole' || c.lacquer[a] === undefined,
      ) && Object.values(c.lacquer).includes('whole')
    return sealed
      ? {
          kind: 'leave',
          reasons: ['The seals are intact and nothing speaks for misalignment.'],
          next: 'Leave it sealed; read a reference disk to be sure.',
        }
      : {
          kind: 'unknown',
          reasons: ['No read test yet: alignment cannot be judged.'],
          next: 'Read a disk that a verified drive wrote, outer to inner, both heads. Without a recording: count the sectors that the host reads there, in the bench test.',
        }
  }
  return null
}

/** Whether alignment may be touched at all, and what: heads, sensor, stepper or none of them. */
export function mayTouch(c: TouchCase): TouchVerdict {
  const early = beforeSurface(c)
  if (early) return { adjuster: null, explanations: [], observations: [], call: early }
  const surface = c.surface!
  const explanations = explainSurface(c.mechanism, surface, c)
  const aligned = explanations.filter(e => ALIGNMENT.includes(e.cause)).reduce((p, e) => p + e.probability, 0)
  const observations: Observation[] = [
    {
      key: 'align.off',
      label: 'Chance that it is alignment',
      value: Math.round(aligned * 100),
      unit: '%',
      how: `${seen(surface)} against ${Object.keys(CAUSES).length} causes`,
    },
  ]
  const first = explanations[0]!
  const out = (call: Call, adjuster: AdjusterId | null = null): TouchVerdict => ({
    call,
    adjuster,
    explanations,
    observations,
  })
  if (c.secondDisk === 'reads')
    return out({
      kind: 'leave',
      reasons: ['A second reference disk reads: it was the first disk.'],
      next: 'Touch no adjuster; retire the first disk, or have it written again.',
    })
  if (surface.bars.length === 0 && allCounted(c, surface.counts ?? [])) return out(countedGood(c))
  if (aligned < RULED_OUT) return out(notAlignment(first, explanations))
  if (ALIGNMENT.includes(first.cause) && first.probability > SURE) return touch(first)
  return out({
    kind: 'unknown',
    reasons: [
      `It may be ${list(
        explanations
          .filter(e => e.probability > 0.08)
          .slice(0, 3)
          .map(worded),
      )}.`,
    ],
    next: separate(explanations, c),
  })

  function touch(e: Explanation): TouchVerdict {
    const adjuster: AdjusterId =
      e.cause === 'sensor' ? 'sensor' : e.cause === 'stepper' ? 'stepper' : e.head === 1 ? 'upper' : 'lower'
    const sealed = c.lacquer[adjuster as 'sensor'] === 'whole'
    const says = `${upperFirst(worded(e))}${e.size ? `, by about ${plain(e.size.value)} ${e.size.unit}` : ''}: ${sure(e.probability)}.`
    if (c.trustedDisk !== true)
      return out({
        kind: 'unknown',
        reasons: [says, 'But nobody knows who wrote the disk: it may itself be off track.'],
        next: 'Read a disk that a verified drive wrote.',
      })
    if (sealed && c.secondDisk !== 'same')
      return out(
        {
          kind: 'unknown',
          reasons: [says, `But the seal of the ${ADJUSTER_NAMES[adjuster]} is intact: nobody moved it.`],
          next: 'Read a second reference disk before a seal is broken.',
        },
        adjuster,
      )
    return out(
      {
        kind: 'nudge',
        reasons: [says],
        next: `Mark where it stands, then sweep the ${ADJUSTER_NAMES[adjuster]}${adjuster === 'sensor' ? '' : ', the sensor being right'}. Nothing else.`,
      },
      adjuster,
    )
  }
}

/** What was read, in words. */
function seen({ bars, counts = [] }: SurfaceEvidence): string {
  const parts = [
    bars.length ? `${bars.length} tracks` : '',
    counts.length ? `${counts.length} counted ${counts.length === 1 ? 'place' : 'places'}` : '',
  ]
  return parts.filter(Boolean).join(' and ')
}

/** Whether every sector came at the outer, middle and inner cylinders of each head. */
function allCounted({ mechanism, heads }: TouchCase, counts: readonly CountedPlace[]): boolean {
  return countedEverywhere(counts, headsOf(mechanism, heads)) && counts.every(p => p.good === p.sectors)
}

/** The usual test of a bench without instruments: all sectors, outer, middle and inner, on every head. */
const countedGood = ({ trustedDisk }: TouchCase): Call =>
  trustedDisk
    ? {
        kind: 'leave',
        reasons: [
          'All sectors of a reference disk were counted at outer, middle and inner cylinders.',
          'A count does not show the timing margin.',
        ],
        next: 'Leave every adjuster as it is.',
      }
    : {
        kind: 'unknown',
        reasons: [
          'All sectors were counted at outer, middle and inner cylinders.',
          'But nobody knows who wrote the disk: a misaligned drive reads its own disks.',
        ],
        next: 'Leave every adjuster as it is, and count the sectors of a reference disk.',
      }

function notAlignment(first: Explanation, all: readonly Explanation[]): Call {
  if (first.cause === 'sound' && first.probability > 0.6)
    return {
      kind: 'leave',
      reasons: [
        'Margins are those of a sound drive on both ends of travel: no head stands off track by as much as would matter.',
      ],
      next: 'Leave every adjuster as it is.',
    }
  const likely = all.filter(e => e.probability > 0.15 && e.cause !== 'sound')
  const [main = first] = likely
  return {
    kind: 'leave',
    reasons: [
      `It is not alignment: ${list(likely.length ? likely.map(worded) : [worded(first)])}${main.probability > 0.8 ? `, ${sure(main.probability)}` : ''}.`,
    ],
    next: `Leave every adjuster as it is. ${REMEDY[main.cause]}`,
  }
}

const REMEDY: Readonly<Record<Cause, string>> = {
  sound: '',
  heads: '',
  stepper: '',
  sensor: '',
  dirt: 'Clean the head and read again.',
  weak: 'Measure the head’s signal, and the supply of the read amplifier.',
  disk: 'Read another disk.',
  writer: 'Read a disk that a verified drive wrote.',
  speed: 'Measure the speed.',
  electronics: 'Wiggle each wire while it reads; look at the head’s plug.',
}

/** What tells the leading causes apart, the cheapest first. */
function separate(all: readonly Explanation[], c: TouchCase): string {
  const likely = new Set(all.filter(e => e.probability > 0.08).map(e => e.cause))
  if (likely.has('dirt') && !c.clean) return 'Clean the heads and read again: that costs least.'
  if (likely.has('writer') || likely.has('disk')) return 'Read a second disk that a verified drive wrote.'
  if (likely.has('electronics')) return 'Wiggle each wire while it reads.'
  if (likely.has('dirt'))
    return 'Clean the heads once more and read again; if nothing changes, it stands off track or has low read amplitude.'
  if (likely.has('weak'))
    return 'Step half a track by the reference disk’s neighbours, or look at the lobes of an alignment disk: low read amplitude is low everywhere; an off-track head improves to one side.'
  return 'Read more cylinders: outer, middle and inner on both heads.'
}

const worded = (e: Explanation): string => {
  const name = e.head === 1 ? 'upper' : 'lower'
  switch (e.cause) {
    case 'heads':
      return e.head === null ? 'the head is off track' : `the ${name} head is off track`
    case 'dirt':
      return e.head === null ? 'dirt on the heads' : `dirt on the ${name} head`
    case 'weak':
      return e.head === null ? 'low read amplitude of both heads' : `low read amplitude of the ${name} head`
    case 'electronics':
      return e.head === null ? CAUSES.electronics : `the ${name} head’s plug or lead`
    default:
      return CAUSES[e.cause]
  }
}
const sure = (p: number) => (p > 0.995 ? 'more than 99 % sure' : `${Math.round(p * 100)} % sure`)
const list = (xs: readonly string[]) => (xs.length < 2 ? xs.join('') : `${xs.slice(0, -1).join(', ')} or ${xs.at(-1)}`)
