import { ParameterError } from '../../base/errors'
import { upperTail } from '../../base/numbers'
import type { Call } from '../../base/observations'
import {
  maybe,
  num,
  type Field,
  type Calculator,
  type CalculatorLine,
  type CalculatorResult,
  type Values,
} from '../calculator'

const WIRES = [1, 2, 3, 4, 5, 6, 7, 8] as const
/** So unlikely by chance, among all wires tried, that the wire is named. */
const SURE = 0.01

interface Tried {
  readonly n: number
  readonly errors: number
  readonly chance: number
}

/**
 * How likely so many errors came by chance while a wire was moved, given the errors at rest: exact conditional test of
 * two Poisson rates, times the number of wires tried (Bonferroni).
 */
export function wiggleChance(
  errors: number,
  seconds: number,
  restErrors: number,
  restSeconds: number,
  wires: number,
): number {
  return Math.min(1, wires * upperTail(errors, errors + restErrors, seconds / (seconds + restSeconds)))
}

function judge(v: Values): CalculatorResult {
  const [rest, restS, each] = [num(v, 'rest'), num(v, 'restTime'), num(v, 'each')]
  if (restS <= 0 || each <= 0)
    throw new ParameterError('reading for no time', 'seconds above 0', { field: restS <= 0 ? 'restTime' : 'each' })
  const count = WIRES.filter(n => v[`wire${n}`] !== undefined).length
  const tried: Tried[] = WIRES.flatMap(n => {
    const errors = maybe(v, `wire${n}`)
    return errors === undefined ? [] : [{ n, errors, chance: wiggleChance(errors, each, rest, restS, count) }]
  })
  const after = maybe(v, 'after')
  const lines: CalculatorLine[] = tried.map(t => ({
    label: `Wire ${t.n}`,
    value: (t.errors / each) * 60,
    unit: 'errors/min',
    note:
      t.chance < 1 ? `by chance ${t.chance < 0.001 ? 'less than 0.1' : (t.chance * 100).toFixed(1)} %` : 'as at rest',
  }))
  const best = [...tried].sort((a, b) => a.chance - b.chance)[0]
  return {
    call: callOf(tried, rest, restS, each, after, v),
    lines,
    observations: [
      {
        key: 'wiggle.wire',
        label: 'Wiggle test',
        value: best && best.chance < SURE ? `wire ${best.n}` : 'none stands out',
        unit: '',
        how: `${tried.length} wires, ${each} s each`,
      },
    ],
  }
}

function callOf(
  tried: readonly Tried[],
  rest: number,
  restS: number,
  each: number,
  after: number | undefined,
  v: Values,
): Call {
  if (tried.length === 0)
    return {
      kind: 'unknown',
      reasons: ['No wire was moved yet.'],
      next: 'Move one wire at a time at its plug, while it reads, and count.',
    }
  const bad = tried.filter(t => t.chance < SURE).sort((a, b) => a.chance - b.chance)
  if (after !== undefined && wiggleChance(after, restS, rest, restS, 1) < SURE)
    return {
      kind: 'mend',
      reasons: [
        `It reads worse after moving than before: ${after} errors in place of ${rest}.`,
        'Something was left in another place than it was.',
      ],
      next: 'Press each plug home, then start again from rest.',
    }
  const [first, second] = bad
  if (!first) {
    const most = Math.max(...tried.map(t => t.errors))
    return {
      kind: most > 0 && rest === 0 ? 'unknown' : 'leave',
      reasons: [most > 0 ? 'No wire makes more errors than chance explains.' : 'No errors, whichever wire was moved.'],
      next: most > 0 ? `Move each for longer than ${each} s.` : 'Test again when warm, with the covers on.',
    }
  }
  const sure = `The odds that this is chance are ${first.chance < 0.001 ? 'below 1 in 1000' : `1 in ${Math.round(1 / first.chance)}`}.`
  const crimp =
    v.joint === 'crimp'
      ? 'A crimp that pierced the sheath fails years later: crimp it again.'
      : v.joint === 'solder'
        ? 'A grey or ringed joint: solder it again, and sleeve it.'
        : 'Look at its crimp or joint; remake it.'
  return second && second.errors * 2 > first.errors
    ? {
        kind: 'mend',
        reasons: [
          `Wires ${[first.n, second.n].sort((a, b) => a - b).join(' and ')} make errors when they are moved: what they share is loose.`,
          sure,
        ],
        next: 'Look at the plug or the ground that they share.',
      }
    : {
        kind: 'mend',
        reasons: [`Wire ${first.n} makes errors when it is moved: ${first.errors} in ${each} s.`, sure],
        next: crimp,
      }
}

const fields: Field[] = [
  { key: 'rest', label: 'Errors at rest', quantity: 'count', required: true },
  { key: 'restTime', label: 'Read at rest for', quantity: 'time', required: true, plausible: [5, 600] },
  { key: 'each', label: 'Each wire moved for', quantity: 'time', required: true, plausible: [2, 120] },
  ...WIRES.map((n): Field => ({
    key: `wire${n}`,
    label: `Errors, wire ${n}`,
    quantity: 'count',
    ...(n > 4 ? { rare: true as const } : {}),
  })),
  { key: 'after', label: 'Errors afterwards', hint: 'as long as at rest', quantity: 'count' },
  {
    key: 'joint',
    label: 'Its ends are',
    choices: [
      { value: 'crimp', label: 'crimped' },
      { value: 'solder', label: 'soldered' },
    ],
    rare: true,
  },
]

/** Which wire it is, and how sure. */
export const wiggleCalculator: Calculator = {
  id: 'wiggle',
  title: 'Wiggle test',
  station: 'electronics',
  group: 'Wiring',
  purpose: 'Which wire makes the errors, from counting while each is moved, and how sure that is.',
  fields,
  formulas: [
    'Chance of so many errors by luck: exact conditional test of two Poisson counts (binomial tail), times the number of wires tried.',
  ],
  judge,
}
