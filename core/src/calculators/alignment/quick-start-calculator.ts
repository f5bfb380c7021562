import { plain, type Call } from '../../base/observations'
import { maybe, num, type Calculator, type CalculatorLine, type CalculatorResult, type Values } from '../calculator'

/** Turns of the spindle in a time. */
export const turnsIn = (seconds: number, rpm: number): number => (seconds * rpm) / 60

/** From READY to the first data, turns of a quick disk (from memory), and what it may be off. */
const USUAL = { turns: 1.2, within: 0.3, rpm: 423, passTurns: 56 } as const

function judge(v: Values): CalculatorResult {
  const [seconds, rpm] = [num(v, 'toData'), num(v, 'rpm')]
  const usual =
    maybe(v, 'right') === undefined ? USUAL.turns : turnsIn(num(v, 'right'), maybe(v, 'rightRpm') ?? USUAL.rpm)
  const turns = turnsIn(seconds, rpm)
  const late = turns - usual
  const lines: CalculatorLine[] = [
    {
      label: 'READY to data',
      value: turns,
      unit: 'turns',
      note: `${plain((turns * 60_000) / USUAL.rpm)} ms at ${USUAL.rpm} r/min`,
    },
    {
      label: late >= 0 ? 'Later by' : 'Earlier by',
      value: Math.abs(late),
      unit: 'turns',
      note: `${plain(Math.abs(late) * 360)}° of the spindle`,
    },
    {
      label: 'A pass takes',
      value: (USUAL.passTurns * 60) / rpm,
      unit: 's',
      note: `${USUAL.passTurns} turns (from memory)`,
    },
    {
      label: 'By speed alone the time is off',
      value: ((usual * 60) / rpm - (usual * 60) / USUAL.rpm) * 1000,
      unit: 'ms',
      note: 'no fault of the start',
    },
  ]
  return {
    call: callOf(late, rpm, seconds),
    lines,
    observations: [
      {
        key: 'align.start',
        label: 'READY to data',
        value: Number(turns.toFixed(2)),
        unit: 'turns',
        how: `${plain(seconds * 1000)} ms at ${plain(rpm)} r/min`,
      },
    ],
  }
}

function callOf(late: number, rpm: number, seconds: number): Call {
  const off = rpm / USUAL.rpm - 1
  if (Math.abs(off) > 0.03)
    return {
      kind: 'nudge',
      reasons: [
        `At ${plain(rpm)} r/min it is ${plain(Math.abs(off) * 100)} % ${off > 0 ? 'fast' : 'slow'}: speed and start are judged together, and the speed comes first.`,
      ],
      next: 'Set the speed, then time the start again.',
    }
  if (Math.abs(late) <= USUAL.within)
    return {
      kind: 'leave',
      reasons: [
        `Data begin ${plain(seconds * 1000)} ms after READY, within ${plain(USUAL.within)} of a revolution of where they should.`,
      ],
      next: 'Leave it; read and write a whole side.',
    }
  return {
    kind: 'nudge',
    reasons: [
      `Data begin ${plain(Math.abs(late))} revolutions too ${late > 0 ? 'late: the head starts its sweep too far out' : 'early: the head starts its sweep too far in'}.`,
    ],
    next: `Turn the arm on its shaft by ${plain(Math.abs(late) * 360)}° of the spindle’s way, in small moves, and time it again.`,
  }
}

/** Where a quick disk's sweep starts, and what of its timing is the speed's. */
export const quickStartCalculator: Calculator = {
  id: 'quick-start',
  title: 'Start of the sweep',
  station: 'align',
  group: 'Quick disk',
  purpose: 'When data begin after READY, in turns of the spindle: what is the start’s doing and what the speed’s.',
  fields: [
    { key: 'toData', label: 'From READY to data', quantity: 'time', required: true, plausible: [0.02, 2] },
    { key: 'rpm', label: 'Speed now', quantity: 'speed', required: true, plausible: [350, 500] },
    {
      key: 'right',
      label: 'In a drive that is right',
      hint: '1.2 revolutions if not given, from memory',
      quantity: 'time',
      plausible: [0.02, 2],
    },
    {
      key: 'rightRpm',
      label: 'Its speed',
      hint: '423 if not given, from memory',
      quantity: 'speed',
      rare: true,
      plausible: [350, 500],
    },
  ],
  formulas: [
    'The head sweeps with the spindle, so that the start is a number of revolutions: revolutions = time × speed ÷ 60.',
  ],
  judge,
}
