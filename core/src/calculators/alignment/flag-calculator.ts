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
  const kind = v.zero === 'sensor' || v.zero === 'phase' ? v.zero : null
  const best = kind === 'phase' ? WITH_PHASE : ALONE
  const move = (best - at) * pitch
  const lines: CalculatorLine[] = [
    { label: 'Switches at', value: at, unit: 'cylinders', note: `inward of cylinder 0; ${best} is best` },
    {
      label: 'Room to the nearest detent',
      value: Math.max(0, room),
      unit: 'cylinders',
      note: slot ? `the slot takes ${plain(soft)}` : '',
    },
    { label: move > 0 ? 'Sensor to be moved inward' : 'Sensor to be moved outward', value: Math.abs(move), unit: 'mm' },
  ]
  return {
    call: zeroCall(kind, at, room, move),
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

/** Where the sensor alone is best, and where it is that shares TRACK 0 with a stepper phase, cylinders inward. */
const [ALONE, WITH_PHASE] = [0.5, 1.5]
/** The phase of cylinder 0 comes again so many cylinders further in (four phases, a step a cylinder). */
const PHASE_AGAIN = 4

/** Many stepper drives make TRACK 0 of the sensor and one stepper phase: then an edge beyond cylinder 1 is right. */
function zeroCall(kind: 'sensor' | 'phase' | null, at: number, room: number, move: number): Call {
  if (kind === 'phase') return phaseCall(at, move)
  if (kind === null && at >= 1 && at < PHASE_AGAIN - 1)
    return {
      kind: 'unknown',
      reasons: [
        `It switches ${plain(at)} cylinders inward: wrong for a sensor alone, right where TRACK 0 is the sensor and one stepper phase.`,
      ],
      next: 'Find out which: with the carriage at cylinder 1 and the flag in the slot, does TRACK 0 stay high? Then it is both.',
    }
  return callOf(at, room, move)
}

function phaseCall(at: number, move: number): Call {
  const by = `${plain(Math.abs(move))} mm ${move > 0 ? 'inward' : 'outward'}`
  if (at <= 0.1 || at >= PHASE_AGAIN - 0.5)
    return {
      kind: 'nudge',
      reasons: [
        at <= 0.1
          ? 'It switches at cylinder 0 or beyond: the phase comes, and the sensor may not.'
          : `It switches ${plain(at)} cylinders inward: the same phase at cylinder ${PHASE_AGAIN} is taken for zero.`,
      ],
      next: `Move the sensor ${by}.`,
    }
  return {
    kind: 'leave',
    reasons: [`It switches ${plain(at)} cylinders inward, and the stepper phase picks cylinder 0.`],
    next: 'Leave it.',
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
    {
      key: 'zero',
      label: 'TRACK 0 is made of',
      choices: [
        { value: 'sensor', label: 'the sensor alone' },
        { value: 'phase', label: 'the sensor and one stepper phase' },
      ],
    },
    { key: 'slot', label: 'Width of the slot', quantity: 'length', plausible: [0.1, 3] },
  ],
  formulas: [
    'A sensor alone is best half a cylinder inward; with a stepper phase, which comes again after four cylinders, between cylinders 1 and 2 (common practice).',
    'Switches at = way of the flag beyond the slot’s middle ÷ pitch. The detector changes over about 0.3 of the slot’s width (from memory), half of it either way.',
  ],
  judge,
}
