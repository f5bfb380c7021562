import { plain, type Call } from '../../base/observations'
import { maybe, num, type Calculator, type CalculatorLine, type CalculatorResult, type Values } from '../calculator'
import { E6, nearest } from './e-series'

/** Highest ESR of a sound aluminium electrolytic at 100 kHz, Ω, by value: from memory, makers differ by half. */
const ESR: readonly (readonly [upToUf: number, ohms: number])[] = [
  [1, 12],
  [4.7, 7],
  [10, 4],
  [22, 2.5],
  [47, 1.3],
  [100, 0.7],
  [220, 0.4],
  [470, 0.2],
  [1000, 0.12],
  [Infinity, 0.08],
]
const esrLimit = (microfarads: number) => ESR.find(([upTo]) => microfarads <= upTo)![1]

/** Age from which an electrolytic’s value alone proves little, years (from memory). */
const OLD = 25
/** Rated voltages that are sold (from memory). */
const RATED = [6.3, 10, 16, 25, 35, 50, 63, 100]

/** The nearest E6 value, µF. */
export const nearestE6 = (value: number): number => nearest(E6, value)
/** The voltage to buy for one that was marked so, V. */
export const ratedFor = (volts: number): number => RATED.find(r => r >= volts) ?? volts

function judge(v: Values): CalculatorResult {
  const marked = num(v, 'marked')
  const tolerance = (maybe(v, 'tolerance') ?? 20) / 100
  const [reading, esr, volts] = [maybe(v, 'reading'), maybe(v, 'esr'), maybe(v, 'volts')]
  const lines: CalculatorLine[] = [
    {
      label: 'May read',
      value: `${(marked * (1 - tolerance)).toPrecision(3)} to ${(marked * (1 + tolerance)).toPrecision(3)}`,
      unit: 'µF',
      note: `${(tolerance * 100).toFixed(0)} %`,
    },
  ]
  if (reading !== undefined)
    lines.push({ label: 'Reads of what is marked', value: (reading / marked) * 100, unit: '%' })
  if (esr !== undefined)
    lines.push({ label: 'ESR may be', value: esrLimit(marked), unit: 'Ω', note: 'at most, at 100 kHz (from memory)' })
  const buy = volts === undefined ? undefined : ratedFor(volts)
  lines.push({
    label: 'Replace with',
    value: `${plain(nearestE6(marked))} µF${buy === undefined ? '' : `, ${buy} V or more`}`,
    unit: '',
    note: 'same value, equal or higher voltage, polarity marked, fits the height',
  })
  return {
    call: capacitorCall(v, marked, tolerance),
    lines,
    // What is printed on a part is no measurement: without one there is nothing to keep.
    observations:
      reading === undefined && esr === undefined
        ? []
        : [
            {
              key: 'capacitor',
              label: `Capacitor, ${plain(marked)} µF`,
              value: reading ?? esr!,
              unit: reading !== undefined ? 'µF' : 'Ω',
              how:
                v.where === 'out' ? 'one leg lifted' : v.where === 'in' ? 'in circuit' : 'in circuit or not: not said',
            },
          ],
  }
}

/** The call on one capacitor, in a list or by itself. */
export function capacitorCall(v: Values, marked: number, tolerance: number): Call {
  const [all, esr, beside] = [maybe(v, 'reading'), maybe(v, 'esr'), maybe(v, 'beside') ?? 0]
  // Capacitances side by side add up: what stands beside it is taken off. Only a lifted leg leaves nothing beside it.
  const inCircuit = v.where !== 'out'
  const reading = all === undefined ? undefined : inCircuit ? Math.max(0, all - beside) : all
  const swap = { next: 'Replace it, and its fellows of the same series.' }
  if (v.leaks === 'yes')
    return {
      kind: 'mend',
      reasons: ['It leaks: what it still reads does not matter.'],
      next: 'Take it off, neutralise the board, replace it.',
    }
  if (reading !== undefined && reading < marked * 0.5)
    return {
      kind: 'mend',
      reasons: [
        `It reads ${((reading / marked) * 100).toFixed(0)} % of its mark: dead${inCircuit ? ', even allowing for the circuit round it' : ''}.`,
      ],
      ...swap,
    }
  if (esr !== undefined && esr > esrLimit(marked))
    return {
      kind: 'mend',
      reasons: [`An ESR of ${esr} Ω is more than ${esrLimit(marked)} Ω: it has dried out (limit from memory).`],
      ...swap,
    }
  if (reading !== undefined && reading < marked * (1 - tolerance)) {
    return inCircuit
      ? {
          kind: 'unknown',
          reasons: [
            `It reads ${((reading / marked) * 100).toFixed(0)} % of its mark; the circuit round it can do that.`,
          ],
          next: 'Lift one leg and measure again, or measure its ESR.',
        }
      : {
          kind: 'mend',
          reasons: [`It reads ${((reading / marked) * 100).toFixed(0)} % of its mark, below its tolerance.`],
          ...swap,
        }
  }
  if (reading !== undefined && reading > marked * (1 + tolerance) * 1.3)
    return {
      kind: 'unknown',
      reasons: ['It reads far more than its mark: others stand beside it, or it leaks current.'],
      next: 'Lift one leg and measure again.',
    }
  if (v.series === 'leaky')
    return {
      kind: 'mend',
      reasons: [
        'It still reads well, but its series leaks: surface-mount electrolytics of the early nineties do (common practice).',
      ],
      next: 'Replace the whole series while the board is out.',
    }
  const age = maybe(v, 'age')
  if (age !== undefined && age >= OLD && esr === undefined)
    return {
      kind: 'unknown',
      reasons: [`It is ${age} years old and its ESR was not measured: it dries out before its value falls.`],
      next: 'Measure its ESR, or replace it while the board is out.',
    }
  if (inCircuit && reading !== undefined && esr === undefined)
    return {
      kind: 'unknown',
      reasons: [
        v.where === 'in'
          ? 'It reads well in circuit, and so would a dead one beside others: their values add up.'
          : 'It reads well; in circuit a dead one beside others does too, and where it was measured was not said.',
      ],
      next: 'Lift one leg and measure again, or measure its ESR.',
    }
  if (reading === undefined && esr === undefined)
    return { kind: 'unknown', reasons: ['Neither its value nor its ESR was measured.'], next: 'Measure one of them.' }
  return {
    kind: 'leave',
    reasons: [`It is inside what it should be${esr === undefined ? '; its ESR was not measured' : ''}.`],
    next: 'Leave it.',
  }
}

/** A capacitor: dead, doubtful or sound, and what to replace it with. */
export const capacitorCalculator: Calculator = {
  id: 'capacitor',
  title: 'Capacitor',
  station: 'electronics',
  group: 'Capacitors',
  purpose: 'Whether a capacitor is dead, doubtful or sound, and what replaces it.',
  fields: [
    {
      key: 'marked',
      label: 'Marked value',
      hint: 'a bare number is µF',
      quantity: 'capacitance',
      required: true,
      plausible: [0.01, 10_000],
    },
    {
      key: 'tolerance',
      rare: true,
      label: 'Tolerance',
      hint: '20 % where nothing is marked',
      quantity: 'share',
      plausible: [1, 50],
    },
    { key: 'reading', zero: true, label: 'It reads', quantity: 'capacitance', plausible: [0.001, 20_000] },
    {
      key: 'where',
      label: 'Measured',
      choices: [
        { value: 'out', label: 'one leg lifted' },
        { value: 'in', label: 'in circuit' },
      ],
    },
    {
      key: 'beside',
      rare: true,
      label: 'Others in parallel, marked',
      hint: 'their values together',
      quantity: 'capacitance',
      plausible: [0.01, 20_000],
    },
    { key: 'esr', label: 'ESR', quantity: 'resistance', plausible: [0.01, 100] },
    { key: 'volts', label: 'Rated voltage', quantity: 'voltage', plausible: [4, 450] },
    {
      key: 'series',
      rare: true,
      label: 'Its kind',
      choices: [
        { value: 'usual', label: 'usual' },
        { value: 'leaky', label: 'surface mount, early nineties' },
      ],
    },
    { key: 'age', rare: true, label: 'Its age, years', quantity: 'count', plausible: [0, 60] },
    {
      key: 'leaks',
      label: 'Does it leak?',
      choices: [
        { value: 'no', label: 'no' },
        { value: 'yes', label: 'yes' },
      ],
    },
  ],
  filledBy: {
    'caps.leaking': { leaks: 'yes' },
    'caps-kind.early-smd': { series: 'leaky' },
    'caps-kind.old': { age: '25' },
  },
  formulas: [
    'Dead under half of its mark, in or out of circuit; a 10 µF part that reads near 1.2 µF is dead (common practice).',
    'In circuit the values of all capacitors side by side add up, and a resistor beside them makes the reading larger still: a good reading there proves little.',
    'From 25 years on its value alone says little without its ESR (from memory).',
    'Replacement: nearest E6 value (IEC 60063), equal or higher voltage.',
  ],
  judge,
}
