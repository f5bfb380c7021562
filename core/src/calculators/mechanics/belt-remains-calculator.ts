import { ParameterError } from '../../base/errors'
import type { Call } from '../../base/observations'
import { maybe, num, type Calculator, type CalculatorLine, type CalculatorResult, type Values } from '../calculator'
import { insideLength, isMaterial, STRETCH } from './belt-calculator'

/** A thread is laid and read no better than this, mm (from memory). */
const THREAD_MM = 1
/** A belt that is said to serve a like mechanism may be off by so much of its length (from memory). */
const KNOWN_OFF = 0.02

/** How much longer an old belt has become for good, as a share of its length; shrunk below 0 (from memory). */
const SET = {
  elastic: { label: 'springs back', least: 0, most: 0.03 },
  slack: { label: 'slack, or flat in places', least: 0.03, most: 0.1 },
  hard: { label: 'hard or cracked', least: -0.03, most: 0.05 },
  sticky: { label: 'sticky, or in pieces', least: -0.03, most: 0.12 },
} as const
type SetId = keyof typeof SET
const isSet = (s: unknown): s is SetId => typeof s === 'string' && s in SET

/** Inside lengths that would serve, by one way of knowing, mm. */
interface Way {
  readonly label: string
  readonly least: number
  readonly most: number
  readonly note: string
}

/**
 * Path of the belt's middle by a thread that lies on the pulleys, mm. Both run beside the surface at half their own
 * thickness, and round once: the thread by π times its thickness too long, the belt by π times its section more.
 */
export const pathByThread = (threadMm: number, threadThickMm: number, sectionMm: number): number =>
  threadMm - Math.PI * threadThickMm + Math.PI * sectionMm

function ways(v: Values): Way[] {
  const section = num(v, 'section')
  const s = STRETCH[isMaterial(v.material) ? v.material : 'square']
  const out: Way[] = []
  const thread = maybe(v, 'thread')
  if (thread !== undefined) {
    const path = pathByThread(thread, maybe(v, 'thick') ?? 0, section)
    out.push({
      label: 'By the thread',
      least: insideLength(path + THREAD_MM, s.most, section),
      most: insideLength(path - THREAD_MM, s.least, section),
      note: `path along the belt’s middle ${path.toFixed(1)} ± ${THREAD_MM} mm`,
    })
  }
  const old = maybe(v, 'old')
  if (old !== undefined) {
    const set = SET[isSet(v.state) ? v.state : 'sticky']
    out.push({
      label: 'By the remains',
      least: old / (1 + set.most) - Math.PI * section,
      most: old / (1 + set.least) - Math.PI * section,
      note: `${set.label}: ${(set.least * 100).toFixed(0)} to ${(set.most * 100).toFixed(0)} % longer than new (from memory)`,
    })
  }
  const known = maybe(v, 'known')
  if (known !== undefined)
    out.push({
      label: 'By a like mechanism',
      least: known * (1 - KNOWN_OFF),
      most: known * (1 + KNOWN_OFF),
      note: `± ${KNOWN_OFF * 100} % (from memory)`,
    })
  return out
}

/** What all ways leave, with the one to order. @throws ParameterError where no way was given */
export function lengthByRemains(v: Values): { leastMm: number; orderMm: number; mostMm: number; agree: boolean } {
  const all = ways(v)
  if (all.length === 0)
    throw new ParameterError('nothing tells its length', 'a thread, the old belt, or a belt of a like mechanism', {
      field: 'thread',
    })
  if (num(v, 'section') <= 0) throw new ParameterError('a section of nothing', 'above 0 mm', { field: 'section' })
  const leastMm = Math.max(...all.map(w => w.least))
  const mostMm = Math.min(...all.map(w => w.most))
  if (leastMm > mostMm) {
    // The thread measures the drive; what an old belt was is guessed.
    const best = all[0]!
    return { leastMm: best.least, mostMm: best.most, orderMm: (best.least + best.most) / 2, agree: false }
  }
  return { leastMm, mostMm, orderMm: (leastMm + mostMm) / 2, agree: true }
}

function judge(v: Values): CalculatorResult {
  const all = ways(v)
  const { leastMm, orderMm, mostMm, agree } = lengthByRemains(v)
  const lines: CalculatorLine[] = [
    ...all.map(w => ({
      label: `${w.label}: inside length`,
      value: (w.least + w.most) / 2,
      unit: 'mm',
      note: `${w.least.toFixed(1)} to ${w.most.toFixed(1)} mm; ${w.note}`,
    })),
    {
      label: 'Inside length to order',
      value: orderMm,
      unit: 'mm',
      note: `${leastMm.toFixed(1)} to ${mostMm.toFixed(1)} mm agree with all of it`,
    },
  ]
  return {
    call: callOf(v, { leastMm, orderMm, mostMm, agree }, all),
    lines,
    observations: [
      {
        key: 'belt.order',
        label: 'Belt to order, inside',
        value: Number(orderMm.toFixed(1)),
        unit: 'mm',
        how: `${all.map(w => w.label.toLowerCase()).join(', ')}: ${leastMm.toFixed(1)} to ${mostMm.toFixed(1)} mm`,
      },
    ],
  }
}

function callOf(v: Values, r: ReturnType<typeof lengthByRemains>, all: readonly Way[]): Call {
  const range = `${r.leastMm.toFixed(1)} to ${r.mostMm.toFixed(1)} mm`
  if (!r.agree)
    return {
      kind: 'unknown',
      reasons: ['What was measured does not agree: no belt would be right by all of it.'],
      next: 'Measure again; a thread laid once round the pulleys tells most.',
    }
  const candidate = maybe(v, 'candidate')
  if (candidate === undefined)
    return {
      kind: 'unknown',
      reasons: [`A belt of ${r.orderMm.toFixed(1)} mm inside length is likeliest; ${range} can be right.`],
      next: all.some(w => w.label === 'By the thread')
        ? 'Order two sizes of this range, or measure pulleys and centres for a narrower one.'
        : 'Lay a thread once round the pulleys before you order: an old belt is poor evidence.',
    }
  if (candidate >= r.leastMm && candidate <= r.mostMm)
    return {
      kind: 'leave',
      reasons: [`${candidate} mm lies within ${range}.`],
      next: 'Fit it, turn it by hand twenty turns, and see that it stays in the middle of its pulleys.',
    }
  const short = candidate < r.leastMm
  return {
    kind: 'mend',
    reasons: [`${candidate} mm is ${short ? 'shorter' : 'longer'} than ${range}.`],
    next: short ? 'A longer one: a tight belt wears the bearings.' : 'A shorter one: a slack belt slips.',
  }
}

/** A belt whose pulleys nobody can measure: by a thread, by what is left of the old one, by a like mechanism. */
export const beltRemainsCalculator: Calculator = {
  id: 'belt-remains',
  title: 'Belt by thread or remains',
  station: 'drive-train',
  group: 'Belts',
  purpose: 'Which belt to order where pulleys and centres cannot be measured.',
  fields: [
    { key: 'section', label: 'Section of the new belt', quantity: 'length', required: true, plausible: [0.3, 5] },
    {
      key: 'material',
      label: 'Kind of the new belt',
      choices: Object.entries(STRETCH).map(([value, { label }]) => ({ value, label })),
    },
    {
      key: 'thread',
      label: 'Thread along the path',
      hint: 'once round all pulleys, without stretch',
      quantity: 'length',
      plausible: [60, 900],
    },
    { key: 'thick', label: 'Thickness of the thread', quantity: 'length', plausible: [0.05, 1.5], rare: true },
    {
      key: 'old',
      label: 'Old belt, cut and laid straight',
      hint: 'with all its pieces, without pulling',
      quantity: 'length',
      plausible: [60, 900],
    },
    {
      key: 'state',
      label: 'State of the old belt',
      choices: Object.entries(SET).map(([value, { label }]) => ({ value, label })),
    },
    {
      key: 'known',
      label: 'Inside length that serves a like mechanism',
      quantity: 'length',
      plausible: [60, 900],
      rare: true,
    },
    { key: 'candidate', label: 'Inside length of the belt at hand', quantity: 'length', plausible: [60, 900] },
  ],
  formulas: [
    'Path of the belt’s middle = thread − π × its thickness + π × section (both run once round).',
    'Inside length = path ÷ (1 + stretch) − π × section; stretch by kind (from memory).',
    'An old belt’s own length = its length now ÷ (1 + how much longer it became) (from memory).',
  ],
  judge,
}
