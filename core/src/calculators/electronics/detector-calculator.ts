import { gravestOf, plain, type Point } from '../../base/observations'
import { maybe, num, type Calculator, type CalculatorLine, type CalculatorResult, type Values } from '../calculator'
import { E12, nearest } from './e-series'
import { LOGIC, logicOf, SATURATED, UNNAMED_INPUT, type LogicInput } from './logic-levels'
import { levelAt, sentByInput, type SensorNode } from './sensor-node'

/** It should still switch when it has become so many times weaker, and in so many times the dark current. */
const RESERVE = 2
const DARK_RESERVE = 3

export interface PullUps {
  readonly least: number
  readonly most: number
  readonly best: number
}

/**
 * Pull-ups with which a detector is sure of both levels, Ω: small enough for its dark current and what a high input
 * takes, large enough that half its light still sinks the pull-up's current and what a low input sends. `best` is the
 * preferred value at their geometric middle.
 * @returns null where no pull-up does
 */
export function pullUpsFor(
  lit: number,
  dark: number,
  supply: number,
  logic: Pick<LogicInput, 'low' | 'high'> & Partial<Pick<LogicInput, 'inside' | 'intoHigh'>>,
): PullUps | null {
  if (lit <= 0 || logic.low <= SATURATED) return null
  const sinks = lit / RESERVE - sentByInput(logic, logic.low, 'typical')
  if (sinks <= 0) return null
  const least = (supply - logic.low) / sinks
  const taken = dark * DARK_RESERVE + (logic.intoHigh ?? 0)
  // Where nothing leaks there is still the line's capacitance: 100 kΩ is the most (from memory).
  const most = Math.min(100_000, taken > 0 ? (supply - logic.high) / taken : Infinity)
  if (least > most) return null
  return { least, most, best: Math.min(most, Math.max(least, nearest(E12, Math.sqrt(least * most)))) }
}

function judge(v: Values): CalculatorResult {
  const supply = maybe(v, 'supply') ?? 5
  const [lit, dark] = [num(v, 'lit'), maybe(v, 'dark') ?? 0]
  const logic = logicOf(v.logic) ?? UNNAMED_INPUT
  const range = pullUpsFor(lit, dark, supply, logic)
  const pull = maybe(v, 'pull')
  const lines: CalculatorLine[] = range
    ? [
        { label: 'Pull-up from', value: range.least, unit: 'Ω' },
        { label: 'to', value: range.most, unit: 'Ω' },
        { label: 'Choose', value: range.best, unit: 'Ω', note: 'a preferred value, E12 (IEC 60063)' },
      ]
    : []
  if (pull !== undefined) {
    const node: SensorNode = { supply, pull, input: logic, inside: 'typical' }
    lines.push(
      { label: 'Level when lit', value: levelAt(node, lit), unit: 'V' },
      { label: 'Level when shaded', value: levelAt(node, dark), unit: 'V' },
    )
  }
  const found = [...electrics(range, pull, lit), ...shape(v)]
  return {
    call: gravestOf(found, {
      kind: 'leave',
      reasons: [`With ${plain(pull ?? range?.best ?? 0)} Ω it is sure of both levels, at half its light too.`],
      next: 'Fit it at the height of the old one, and see both levels before closing.',
    }),
    lines,
    observations: [
      {
        key: 'detector.fit',
        label: 'Replacement detector',
        value: found.length ? `${found.length} ${found.length === 1 ? 'point' : 'points'} wrong` : 'serves',
        unit: '',
        how: `${plain(lit * 1000)} mA lit, ${plain(dark * 1e6)} µA dark, at the LED’s distance`,
      },
    ],
  }
}

function electrics(range: PullUps | null, pull: number | undefined, lit: number): Point[] {
  if (!range)
    return [
      {
        kind: 'mend',
        says: `With ${plain(lit * 1000)} mA lit no pull-up makes it sure of both levels.`,
        next: 'Another detector, or a brighter LED: never more current than its own sheet allows.',
      },
    ]
  if (pull === undefined || (pull >= range.least && pull <= range.most)) return []
  return [
    pull < range.least
      ? {
          kind: 'nudge',
          says: `The pull-up of ${plain(pull)} Ω is too strong for it: at half its light the line does not get low.`,
          next: `Change the pull-up to ${plain(range.best)} Ω.`,
        }
      : {
          kind: 'nudge',
          says: `The pull-up of ${plain(pull)} Ω is too weak for its dark current: warm, the line does not get high.`,
          next: `Change the pull-up to ${plain(range.best)} Ω.`,
        },
  ]
}

/** Does it sit, see and connect like the old one. */
function shape(v: Values): Point[] {
  const out: Point[] = []
  const [led, sees] = [maybe(v, 'ledNm'), maybe(v, 'seesNm')]
  if (led !== undefined && sees !== undefined && Math.abs(led - sees) > 100)
    out.push({
      kind: 'unknown',
      says: `The detector’s peak is at ${plain(sees)} nm and the LED gives ${plain(led)} nm.`,
      next: 'Measure its current with this LED, not with a lamp.',
    })
  if (v.looks === 'differs')
    out.push({
      kind: 'mend',
      says: 'It faces another direction than the old one: side-facing and end-facing detectors are not interchangeable.',
      next: 'Another detector, or bend its legs so that it faces the slot.',
    })
  if (v.legs === 'swapped')
    out.push({
      kind: 'nudge',
      says: 'Its legs are the other way round.',
      next: 'Turn it, or cross its legs in sleeving.',
    })
  if (v.legs === 'unknown')
    out.push({
      kind: 'unknown',
      says: 'Which leg is which is not known.',
      next: 'Ohmmeter in the light: it conducts one way only; mark that leg.',
    })
  const [slot, body] = [maybe(v, 'slot'), maybe(v, 'body')]
  if (slot !== undefined && body !== undefined && body > slot)
    out.push({
      kind: 'mend',
      says: `Its body of ${plain(body)} mm does not go into ${plain(slot)} mm.`,
      next: 'Another detector; filing its lens spoils it.',
    })
  return out
}

/** A detector from elsewhere in place of a dead one. */
export const detectorCalculator: Calculator = {
  id: 'detector',
  title: 'Replacement detector',
  station: 'electronics',
  group: 'Sensors',
  purpose: 'Whether a detector from elsewhere serves, and with which pull-up.',
  fields: [
    {
      key: 'lit',
      label: 'Current, lit',
      hint: 'by this LED, at its distance',
      quantity: 'current',
      required: true,
      plausible: [1e-5, 0.02],
    },
    { key: 'dark', label: 'Current, dark', quantity: 'current', zero: true, plausible: [1e-9, 1e-4] },
    { key: 'pull', label: 'Pull-up there', quantity: 'resistance', plausible: [1000, 200_000] },
    {
      key: 'logic',
      label: 'It drives',
      choices: Object.entries(LOGIC).map(([value, l]) => ({ value, label: l.label })),
    },
    {
      key: 'looks',
      label: 'Facing direction',
      choices: [
        { value: 'same', label: 'as the old one' },
        { value: 'differs', label: 'another way' },
      ],
    },
    {
      key: 'legs',
      label: 'Its legs',
      choices: [
        { value: 'same', label: 'as the old one' },
        { value: 'swapped', label: 'the other way round' },
        { value: 'unknown', label: 'not known' },
      ],
    },
    { key: 'supply', label: 'Supply', rare: true, quantity: 'voltage', plausible: [3, 12] },
    { key: 'slot', label: 'Slot width', rare: true, quantity: 'length', plausible: [1, 10] },
    { key: 'body', label: 'Its body is wide', rare: true, quantity: 'length', plausible: [1, 10] },
    { key: 'ledNm', label: 'The LED gives', rare: true, quantity: 'wavelength', plausible: [600, 1000] },
    { key: 'seesNm', label: 'Detector peak wavelength', rare: true, quantity: 'wavelength', plausible: [600, 1000] },
  ],
  formulas: [
    `Pull-up at least (supply − low level) ÷ (lit current ÷ ${RESERVE} − what a low input sends), so that it still works at half its light; at most (supply − high level) ÷ (${DARK_RESERVE} × dark current), and 100 kΩ (reserves from memory).`,
  ],
  judge,
}
