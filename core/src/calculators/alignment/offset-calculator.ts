import { ParameterError } from '../../base/errors'
import { MECHANISMS, findMechanism, isMechanismId, LAYOUTS, layoutsOf, pitchUm } from '../../drives'
import { plain, type Call } from '../../base/observations'
import { maybe, num, type Calculator, type CalculatorLine, type CalculatorResult, type Values } from '../calculator'
import { hasOffsetCost, offsetCost, usualHalfWindowUm } from './offset-cost'

/** What a reading may be in, and how many micrometres one of it is. */
export const READING_UNITS = {
  um: 'µm',
  thou: 'thousandths of an inch',
  tracks: 'tracks',
  percent: '% of a track',
} as const

/** A reading of an offset in micrometres. @param pitch of the tracks, µm */
export function offsetUm(value: number, unit: keyof typeof READING_UNITS, pitch: number): number {
  return unit === 'um'
    ? value
    : unit === 'thou'
      ? value * 25.4
      : unit === 'tracks'
        ? value * pitch
        : (value / 100) * pitch
}

function judge(v: Values): CalculatorResult {
  const id = String(v.mechanism)
  if (!isMechanismId(id) || !hasOffsetCost(id))
    throw new ParameterError('this drive type has no tracks to stand beside', 'a drive type with tracks', {
      field: 'mechanism',
    })
  const pitch = pitchUm(id)
  const um = Math.abs(offsetUm(num(v, 'value'), v.unit as keyof typeof READING_UNITS, pitch))
  const last = LAYOUTS[layoutsOf(id)[0]!]!.cylinders - 1
  const half = usualHalfWindowUm(id)
  const perTurn = maybe(v, 'perTurn')
  const at = [0, Math.round(last / 2), last].map(cylinder => ({
    cylinder,
    ...offsetCost(id, { offsetUm: um, cylinder }),
    right: offsetCost(id, { offsetUm: 0, cylinder }),
  }))
  const lines: CalculatorLine[] = [
    {
      label: 'Offset',
      value: um,
      unit: 'µm',
      note: `${plain(um / 25.4)} thousandths of an inch, ${plain(um / pitch)} of a track`,
    },
    ...at.map((c, i): CalculatorLine => ({
      label: `Margin left, ${['outer', 'middle', 'inner'][i]}`,
      value: Math.round(c.margin * 100),
      unit: '%',
      note: `${Math.round(c.right.margin * 100)} % in the middle of its track${c.failing > 0.005 ? `; ${plain(c.failing * 100)} % of the sectors fail` : ''}`,
    })),
    { label: 'Signal left', value: Math.round(at[0]!.signal * 100), unit: '%' },
    {
      label: 'Sectors begin to fail at',
      value: Math.round(half),
      unit: 'µm',
      note: 'half of them; a sound drive, outermost track',
    },
  ]
  if (perTurn !== undefined)
    lines.push({
      label: 'Screw to be turned',
      value: (um / 1000 / perTurn) * 360,
      unit: '°',
      note: `${plain(um / 1000 / perTurn)} of a turn`,
    })
  const worst = Math.max(...at.map(c => c.failing))
  return {
    call: callOf(um, half, worst, at[2]!.margin),
    lines,
    observations: [
      {
        key: 'align.offset',
        label: 'Offset',
        value: Number(um.toFixed(1)),
        unit: 'µm',
        how: `${findMechanism(id).label}, by reading`,
      },
    ],
  }
}

function callOf(um: number, half: number, worst: number, inner: number): Call {
  if (worst > 0.005)
    return {
      kind: 'nudge',
      reasons: [`${plain(um)} µm off costs ${plain(worst * 100)} % of the sectors where it costs most.`],
      next: 'Sweep the adjuster that the evidence points to.',
    }
  if (um > half * 0.5)
    return {
      kind: 'unknown',
      reasons: [
        `${plain(um)} µm off still reads, with a timing margin of ${Math.round(inner * 100)} % at the inner end; it is half way to where sectors fail.`,
      ],
      next: 'Other drives’ disks may be off to the other side: read one before it is left.',
    }
  return {
    kind: 'leave',
    reasons: [`${plain(um)} µm off costs little: the timing margin at the inner end is ${Math.round(inner * 100)} %.`],
    next: 'Leave it: tightening a screw moves as much.',
  }
}

/** What an offset costs, and what a reading of it means. */
export const offsetCalculator: Calculator = {
  id: 'offset',
  title: 'What an offset costs',
  station: 'align',
  group: 'Instrument method',
  purpose:
    'A reading in tracks or thousandths in micrometres and turns of the screw, and what it takes of the timing margin.',
  fields: [
    {
      key: 'mechanism',
      label: 'Drive type',
      required: true,
      choices: MECHANISMS.filter(m => hasOffsetCost(m.id)).map(m => ({ value: m.id, label: m.label })),
    },
    { key: 'value', label: 'Reading', quantity: 'number', required: true, signed: true, plausible: [0.01, 400] },
    {
      key: 'unit',
      label: 'It is in',
      required: true,
      choices: Object.entries(READING_UNITS).map(([value, label]) => ({ value, label })),
    },
    { key: 'perTurn', label: 'A turn of the screw moves', quantity: 'length', plausible: [0.02, 3] },
  ],
  formulas: [
    'Signal = overlap of head and track; jitter = (noise and neighbour) ÷ signal; margin = 1 − twice the phase that a hundredth of the transitions exceed. The simulated drive draws from the same functions.',
  ],
  judge,
}
