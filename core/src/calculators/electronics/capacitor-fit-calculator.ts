import { gravestOf, plain, type Point } from '../../base/observations'
import { maybe, num, type Calculator, type CalculatorLine, type CalculatorResult, type Values } from '../calculator'

/** A through-hole part laid flat wants room for its bent legs beside its length, mm (from memory). */
const LEGS = 3

function points(v: Values): Point[] {
  const out: Point[] = []
  const [marked, value, volts, newVolts] = [num(v, 'marked'), num(v, 'value'), maybe(v, 'volts'), maybe(v, 'newVolts')]
  if (value < marked * 0.8)
    out.push({
      kind: 'mend',
      says: `${plain(value)} µF in place of ${plain(marked)} µF is too little.`,
      next: 'Take the same value.',
    })
  else if (v.use === 'timing' && Math.abs(value / marked - 1) > 0.05)
    out.push({
      kind: 'mend',
      says: `It sets a time, and ${plain(value)} µF changes it by ${((value / marked - 1) * 100).toFixed(0)} %.`,
      next: 'Take the same value.',
    })
  else if (value > marked * 2.2)
    out.push({
      kind: 'unknown',
      says: `${plain(value)} µF is ${plain(value / marked)} times as much: the regulator meets a harder start.`,
      next: 'Take the same value, or the next above.',
    })
  if (volts !== undefined && newVolts !== undefined && newVolts < volts)
    out.push({
      kind: 'stop',
      says: `It is rated ${plain(newVolts)} V where ${plain(volts)} V stood: it may burst.`,
      next: `Take ${plain(volts)} V or more.`,
    })
  if (v.polarity === 'unknown')
    out.push({
      kind: 'stop',
      says: 'Which pad is plus is not known; the wrong way round it bursts.',
      next: 'Find plus on the board by a continuity check to the 5 V or 12 V line.',
    })
  if (v.kind === 'tantalum') out.push(...tantalum(v))
  return [...out, ...room(v)]
}

/** A tantalum part is chosen by the voltage that stands on its line, not by the rating of what was there before. */
function tantalum(v: Values): Point[] {
  const [line, newVolts] = [maybe(v, 'line'), maybe(v, 'newVolts')]
  if (line === undefined)
    return [
      {
        kind: 'unknown',
        says: 'A tantalum part wants about twice the voltage that stands on its line (a guess), and that is not known.',
        next: 'Measure the voltage of that line, and type it.',
      },
    ]
  if (newVolts === undefined || newVolts >= line * 2) return []
  return [
    {
      kind: newVolts < line ? 'stop' : 'mend',
      says: `A tantalum part of ${plain(newVolts)} V on a line of ${plain(line)} V may short and burn: it wants ${plain(line * 2)} V (a guess).`,
      next: `Take one of ${plain(line * 2)} V or more, or another kind.`,
    },
  ]
}

/** Does it stand, or lie. */
function room(v: Values): Point[] {
  const [height, diameter, above, beside] = [
    maybe(v, 'height'),
    maybe(v, 'diameter'),
    maybe(v, 'above'),
    maybe(v, 'beside'),
  ]
  if (height === undefined || above === undefined || height <= above) return []
  const lies =
    v.kind !== 'smd' && diameter !== undefined && diameter <= above && beside !== undefined && height + LEGS <= beside
  if (lies)
    return [
      {
        kind: 'nudge',
        says: `Standing it is ${plain(height - above)} mm too tall; laid flat it takes ${plain(diameter)} mm of height and ${plain(height + LEGS)} mm of length.`,
        next: 'Lay it flat, legs sleeved, and hold it with a dab of neutral silicone.',
      },
    ]
  const why =
    v.kind === 'smd'
      ? 'a surface-mount part cannot be laid flat'
      : diameter === undefined || beside === undefined
        ? 'whether it can be laid flat is not known'
        : diameter > above
          ? `lying it is still ${plain(diameter)} mm tall`
          : `lying it needs ${plain(height + LEGS)} mm beside its pads`
  return [
    {
      kind: diameter === undefined || beside === undefined ? 'unknown' : 'mend',
      says: `It is ${plain(height - above)} mm too tall, and ${why}.`,
      next:
        diameter === undefined || beside === undefined
          ? 'Measure its diameter and the room beside it.'
          : 'A lower part of the same value.',
    },
  ]
}

function judge(v: Values): CalculatorResult {
  const found = points(v)
  const [height, above] = [maybe(v, 'height'), maybe(v, 'above')]
  const lines: CalculatorLine[] = [
    { label: 'Of what is marked', value: (num(v, 'value') / num(v, 'marked')) * 100, unit: '%' },
  ]
  if (height !== undefined && above !== undefined)
    lines.push({ label: 'Room above it, standing', value: above - height, unit: 'mm' })
  return {
    call: gravestOf(found, {
      kind: 'leave',
      reasons: ['Value, voltage and size serve.'],
      next: 'Minus stripe to the minus pad; look again after soldering.',
    }),
    lines,
    observations: [
      {
        key: 'capacitor.fit',
        label: 'Replacement capacitor',
        value: found.length ? `${found.length} ${found.length === 1 ? 'point' : 'points'} wrong` : 'serves',
        unit: '',
        how: `${plain(num(v, 'value'))} µF for ${plain(num(v, 'marked'))} µF`,
      },
    ],
  }
}

/** A capacitor in place of another. */
export const capacitorFitCalculator: Calculator = {
  id: 'capacitor-fit',
  title: 'Replacement capacitor',
  station: 'electronics',
  group: 'Capacitors',
  purpose: 'Whether the capacitor at hand stands for the old one, standing or laid flat.',
  fields: [
    { key: 'marked', label: 'Old one, marked', quantity: 'capacitance', required: true, plausible: [0.01, 10_000] },
    { key: 'value', label: 'At hand', quantity: 'capacitance', required: true, plausible: [0.01, 10_000] },
    { key: 'volts', label: 'Old one, rated', quantity: 'voltage', plausible: [4, 450] },
    { key: 'newVolts', label: 'At hand, rated', quantity: 'voltage', plausible: [4, 450] },
    {
      key: 'line',
      label: 'Voltage of its line',
      hint: '5 V or 12 V, measured',
      quantity: 'voltage',
      plausible: [1, 50],
    },
    {
      key: 'kind',
      label: 'At hand, kind',
      choices: [
        { value: 'leaded', label: 'through-hole electrolytic' },
        { value: 'smd', label: 'surface mount' },
        { value: 'tantalum', label: 'tantalum' },
      ],
    },
    {
      key: 'polarity',
      label: 'Plus on the board',
      choices: [
        { value: 'known', label: 'known' },
        { value: 'unknown', label: 'not known' },
      ],
    },
    { key: 'height', label: 'At hand, height', quantity: 'length', plausible: [2, 60] },
    { key: 'diameter', label: 'At hand, diameter', quantity: 'length', plausible: [2, 40] },
    { key: 'above', label: 'Room above the board', quantity: 'length', plausible: [2, 60] },
    { key: 'beside', label: 'Room beside the pads', quantity: 'length', plausible: [2, 80] },
    {
      key: 'use',
      label: 'It is there for',
      rare: true,
      choices: [
        { value: 'supply', label: 'the supply' },
        { value: 'timing', label: 'a time' },
      ],
    },
  ],
  formulas: [
    'Same value (up to 2.2 times on a supply, within 5 % where it sets a time), equal or higher voltage, polarity known (common practice).',
    `Laid flat it takes its diameter in height and its length + ${LEGS} mm beside its pads (from memory).`,
  ],
  judge,
}
