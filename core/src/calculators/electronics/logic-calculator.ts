import type { Call } from '../../base/observations'
import { maybe, type Calculator, type CalculatorLine, type CalculatorResult, type Values } from '../calculator'

const LEVELS = { high: 'high', low: 'low', between: 'between levels', swings: 'it swings' } as const
type Level = keyof typeof LEVELS
const TESTS = {
  now: 'as it is',
  cable: 'with the cable off',
  driver: 'with the driver’s pin lifted',
  receiver: 'with the receiver’s pin lifted',
} as const
type Test = keyof typeof TESTS

interface Suspect {
  readonly id: string
  readonly label: string
  readonly cure: string
  /** What each measurement would show, for a line that idles high with a pull-up on the drive's side. */
  readonly shows: Readonly<Record<Test, Level>>
}

/** Who can hold an open-collector line that should idle high (common practice; logic as in TTL data books). */
const HIGH: readonly Suspect[] = [
  {
    id: 'none',
    label: 'nothing: it idles as it should',
    cure: 'Leave it.',
    shows: { now: 'high', cable: 'high', driver: 'high', receiver: 'high' },
  },
  {
    id: 'driver',
    label: 'its driver, shorted to ground',
    cure: 'Replace the driver.',
    shows: { now: 'low', cable: 'low', driver: 'high', receiver: 'low' },
  },
  {
    id: 'host',
    label: 'the cable or the host',
    cure: 'Look at the cable’s plugs, then at the host’s own driver.',
    shows: { now: 'low', cable: 'high', driver: 'low', receiver: 'low' },
  },
  {
    id: 'receiver',
    label: 'the receiver’s input, shorted',
    cure: 'Replace the chip that listens.',
    shows: { now: 'low', cable: 'low', driver: 'low', receiver: 'high' },
  },
  {
    id: 'pull-up',
    label: 'a missing pull-up or terminator',
    cure: 'Fit the terminator, or find the open resistor.',
    shows: { now: 'between', cable: 'between', driver: 'between', receiver: 'low' },
  },
  {
    id: 'alive',
    label: 'nothing: it is in use',
    cure: 'Measure while the host rests.',
    shows: { now: 'swings', cable: 'high', driver: 'swings', receiver: 'swings' },
  },
]
/** The same for a totem-pole line inside the drive that should swing: address, clock, reset released. */
const SWING: readonly Suspect[] = [
  {
    id: 'none',
    label: 'nothing: it swings as it should',
    cure: 'Leave it.',
    shows: { now: 'swings', cable: 'swings', driver: 'between', receiver: 'swings' },
  },
  {
    id: 'open',
    label: 'an open output: it neither swings nor sits at a level',
    cure: 'Replace the chip that drives it.',
    shows: { now: 'between', cable: 'between', driver: 'between', receiver: 'between' },
  },
  {
    id: 'stuck',
    label: 'a stuck output, or the chip is held in reset',
    cure: 'Look at reset and clock of the chip that drives it before replacing it.',
    shows: { now: 'low', cable: 'low', driver: 'between', receiver: 'low' },
  },
  {
    id: 'stuck-high',
    label: 'a stuck output, or the chip has no clock',
    cure: 'Look at reset and clock of the chip that drives it before replacing it.',
    shows: { now: 'high', cable: 'high', driver: 'between', receiver: 'high' },
  },
  {
    id: 'load',
    label: 'a shorted input on the line',
    cure: 'Lift the inputs one by one, sockets first.',
    shows: { now: 'low', cable: 'low', driver: 'low', receiver: 'swings' },
  },
]

/** Suspects that agree with everything that was measured. */
export function suspectsOf(expected: 'high' | 'swings', measured: Partial<Record<Test, Level>>): Suspect[] {
  return (expected === 'high' ? HIGH : SWING).filter(s =>
    (Object.keys(TESTS) as Test[]).every(t => measured[t] === undefined || measured[t] === s.shows[t]),
  )
}

/** The measurement that splits the suspects into the smallest largest group; null where none does. */
export function bestMeasurement(suspects: readonly Suspect[], measured: Partial<Record<Test, Level>>): Test | null {
  const largest = (t: Test) => Math.max(...Object.keys(LEVELS).map(l => suspects.filter(s => s.shows[t] === l).length))
  // The cheapest comes first where two separate alike: the cable is unplugged before a pin is lifted.
  const open = (Object.keys(TESTS) as Test[]).filter(t => measured[t] === undefined)
  const best = [...open].sort((a, b) => largest(a) - largest(b))[0]
  return best && largest(best) < suspects.length ? best : null
}

function judge(v: Values): CalculatorResult {
  const measured = Object.fromEntries(
    (Object.keys(TESTS) as Test[]).flatMap(t => (v[t] === undefined ? [] : [[t, v[t]]])),
  ) as Partial<Record<Test, Level>>
  const expected = v.expected === 'swings' ? 'swings' : 'high'
  const suspects = suspectsOf(expected, measured)
  const lines: CalculatorLine[] = suspects.map((s, i) => ({
    label: i === 0 ? 'What agrees with it' : '',
    value: s.label,
    unit: '',
  }))
  const pull = maybe(v, 'pull')
  const farads = maybe(v, 'load')
  const inputs = maybe(v, 'inputs') ?? 1
  // Fan-out: the driver sinks the pull-up's current and 1.6 mA for each standard TTL input (data books).
  if (pull)
    lines.push({
      label: 'The driver must sink',
      value: ((5 - 0.4) / pull) * 1000 + 1.6 * inputs,
      unit: 'mA',
      note: `a bus driver sinks 48 mA, a plain gate 16 mA (data books)`,
    })
  if (pull && farads) lines.push({ label: 'Rise time, 10 to 90 %', value: 2.2 * pull * farads, unit: 'µs' })
  return {
    call: callOf(suspects, measured, pull, inputs),
    lines,
    observations: [
      {
        key: 'logic.suspects',
        label: 'Line held by',
        value: suspects.length === 1 ? suspects[0]!.label : `${suspects.length} suspects`,
        unit: '',
        how: `${Object.keys(measured).length} measurements`,
      },
    ],
  }
}

function callOf(
  suspects: readonly Suspect[],
  measured: Partial<Record<Test, Level>>,
  pull: number | undefined,
  inputs: number,
): Call {
  if (pull && ((5 - 0.4) / pull) * 1000 + 1.6 * inputs > 48)
    return {
      kind: 'mend',
      reasons: [
        `A pull-up of ${pull} Ω asks more of the driver than the 48 mA that a bus driver sinks: two terminators may be fitted.`,
      ],
      next: 'Take the second terminator off.',
    }
  if (suspects.length === 0)
    return {
      kind: 'unknown',
      reasons: ['These measurements contradict each other: no single fault shows all of them.'],
      next: 'Measure the last one again; then think of two faults, for drives come with two.',
    }
  const next = bestMeasurement(suspects, measured)
  if (suspects.length === 1) {
    const [s] = suspects
    return s!.id === 'none' || s!.id === 'alive'
      ? { kind: 'leave', reasons: [`It points to ${s!.label}.`], next: s!.cure }
      : { kind: 'mend', reasons: [`It points to ${s!.label}.`], next: s!.cure }
  }
  return {
    kind: 'unknown',
    reasons: [`${suspects.length} explanations agree with what was measured.`],
    next: next
      ? `Measure it ${TESTS[next]}: that separates them best.`
      : 'Swap the part with a known-good one, and compare before and after.',
  }
}

const choices = Object.entries(LEVELS).map(([value, label]) => ({ value, label }))

/** A logic line that is not where it should be. */
export const logicCalculator: Calculator = {
  id: 'logic',
  title: 'Logic line',
  station: 'electronics',
  group: 'Logic',
  purpose: 'Which part holds a line that is not where it should be, and what to measure next.',
  fields: [
    {
      key: 'expected',
      label: 'At rest it should',
      choices: [
        { value: 'high', label: 'idle high: a bus line' },
        { value: 'swings', label: 'swing: address, clock' },
      ],
    },
    { key: 'now', label: 'It measures', choices },
    { key: 'cable', label: 'With the cable off', choices },
    { key: 'driver', label: 'Driver’s pin lifted', choices },
    { key: 'receiver', label: 'Receiver’s pin lifted', choices },
    { key: 'pull', label: 'Pull-up or terminator', quantity: 'resistance', rare: true, plausible: [100, 10_000] },
    { key: 'inputs', label: 'Inputs on it', quantity: 'count', rare: true, plausible: [1, 10] },
    { key: 'load', label: 'Capacitance of the line', quantity: 'capacitance', rare: true, plausible: [1e-5, 0.01] },
  ],
  formulas: [
    'Suspects are those that every measurement agrees with; the next one is that which splits them best.',
    'Sink current = (5 V − 0.4 V) ÷ pull-up + 1.6 mA for each input (TTL data books).',
    'Rise time, 10 to 90 % = 2.2 R C.',
  ],
  judge,
}
