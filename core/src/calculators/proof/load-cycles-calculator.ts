import { ParameterError } from '../../base/errors'
import { errorBound } from '../../base/numbers'
import type { Call } from '../../base/observations'
import { maybe, num, type Calculator, type CalculatorResult, type Values } from '../calculator'

/** Loads that tell something, and clicks in one load that are a steady click (common practice). */
const LOADS = 10
const STEADY = 3

function judge(v: Values): CalculatorResult {
  const [loads, notReady, stuck, worst] = [
    num(v, 'loads'),
    maybe(v, 'notReady') ?? 0,
    maybe(v, 'stuck') ?? 0,
    maybe(v, 'clicks') ?? 0,
  ]
  for (const [key, n] of [
    ['notReady', notReady],
    ['stuck', stuck],
  ] as const)
    if (n > loads)
      throw new ParameterError(`${n} of ${loads} loads cannot have failed`, 'no more than were tried', { field: key })
  const failed = Math.max(notReady, stuck)
  return {
    call: callOf(loads, notReady, stuck, worst, v.hurt === 'yes'),
    lines:
      loads > 0
        ? [
            {
              label: 'Loads that fail, at most',
              value: errorBound(failed, loads) * 100,
              unit: '%',
              note: `${failed} of ${loads}, 95 % sure`,
            },
          ]
        : [],
    observations: [
      {
        key: 'loads.failed',
        label: 'Load cycles that failed',
        value: failed,
        unit: '',
        how: `of ${loads}; most clicks in one load ${worst}`,
      },
    ],
  }
}

function callOf(loads: number, notReady: number, stuck: number, worst: number, hurt: boolean): Call {
  if (hurt)
    return {
      kind: 'stop',
      reasons: ['A disk came out damaged.'],
      next: 'Quarantine drive and disk; nothing good goes into it, and that disk into no other drive.',
    }
  if (worst >= STEADY)
    return {
      kind: 'stop',
      reasons: [
        `The heads were drawn back and loaded again ${worst} times in one load: a steady click.`,
        'It can tear a disk, and a torn disk can wreck the next drive.',
      ],
      next: 'Take the cartridge out; quarantine both, and look at the disk’s edge with a lens.',
    }
  if (stuck > 0)
    return {
      kind: 'mend',
      reasons: [`It kept the disk ${stuck === 1 ? 'once' : `${stuck} times`} in ${loads}.`],
      next: 'Eject motor, gears and slide; the manual hole with the power off.',
    }
  if (notReady > 0)
    return {
      kind: 'mend',
      reasons: [`It did not come ready ${notReady === 1 ? 'once' : `${notReady} times`} in ${loads}.`],
      next: 'Listen at which point: spin-up, load, or lock.',
    }
  if (worst > 0)
    return {
      kind: 'unknown',
      reasons: [`${worst === 1 ? 'One click' : `${worst} clicks`} in a load, and it came ready.`],
      next: `${LOADS} more loads with a sacrificial cartridge; any more clicks, and it is quarantined.`,
    }
  if (loads < LOADS)
    return {
      kind: 'unknown',
      reasons: [`${loads} loads without a fault are few.`],
      next: `Go on to ${LOADS}, with a sacrificial one.`,
    }
  return { kind: 'leave', reasons: [`${loads} loads without a click or a failure.`], next: 'A good one may go in.' }
}

/** Loading and ejecting again and again. */
export const loadCyclesCalculator: Calculator = {
  id: 'load-cycles',
  title: 'Load cycles',
  station: 'prove',
  group: 'Loading',
  purpose: 'Loading and ejecting again and again, with a sacrificial disk or cartridge: ready, clicks, eject.',
  fields: [
    { key: 'loads', label: 'Loads', quantity: 'count', required: true },
    { key: 'notReady', label: 'Did not come ready', quantity: 'count' },
    { key: 'stuck', label: 'Did not give it back', quantity: 'count' },
    { key: 'clicks', label: 'Most clicks in one load', hint: 'heads drawn back and loaded again', quantity: 'count' },
    {
      key: 'hurt',
      label: 'The disk afterwards',
      choices: [
        { value: 'no', label: 'as it was' },
        { value: 'yes', label: 'damaged: edge, scratch, dust' },
      ],
    },
  ],
  formulas: ['Failures among loads: exact binomial bound (Clopper and Pearson).'],
  judge,
}
