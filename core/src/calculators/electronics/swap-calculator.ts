import { ParameterError } from '../../base/errors'
import { fisherFewer } from '../../base/numbers'
import type { Call } from '../../base/observations'
import { maybe, num, type Calculator, type CalculatorLine, type CalculatorResult, type Values } from '../calculator'

/** So unlikely by luck that a swap is believed. */
const SURE = 0.05

/** Trials without a fault after which a swap would be believed, at what was seen before. */
export function trialsWanted(failsBefore: number, trialsBefore: number): number | null {
  for (let n = 1; n <= 500; n++) if (fisherFewer(failsBefore, trialsBefore, 0, n) < SURE) return n
  return null
}

function judge(v: Values): CalculatorResult {
  const pairs = (['before', 'after', 'back'] as const).map(k => {
    const [fails, trials] = [maybe(v, `${k}Fails`), maybe(v, `${k}Trials`)]
    if (fails !== undefined && trials !== undefined && fails > trials)
      throw new ParameterError(`${fails} failures in ${trials} trials`, 'no more failures than trials', {
        field: `${k}Fails`,
      })
    if ((trials ?? 0) > 10_000) throw new ParameterError(`${trials} trials`, 'at most 10 000', { field: `${k}Trials` })
    if (trials === 0) throw new ParameterError('no trial at all', 'one or more', { field: `${k}Trials` })
    return fails !== undefined && trials !== undefined ? { fails, trials } : null
  })
  const [before, after, back] = [
    { fails: num(v, 'beforeFails'), trials: num(v, 'beforeTrials') },
    { fails: num(v, 'afterFails'), trials: num(v, 'afterTrials') },
    pairs[2] ?? null,
  ]
  const luck = fisherFewer(before.fails, before.trials, after.fails, after.trials)
  const lines: CalculatorLine[] = [
    { label: 'Failed before', value: (before.fails / before.trials) * 100, unit: '%' },
    { label: 'Failed with the good part', value: (after.fails / after.trials) * 100, unit: '%' },
    { label: 'By luck alone', value: luck * 100, unit: '%', note: 'Fisher’s exact test' },
  ]
  if (back) lines.push({ label: 'Failed with the old part back', value: (back.fails / back.trials) * 100, unit: '%' })
  return {
    call: callOf(before, after, back, luck, v.old === 'damaged'),
    lines,
    observations: [
      {
        key: 'swap.luck',
        label: 'Part swapped, cure by luck',
        value: Number((luck * 100).toFixed(luck < 0.01 ? 2 : 1)),
        unit: '%',
        how: `${before.fails} of ${before.trials} before, ${after.fails} of ${after.trials} after`,
      },
    ],
  }
}

interface Tried {
  readonly fails: number
  readonly trials: number
}

function callOf(before: Tried, after: Tried, back: Tried | null, luck: number, damaged: boolean): Call {
  if (before.fails === 0)
    return {
      kind: 'unknown',
      reasons: ['It did not fail before, so a swap can show nothing.'],
      next: 'Find out first how to make it fail.',
    }
  if (after.fails / after.trials >= before.fails / before.trials)
    return {
      kind: 'leave',
      reasons: ['It fails as often with the good part: the old one is not to blame.'],
      next: damaged
        ? 'Leave the good part in, for the old one is damaged; swap the next suspect.'
        : 'Put the old one back, and swap the next suspect.',
    }
  if (luck >= SURE) {
    const more = trialsWanted(before.fails, before.trials)
    return {
      kind: 'unknown',
      reasons: [`It failed less often, which luck alone would bring in ${(luck * 100).toFixed(0)} of 100 cases.`],
      next: more
        ? `${Math.max(1, more - after.trials)} more trials without a failure would settle it.`
        : 'Try more often with the old part first: so few trials can never show it.',
    }
  }
  if (!back && damaged)
    return {
      kind: 'mend',
      reasons: [
        `The cure is hardly luck (${(luck * 100).toFixed(1)} %), and the old part is damaged by itself: it is not put back.`,
      ],
      next: 'Keep the good part in; mark the old one as bad, and look for what damaged it.',
    }
  if (!back)
    return {
      kind: 'unknown',
      reasons: [
        `The cure is hardly luck (${(luck * 100).toFixed(1)} %), but moving the part may have cured a contact.`,
      ],
      next: 'Put the old part back: does the fault come back?',
    }
  return fisherFewer(back.fails, back.trials, after.fails, after.trials) < SURE
    ? {
        kind: 'mend',
        reasons: ['With the good part it works, with the old one it fails again: the part is to blame.'],
        next: 'Keep the good one in; mark the old one as bad.',
      }
    : {
        kind: 'unknown',
        reasons: ['The fault does not come back with the old part: it was a contact, or it comes and goes.'],
        next: 'Clean and press the socket or plug, and let it run long.',
      }
}

/** Parts that are swapped on trial. */
const PARTS = {
  disk: 'disk',
  'interface-cable': 'data cable',
  'power-cable': 'power cable',
  supply: 'power supply',
  belt: 'belt',
  'spindle-motor': 'spindle motor',
  'motor-board': 'motor board',
  stepper: 'stepper',
  head: 'head assembly',
  'track-zero-sensor': 'track-zero sensor',
  'index-sensor': 'index sensor',
  'disk-in-switch': 'disk-in switch',
  'protect-switch': 'write-protect switch',
  'line-driver': 'line driver',
  'line-receiver': 'line receiver',
  'read-amplifier': 'read amplifier',
  processor: 'processor',
  memory: 'memory',
  'program-memory': 'program memory',
  'port-chip': 'port chip',
  'eject-motor': 'eject motor',
  'servo-board': 'servo board',
} as const

const pair = (k: string, label: string, required: boolean) => [
  {
    key: `${k}Fails`,
    label: `Failures, ${label}`,
    quantity: 'count' as const,
    ...(required ? { required: true as const } : {}),
  },
  {
    key: `${k}Trials`,
    label: `Trials, ${label}`,
    quantity: 'count' as const,
    plausible: [1, 200] as const,
    ...(required ? { required: true as const } : {}),
  },
]

/** A part swapped with a known-good one: was it that. */
export const swapCalculator: Calculator = {
  id: 'swap',
  title: 'Part swap',
  station: 'electronics',
  group: 'Logic',
  purpose: 'Whether swapping a part with a known-good one was the cure, or luck, or a contact.',
  fields: [
    {
      key: 'part',
      label: 'Part that was swapped',
      hint: 'then it counts on the drive’s case',
      choices: Object.entries(PARTS).map(([value, label]) => ({ value, label })),
    },
    ...pair('before', 'before', true),
    ...pair('after', 'good part in', true),
    {
      key: 'old',
      label: 'State of the old part',
      hint: 'a damaged part is never put back to try it',
      choices: [
        { value: 'whole', label: 'nothing to be seen' },
        { value: 'damaged', label: 'burnt, shorted or leaking' },
      ],
    },
    ...pair('back', 'old part back', false),
  ],
  filledBy: { 'chips.spot': { old: 'damaged' }, 'smell.burnt': { old: 'damaged' }, 'caps.leaking': { old: 'damaged' } },
  formulas: [
    'Chance that luck alone brings so few failures: Fisher’s exact test, one-sided. Believed under 5 %, and only when the fault comes back with the old part.',
  ],
  judge,
}
