import { plain, type Call } from '../../base/observations'
import { maybe, num, type Calculator, type CalculatorLine, type CalculatorResult, type Values } from '../calculator'

/**
 * Where a slotted sensor switches, cylinders inward of cylinder 0: where the flag’s edge has crossed the middle of
 * the slot.
 * @param overMm how far the edge stands beyond the middle of the slot with the carriage in the detent of cylinder 0
 * @param pitchMm of the tracks
 */
export const switchesAt = (overMm: number, pitchMm: number): number => overMm / pitchMm

/**
 * What is lost of the way to a detent by the slot: the sensor changes somewhere while the edge crosses it.
 * @returns half of it, cylinders
 */
export const slotUncertainty = (slotMm: number, pitchMm: number, ratio = 0.3): number => (slotMm * ratio) / 2 / pitchMm

function judge(v: Values): CalculatorResult {
  const [over, pitch] = [num(v, 'over'), num(v, 'pitch')]
  const slot = maybe(v, 'slot') ?? 0
  const at = switchesAt(over, pitch)
  const soft = slotUncertainty(slot, pitch)
  // Half way between two detents is furthest from both.
  const nearest = Math.round(at)
  const room = Math.abs(at - nearest) - soft
  const move = (0.5 - at) * pitch
  const lines: CalculatorLine[] = [
    { label: 'Switches at', value: at, unit: 'cylinders', note: 'inward of cylinder 0; half a cylinder is best' },
    {
      label: 'Room to the nearest detent',
      value: Math.max(0, room),
      unit: 'cylinders',
      note: slot ? `the slot takes ${plain(soft)}` : '',
    },
    { label: move > 0 ? 'Sensor to be moved inward' : 'Sensor to be moved outward', value: Math.abs(move), unit: 'mm' },
  ]
  return {
    call: callOf(at, room, move),
    lines,
    observations: [
      {
        key: 'align.switch',
        label: 'Track zero switches',
        value: Number(at.toFixed(2)),
        unit: 'cylinders inward',
        how: `flag ${plain(over)} mm beyond the slot’s middle at cylinder 0`,
      },
    ],
  }
}

function callOf(at: number, room: number, move: number): Call {
  const by = `${plain(Math.abs(move))} mm ${move > 0 ? 'inward' : 'outward'}`
  if (at >= 1)
    return {
      kind: 'nudge',
      reasons: [`It switches ${plain(at)} cylinders inward: the drive takes cylinder ${Math.floor(at)} for zero.`],
      next: `Move the sensor ${by}.`,
    }
  if (at < 0)
    return {
      kind: 'nudge',
      reasons: [
        `It switches ${plain(-at)} cylinders beyond cylinder 0: the carriage drives into its stop before it is seen.`,
      ],
      next: `Move the sensor ${by}.`,
    }
  if (room < 0.1)
    return {
      kind: 'nudge',
      reasons: [
        room <= 0
          ? 'It switches at a detent, as far as the slot can tell them apart: by warmth or wear it will count one off.'
          : `It switches ${plain(room)} of a cylinder from a detent: by warmth or wear it will count one off.`,
      ],
      next: `Move the sensor ${by}, to half way between two detents.`,
    }
  if (room < 0.25)
    return {
      kind: 'leave',
      reasons: [`It switches ${plain(at)} cylinders inward, with ${plain(room)} of a cylinder to spare.`],
      next: 'Leave it, and home ten times warm to be sure.',
    }
  return {
    kind: 'leave',
    reasons: [`It switches ${plain(at)} cylinders inward, about half way between two detents.`],
    next: 'Leave it.',
  }
}

/** Flag and slot of the track-zero sensor, against the detents of the stepper. */
export const flagCalculator: Calculator = {
  id: 'flag',
  title: 'Flag and slot',
  station: 'align',
  group: 'Track zero',
  purpose: 'Where the track-zero sensor switches between the detents of the stepper, and which way it has to go.',
  fields: [
    {
      key: 'over',
      label: 'Flag beyond the slot’s middle',
      hint: 'carriage in the detent of cylinder 0; negative if it does not reach',
      quantity: 'length',
      required: true,
      signed: true,
      plausible: [-1, 2],
    },
    { key: 'pitch', label: 'Pitch of the tracks', quantity: 'length', required: true, plausible: [0.1, 0.6] },
    { key: 'slot', label: 'Width of the slot', quantity: 'length', plausible: [0.1, 3] },
  ],
  formulas: [
    'Switches at = way of the flag beyond the slot’s middle ÷ pitch. The detector changes over about 0.3 of the slot’s width (from memory), half of it either way.',
  ],
  judge,
}
