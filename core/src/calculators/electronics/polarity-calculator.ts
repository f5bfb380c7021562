import type { Call } from '../../base/observations'
import {
  maybe,
  type Field,
  type Calculator,
  type CalculatorLine,
  type CalculatorResult,
  type Values,
} from '../calculator'

const WIRES = [1, 2, 3, 4] as const
/** What a wire can ring out to, and what it must then measure. */
const PINS = {
  ground: { label: 'ground pin of a logic chip', volts: 0 },
  five: { label: '5 V pin of a logic chip', volts: 5 },
  twelve: { label: '12 V at the motor or its driver', volts: 12 },
} as const
type Pin = keyof typeof PINS

interface Wire {
  readonly n: number
  readonly volts: number | undefined
  readonly to: Pin | 'nothing' | undefined
}

/** A rail may be off by 5 %, ground by 0.1 V (TTL data books: 5 V ± 5 %). */
const fits = (pin: Pin, volts: number) =>
  pin === 'ground' ? Math.abs(volts) <= 0.1 : Math.abs(volts / PINS[pin].volts - 1) <= 0.05

function callOf(wires: readonly Wire[], colours: boolean): Call {
  const wrong = wires.find(w => w.volts !== undefined && w.to && w.to !== 'nothing' && !fits(w.to, w.volts))
  if (wrong)
    return {
      kind: 'stop',
      reasons: [
        `Wire ${wrong.n} measures ${wrong.volts} V and leads to the ${PINS[wrong.to as Pin].label}, which wants ${PINS[wrong.to as Pin].volts} V.`,
        'Connected so, it kills the drive.',
      ],
      next: 'Do not connect. Find which end is turned round.',
    }
  const half = wires.filter(w => (w.volts === undefined) !== (w.to === undefined))
  if (half.length)
    return {
      kind: 'stop',
      reasons: [
        `Wire ${half.map(w => w.n).join(', ')}: ${half[0]!.volts === undefined ? 'continuity checked but not measured' : 'measured but continuity not checked'}. One without the other is not evidence.`,
      ],
      next:
        half[0]!.volts === undefined
          ? 'Measure it, with the drive unplugged.'
          : 'Check continuity from the plug to a chip’s supply pins, power off.',
    }
  const proved = wires.filter(w => w.volts !== undefined && w.to && w.to !== 'nothing')
  const has = (p: Pin) => proved.some(w => w.to === p)
  if (colours && proved.length === 0)
    return {
      kind: 'stop',
      reasons: ['Colours are not evidence: they are swapped as often as not in what was repaired before.'],
      next: 'Measure each wire, then check the continuity of each.',
    }
  if (!has('ground') || !has('five'))
    return {
      kind: 'stop',
      reasons: [
        `Not verified yet: ${[!has('ground') && 'a ground', !has('five') && 'a 5 V wire'].filter(Boolean).join(' and ')}.`,
      ],
      next: 'Measure and check the continuity of the rest.',
    }
  const loose = wires.find(w => w.to === 'nothing' && Math.abs(w.volts ?? 0) > 0.1)
  if (loose)
    return {
      kind: 'unknown',
      reasons: [`Wire ${loose.n} carries ${loose.volts} V and has continuity to nothing that was tried.`],
      next: 'Try the motor’s driver and the regulator before it is connected.',
    }
  return {
    kind: 'leave',
    reasons: [`May connect: ${proved.length} wires measured and checked for continuity, each where it belongs.`],
    next: 'Connect with the power off; watch the current at switch-on.',
  }
}

function judge(v: Values): CalculatorResult {
  const wires = WIRES.map((n): Wire => ({ n, volts: maybe(v, `volts${n}`), to: v[`to${n}`] as Wire['to'] })).filter(
    w => w.volts !== undefined || w.to !== undefined,
  )
  const call = callOf(wires, v.colours === 'yes')
  const lines: CalculatorLine[] = wires.map(w => ({
    label: `Wire ${w.n}`,
    value: w.volts === undefined ? 'not measured' : `${w.volts} V`,
    unit: '',
    note:
      w.to === undefined
        ? 'continuity not checked'
        : w.to === 'nothing'
          ? 'has continuity to nothing'
          : `to the ${PINS[w.to].label}`,
  }))
  return {
    call,
    lines,
    observations: [
      {
        key: 'supply.polarity',
        label: 'Supply wires',
        value: call.kind === 'leave' ? 'verified' : 'not verified',
        unit: '',
        how: `${wires.length} wires`,
      },
    ],
  }
}

const fields: Field[] = WIRES.flatMap((n): Field[] => [
  {
    key: `volts${n}`,
    label: `Wire ${n} measures`,
    hint: n === 1 ? 'against ground, drive unplugged' : undefined,
    quantity: 'voltage',
    signed: true,
    plausible: [0, 30],
  },
  {
    key: `to${n}`,
    label: `Wire ${n} has continuity to`,
    hint: n === 1 ? 'at a logic chip, power off' : undefined,
    choices: [
      { value: 'ground', label: 'ground pin' },
      { value: 'five', label: '5 V pin' },
      { value: 'twelve', label: '12 V, motor' },
      { value: 'nothing', label: 'nothing' },
    ],
  },
])

/** Each supply wire proved twice before it may be connected. */
export const polarityCalculator: Calculator = {
  id: 'polarity',
  title: 'Supply wires',
  station: 'electronics',
  group: 'Supply',
  purpose: 'May it be connected? Each wire measured, and checked for continuity to a chip’s supply pins.',
  fields: [
    ...fields,
    {
      key: 'colours',
      label: 'Known by their colours',
      choices: [
        { value: 'yes', label: 'yes' },
        { value: 'no', label: 'no' },
      ],
      rare: true,
    },
  ],
  answers: { leave: 'supply.proved' },
  filledBy: { 'supply.colours': { colours: 'yes' } },
  formulas: [
    'May connect when every wire that has continuity to a pin measures what that pin wants, within 5 % (ground within 0.1 V), and ground and 5 V are both verified.',
  ],
  judge,
}
