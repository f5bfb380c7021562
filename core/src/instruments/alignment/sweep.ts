import { pitchUm, ADJUSTER_MOVES, ADJUSTER_NAMES, type MechanismId, type AdjusterId } from '../../drives'
import { plain, type Call, type Observation } from '../../base/observations'
import { checkPositions, contradictionIn, type SweepPosition } from './check-positions'
import { edgeLoss, edgeSoftness, SHARP, SOFT } from './edge'
import { hasOffsetCost, usualHalfWindowUm } from '../../calculators/alignment'
import { slackOf, type SidedTry } from './slack'
import { bindings, contribution, tryNext } from './try-next'
import {
  estimate,
  searchRange,
  sharingWidths,
  readingRange,
  readingRanges,
  type Beforehand,
  type Tried,
  type RangeEstimate,
} from './window'

export interface SweepContext {
  /** Unit of the adjuster's scale, as a person writes it. */
  readonly unit?: string
  readonly adjuster?: AdjusterId
  readonly mechanism?: MechanismId
  /** How far the adjuster goes, on its own scale. */
  readonly travel?: readonly [number, number]
  /** Where it stood when it came, on its own scale: worth the first try. */
  readonly stood?: number
  /** Where an old mark in glue or paint shows that it once stood: tried before anything else. */
  readonly witness?: number
  /** The head that judges it, where not every head does that the adjuster moves. */
  readonly by?: 'lower' | 'upper'
  /** What a unit of the scale moves the head by, µm, where that is known. */
  readonly umPerUnit?: number
  /** Sentences about what has to be done before a sweep means anything; the first stops it. */
  readonly notYet?: readonly string[]
}

export interface SweepResult {
  readonly call: Call
  readonly lower: RangeEstimate | null
  readonly upper: RangeEstimate | null
  /** Where both read; null where they do not overlap or nothing is known. */
  readonly common: {
    readonly from: number
    readonly to: number
    readonly centre: number
    readonly uncertainty: number
  } | null
  /** Null where the centre is known well enough. */
  readonly tryNext: number | null
  /** Play of the adjuster, in its unit, where tries from both sides show it. */
  readonly slack: number
  /** Whether it acts in whole cylinders. */
  readonly steps: boolean
  readonly observations: readonly Observation[]
}

/**
 * The centre is known well enough when its 95 % interval is this share of the window, either way: most results are
 * then within 5 %.
 */
const ENOUGH = 0.08

type Head = readonly ['lower' | 'upper', readonly Tried[]]

/**
 * Whether the adjuster acts through the detents of the stepper: the sensor and its tab do. Of an adjuster that is
 * not named it shows in
 * that every position reads a whole track, if not its own then another; what moves a head between tracks meets
 * places where nothing reads.
 */
function actsInSteps(positions: readonly SweepPosition[], adjuster?: AdjusterId): boolean {
  if (adjuster) return adjuster === 'sensor' || adjuster === 'tab'
  const counts = positions.flatMap(p => (p.upper ? [p.lower, p.upper] : [p.lower]))
  return counts.some(c => c.named) && counts.every(c => c.named || c.good >= c.expected * 0.9)
}

function beforehand(positions: readonly SweepPosition[], context: SweepContext): Beforehand {
  const { mechanism, umPerUnit, adjuster } = context
  if (actsInSteps(positions, adjuster)) return { travel: context.travel, soft: SHARP, steps: true }
  const physics = mechanism && hasOffsetCost(mechanism) ? mechanism : null
  return {
    travel: context.travel,
    soft: physics ? [edgeSoftness(physics), SOFT[2]] : SOFT,
    edgeLoss: physics ? edgeLoss(physics) : undefined,
    // A drive’s noise decides how wide its window is; with a fifth either way most are met.
    width:
      physics && umPerUnit ? { value: (2 * usualHalfWindowUm(physics)) / Math.abs(umPerUnit), share: 0.2 } : undefined,
    pitch: physics ? pitchUm(physics) / (2 * usualHalfWindowUm(physics)) : undefined,
  }
}

/** Positions of a scale are told apart by a millionth of its unit: what is closer is one position. */
const told = (position: number) => (Math.abs(position) < 1e9 ? Math.round(position * 1e6) / 1e6 : position)

/** Everything that was worked out of a sweep, before it is put into words. */
interface Judged {
  readonly context: SweepContext
  readonly heads: readonly Head[]
  readonly estimates: readonly RangeEstimate[]
  /** Whether each head reads somewhere, and fails somewhere. */
  readonly reads: readonly boolean[]
  readonly fails: readonly boolean[]
  readonly from: number
  readonly to: number
  readonly wide: number
  readonly uncertainty: number
  readonly common: SweepResult['common']
  readonly met: boolean
  readonly known: boolean
  readonly apart: boolean
  readonly contradiction: string | null
  readonly next: number | null
  readonly slack: number
  readonly places: ReadonlySet<number>
  /** A position with its unit, as fine as the sweep can tell. */
  readonly u: (x: number) => string
}

/** A position in words: a thousandth of what is swept is finer than any hand. */
function wordsFor(positions: readonly SweepPosition[], { unit = '', travel }: SweepContext): (x: number) => string {
  const all = [...positions.map(p => p.position), ...(travel ?? [])]
  const span = Math.max(...all) - Math.min(...all)
  const digits = all.length > 1 ? Math.max(0, Math.min(4, Math.ceil(-Math.log10(Math.max(1e-9, span / 400))))) : 3
  return x => `${plain(Number(x.toFixed(digits)))}${unit ? ` ${unit}` : ''}`
}

/** The answer where nothing can be estimated yet; null where something can. */
function tooFew(
  positions: readonly SweepPosition[],
  context: SweepContext,
  u: (x: number) => string,
): Pick<SweepResult, 'tryNext' | 'call'> | null {
  const { notYet = [], travel, stood, witness } = context
  const unknown = (reasons: readonly string[], next: string): Call => ({ kind: 'unknown', reasons, next })
  if (notYet.length)
    return {
      tryNext: null,
      call: unknown(notYet, 'Do that first: a sweep before it would measure something else.'),
    }
  const apart = 'Try two positions well apart, one on either side of where it stood.'
  if (positions.length === 0) {
    const first = witness ?? stood ?? (travel ? (travel[0] + travel[1]) / 2 : null)
    const where = witness !== undefined ? ', at its old mark' : stood === first ? ', where it stands' : ''
    const next = first === null ? apart : `Read at ${u(first)} first${where}.`
    return { tryNext: first, call: unknown(['No position was tried: a range has two edges.'], next) }
  }
  if (new Set(positions.map(p => p.position)).size < 2 && !travel)
    return { tryNext: null, call: unknown(['Only one position was tried: a range has two edges.'], apart) }
  return null
}

/**
 * What a sweep of an adjuster says: the range of each head, the middle of both, where to try next, where to set it.
 */
export function judgeSweep(tried: readonly SweepPosition[], context: SweepContext = {}): SweepResult {
  checkPositions(tried)
  const positions = tried.map(p => ({ ...p, position: told(p.position) }))
  const u = wordsFor(positions, context)
  const steps = actsInSteps(positions, context.adjuster)
  const early = tooFew(positions, context, u)
  if (early) return { lower: null, upper: null, common: null, observations: [], slack: 0, steps, ...early }
  const j = workOut(positions, context, steps, u)
  const of = (head: 'lower' | 'upper') => j.estimates[j.heads.findIndex(([h]) => h === head)] ?? null
  return {
    // One column of counts is the first place, whichever head it is.
    lower: positions[0]!.upper ? of('lower') : j.estimates[0]!,
    upper: positions[0]!.upper ? of('upper') : null,
    common: j.common,
    tryNext: j.next,
    slack: j.slack,
    steps,
    observations: observationsOf(j, positions.length),
    call: callOf(j),
  }
}

/** The heads whose range counts: those that the adjuster moves, or the one that was named. */
const judging = ({ adjuster, by }: SweepContext): readonly ('lower' | 'upper')[] =>
  by ? [by] : adjuster ? ADJUSTER_MOVES[adjuster] : ['lower', 'upper']

/** Slack, ranges, edges and the next position. */
function workOut(
  positions: readonly SweepPosition[],
  context: SweepContext,
  steps: boolean,
  u: (x: number) => string,
): Judged {
  const { travel } = context
  const places = new Set(positions.map(p => p.position))
  const range = searchRange(positions, travel)
  const before = beforehand(positions, context)
  const sided = (p: SweepPosition, head: 'lower' | 'upper'): SidedTry => ({
    position: p.position,
    side: p.side ?? 'below',
    ...p[head]!,
  })
  // What a single head reads stands in the first place, whichever it is.
  const raw = (['lower', 'upper'] as const)
    .slice(0, positions[0]!.upper ? 2 : 1)
    .filter(h => !positions[0]!.upper || judging(context).includes(h))
    .map(
      h =>
        [!positions[0]!.upper && context.adjuster === 'upper' ? 'upper' : h, positions.map(p => sided(p, h))] as const,
    )
  const { slack, tried: freed } = slackOf(raw[0]![1], range, before)
  // All of these heads are moved by the same adjuster: what comes off the one comes off the other.
  const heads: Head[] = raw.map(([h, tried]) => [h, tried.map((t, i) => ({ ...t, position: freed[i]!.position }))])
  const windows = sharingWidths(heads.map(([, tried]) => readingRanges(tried, range, before)))
  const estimates = heads.map(([, tried], i) => readingRange(tried, windows[i]))
  const [from, to] = [Math.max(...estimates.map(e => e.from.value)), Math.min(...estimates.map(e => e.to.value))]
  const wide = Math.max(Number.EPSILON, to - from)
  const reads = heads.map(([, tried]) => tried.some(t => t.good * 2 > t.expected))
  const fails = heads.map(([, tried]) => tried.some(t => t.good * 2 <= t.expected))
  // Of two heads it is the edge that comes first that counts; the other head's lies beyond it.
  const bound = bindings(estimates)
  const uncertainty = Math.hypot(...windows.map((w, i) => estimate(w, c => contribution(c, bound[i]!)).uncertainty))
  const common = from < to && reads.every(Boolean) ? { from, to, centre: (from + to) / 2, uncertainty } : null
  // Margins tell the middle before an edge is met.
  const byMargin =
    !steps && heads.some(([, tried]) => tried.filter(t => t.margin !== undefined && t.good > 0).length >= 3)
  // Where it reads up to the end of the travel there is no edge to meet.
  const end = travel ? 0.03 * (travel[1] - travel[0]) : 0
  const metBelow = (e: RangeEstimate) => e.metBelow || (travel !== undefined && e.from.value < travel[0] + end)
  const metAbove = (e: RangeEstimate) => e.metAbove || (travel !== undefined && e.to.value > travel[1] - end)
  const met =
    estimates.every((e, i) => (metBelow(e) || !bound[i]!.from) && (metAbove(e) || !bound[i]!.to)) ||
    (byMargin && fails.some(Boolean))
  const known = common !== null && met && uncertainty <= ENOUGH * wide
  const contradiction = contradictionIn(raw)
  const apart =
    from >= to &&
    reads.every(Boolean) &&
    estimates.every(e => e.metBelow || e.metAbove) &&
    from - to > Math.max(...estimates.map(e => Math.max(e.from.uncertainty, e.to.uncertainty)))
  const next =
    known || apart
      ? null
      : tryNext(
          heads.map(h => h[1]),
          range,
          windows,
          bound,
          {
            soft: before.soft === SOFT ? SOFT[1] : before.soft?.[0],
            steps: steps && positions.some(p => p.lower.named || p.upper?.named),
            travel,
          },
        )
  return {
    context,
    heads,
    estimates,
    reads,
    fails,
    from,
    to,
    wide,
    uncertainty,
    common,
    met,
    known,
    apart,
    contradiction,
    next,
    slack,
    places,
    u,
  }
}

function observationsOf({ common, estimates, heads, uncertainty, context }: Judged, tried: number): Observation[] {
  const { unit = '' } = context
  return [
    ...(common
      ? [
          {
            key: 'sweep.centre',
            label: 'Middle of the range',
            value: Number(common.centre.toPrecision(4)),
            unit,
            uncertainty: Number(uncertainty.toPrecision(2)),
            how: `${tried} positions tried`,
          },
        ]
      : []),
    ...estimates.map((e, i): Observation => ({
      key: `sweep.${heads[i]![0]}.centre`,
      label: `Middle, ${heads[i]![0]} head`,
      value: Number(e.centre.value.toPrecision(4)),
      unit,
      uncertainty: Number(e.centre.uncertainty.toPrecision(2)),
      how: `${tried} positions tried`,
    })),
  ]
}

function callOf(j: Judged): Call {
  const { heads, reads, fails, estimates, from, to, common, uncertainty, met, known, apart, contradiction } = j
  const { next, places, u } = j
  const { travel } = j.context
  const go = next === null ? '' : `Try ${u(next)} next.`
  if (contradiction)
    return {
      kind: 'unknown',
      reasons: [contradiction],
      next: 'Come to each position from the same side, and let the screw rest before reading.',
    }
  const dead = heads.filter((_, i) => !reads[i]).map(h => h[0])
  if (dead.length)
    return {
      kind: 'unknown',
      reasons: [
        dead.length === heads.length
          ? 'Nothing reads at any position that was tried.'
          : `The ${dead[0]} head reads at no position that was tried.`,
      ],
      next: `${go} If nothing comes there either, it is not this adjuster.`,
    }
  if (apart)
    return {
      kind: 'mend',
      reasons: ['The ranges of the two heads do not overlap: no position suits both.'],
      next: 'Leave this adjuster: one head is off against the other, so it is the heads.',
    }
  if (!fails.some(Boolean) && !known && places.size > 2 && !travel)
    return {
      kind: 'leave',
      reasons: [
        `It reads at every position tried, from ${u(Math.min(...places))} to ${u(Math.max(...places))}: its edges were not met.`,
      ],
      next: 'Leave it where it stood, in the middle of what was tried.',
    }
  if (!common)
    return { kind: 'unknown', reasons: ['Whether the ranges of both heads overlap is not known yet.'], next: go }
  if (!met)
    return {
      kind: 'unknown',
      reasons: [
        `${estimates.some(e => e.metBelow || e.metAbove) ? 'One edge of the range was' : 'The edges of the range were'} not met yet: it reads from ${u(from)} to ${u(to)} as far as is known.`,
      ],
      next: go,
    }
  if (!known)
    return {
      kind: 'unknown',
      reasons: [`The middle lies at ${u(common.centre)}, give or take ${u(uncertainty)}: not well enough known yet.`],
      next: go,
    }
  return settled(j, common)
}

/** Where to set it: not at all, where it stands well inside already. */
function settled(j: Judged, c: NonNullable<SweepResult['common']>): Call {
  const { heads, slack, wide, context, u } = j
  const reads = `It reads from ${u(c.from)} to ${u(c.to)}${heads.length === 2 ? ' with both heads' : ''}; the middle is ${u(c.centre)}, give or take ${u(c.uncertainty)}.`
  const extra = [
    ...(slack ? [`It has ${u(slack)} of play: positions are those come to from below.`] : []),
    ...asymmetry(j),
  ]
  const off = context.stood === undefined ? null : Math.abs(context.stood - c.centre)
  if (off !== null && off < (LEAVE_SHARE * wide) / 2)
    return {
      kind: 'leave',
      reasons: [
        `Original position ${u(context.stood!)}, ${u(off)} from the middle of a range ${u(wide)} wide.`,
        reads,
        ...extra,
      ],
      next: 'Put it back where it stood, from below, and tighten: moving it wins nothing.',
    }
  return {
    kind: 'nudge',
    reasons: [reads, ...extra],
    next: `Set ${context.adjuster ? `the ${ADJUSTER_NAMES[context.adjuster]}` : 'it'} to ${u(c.centre)}, coming from one side; tighten, and read outer, middle and inner again.`,
  }
}

function asymmetry({ estimates, wide, u }: Judged): string[] {
  if (estimates.length < 2) return []
  const apart = estimates[1]!.centre.value - estimates[0]!.centre.value
  const sure = Math.hypot(estimates[0]!.centre.uncertainty, estimates[1]!.centre.uncertainty)
  return Math.abs(apart) > sure && Math.abs(apart) > 0.1 * wide
    ? [
        `The upper head’s range lies ${u(Math.abs(apart))} ${apart > 0 ? 'above' : 'below'} the lower one’s: what both share is narrower than either.`,
      ]
    : []
}

/**
 * What stands within this share of the half window is left where it is: a screw that is tightened moves as much
 * (common practice).
 */
const LEAVE_SHARE = 0.2

/** The answer as plain JSON, as scripts rely on it. */
export function sweepJson(r: SweepResult): Record<string, unknown> {
  const head = (e: RangeEstimate | null) =>
    e && {
      from: e.from.value,
      to: e.to.value,
      centre: e.centre.value,
      uncertainty: e.centre.uncertainty,
      metBelow: e.metBelow,
      metAbove: e.metAbove,
    }
  return {
    call: r.call.kind,
    reasons: r.call.reasons,
    next: r.call.next,
    lower: head(r.lower),
    ...(r.upper ? { upper: head(r.upper) } : {}),
    common: r.common && {
      from: r.common.from,
      to: r.common.to,
      centre: r.common.centre,
      uncertainty: r.common.uncertainty,
    },
    tryNext: r.tryNext,
    slack: r.slack,
    steps: r.steps,
  }
}
