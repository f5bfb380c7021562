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
  /** What each measurement may show. Where nothing joins the probe to a level, it may show anything. */
  readonly shows: Readonly<Record<Test, readonly Level[]>>
}

/** Which end makes the line, and where its pull-up is: the drive's or the host's. */
export interface LineEnds {
  readonly made: 'drive' | 'host'
  readonly pull: 'drive' | 'host' | 'both'
}
const MADE = ['drive', 'host'] as const
const PULL = ['drive', 'host', 'both'] as const
/** What a voltmeter shows on a line to which nothing is joined: its own input, noise, nothing. */
const FLOATS: readonly Level[] = ['between', 'low', 'high']

type Fault = 'none' | 'driver' | 'receiver' | 'host' | 'pull-up' | 'alive'
const HIGH: readonly { readonly id: Fault; readonly label: string; readonly cure: string }[] = [
  { id: 'none', label: 'nothing: it idles as it should', cure: 'Leave it.' },
  { id: 'driver', label: 'its driver in the drive, shorted to ground', cure: 'Replace the driver.' },
  {
    id: 'host',
    label: 'the cable or the host',
    cure: 'Look at the cable’s plugs, then at the host’s own end of the line.',
  },
  {
    id: 'receiver',
    label: 'the receiver’s input in the drive, shorted',
    cure: 'Replace the chip that listens.',
  },
  {
    id: 'pull-up',
    label: 'a missing pull-up or terminator',
    cure: 'Fit the terminator, or find the open resistor.',
  },
  { id: 'alive', label: 'nothing: it is in use', cure: 'Measure while the host rests.' },
]

/**
 * What a measurement at the drive's plug may show of an open-collector line with one fault: a short that is still
 * joined makes it low, else a pull-up that is still joined makes it high, else it floats and tells nothing.
 */
function shown(fault: Fault, test: Test, ends: LineEnds): readonly Level[] {
  const hostJoined = test !== 'cable'
  const driverJoined = test !== 'driver' && (ends.made === 'drive' || hostJoined)
  const receiverJoined = test !== 'receiver' && (ends.made === 'host' || hostJoined)
  const pulled = fault !== 'pull-up' && (ends.pull !== 'host' || hostJoined)
  if (fault === 'alive' && driverJoined) return pulled ? ['swings'] : ['swings', 'between', 'low']
  if (fault === 'driver' && driverJoined) return ['low']
  if (fault === 'receiver' && receiverJoined) return ['low']
  if (fault === 'host' && hostJoined) {
    // A short in the cable stays; one in the host's own part goes with the pin that is lifted.
    const lifted = (test === 'driver' && ends.made === 'host') || (test === 'receiver' && ends.made === 'drive')
    return lifted ? ['low', 'high'] : ['low']
  }
  if (pulled) return ['high']
  // A TTL input that nothing pulls sits between the levels by itself.
  return receiverJoined ? ['between'] : FLOATS
}

/** Suspects of an open-collector line that should idle high, with what each measurement may show of them. */
function highSuspects(made: LineEnds['made'] | undefined, pull: LineEnds['pull'] | undefined): Suspect[][] {
  const ways = (made ? [made] : MADE).flatMap(m => (pull ? [pull] : PULL).map(p => ({ made: m, pull: p })))
  return ways.map(ends =>
    HIGH.filter(s => (s.id !== 'driver' || ends.made === 'drive') && (s.id !== 'receiver' || ends.made === 'host')).map(
      s => ({
        ...s,
        shows: Object.fromEntries((Object.keys(TESTS) as Test[]).map(t => [t, shown(s.id, t, ends)])) as Record<
          Test,
          readonly Level[]
        >,
      }),
    ),
  )
}

/** The same for a totem-pole line inside the drive that should swing: address, clock, reset released. */
const one = (now: Level, cable: Level, driver: Level, receiver: Level) => ({
  now: [now],
  cable: [cable],
  driver: [driver],
  receiver: [receiver],
})
const SWING: readonly Suspect[] = [
  {
    id: 'none',
    label: 'nothing: it swings as it should',
    cure: 'Leave it.',
    shows: one('swings', 'swings', 'between', 'swings'),
  },
  {
    id: 'open',
    label: 'an open output: it neither swings nor sits at a level',
    cure: 'Replace the chip that drives it.',
    shows: one('between', 'between', 'between', 'between'),
  },
  {
    id: 'stuck',
    label: 'a stuck output, or the chip is held in reset',
    cure: 'Look at reset and clock of the chip that drives it before replacing it.',
    shows: one('low', 'low', 'between', 'low'),
  },
  {
    id: 'stuck-high',
    label: 'a stuck output, or the chip has no clock',
    cure: 'Look at reset and clock of the chip that drives it before replacing it.',
    shows: one('high', 'high', 'between', 'high'),
  },
  {
    id: 'load',
    label: 'a shorted input on the line',
    cure: 'Lift the inputs one by one, sockets first.',
    shows: one('low', 'low', 'low', 'swings'),
  },
]

/**
 * Suspects that agree with everything that was measured. Where it is not known which end makes the line or where its
 * pull-up is, a suspect stays as long as it agrees in one of the ways; what it may show is what it may in any of them.
 */
export function suspectsOf(
  expected: 'high' | 'swings',
  measured: Partial<Record<Test, Level>>,
  ends: Partial<LineEnds> = {},
): Suspect[] {
  const agrees = (s: Suspect) =>
    (Object.keys(TESTS) as Test[]).every(t => measured[t] === undefined || s.shows[t].includes(measured[t]!))
  if (expected === 'swings') return SWING.filter(agrees)
  const left = highSuspects(ends.made, ends.pull).flatMap(way => way.filter(agrees))
  return HIGH.flatMap(h => {
    const ways = left.filter(s => s.id === h.id)
    if (ways.length === 0) return []
    const union = (t: Test) => [...new Set(ways.flatMap(w => w.shows[t]))]
    return [
      {
        ...h,
        shows: { now: union('now'), cable: union('cable'), driver: union('driver'), receiver: union('receiver') },
      },
    ]
  })
}

/** The measurement that splits the suspects into the smallest largest group; null where none does. */
export function bestMeasurement(suspects: readonly Suspect[], measured: Partial<Record<Test, Level>>): Test | null {
  const largest = (t: Test) =>
    Math.max(...(Object.keys(LEVELS) as Level[]).map(l => suspects.filter(s => s.shows[t].includes(l)).length))
  // A pin is lifted only where unplugging the cable cannot tell anything any more.
  const open = (Object.keys(TESTS) as Test[]).filter(t => measured[t] === undefined)
  const unplug = open.find(t => (t === 'now' || t === 'cable') && largest(t) < suspects.length)
  const best = unplug ?? [...open].sort((a, b) => largest(a) - largest(b))[0]
  return best && largest(best) < suspects.length ? best : null
}

/** What was said of the line's ends; what was not said is left out. */
const endsOf = (v: Values): Partial<LineEnds> => ({
  ...(v.made === 'drive' || v.made === 'host' ? { made: v.made } : {}),
  ...(v.pullAt === 'drive' || v.pullAt === 'host' || v.pullAt === 'both' ? { pull: v.pullAt } : {}),
})

function judge(v: Values): CalculatorResult {
  const measured = Object.fromEntries(
    (Object.keys(TESTS) as Test[]).flatMap(t => (v[t] === undefined ? [] : [[t, v[t]]])),
  ) as Partial<Record<Test, Level>>
  const expected = v.expected === 'swings' ? 'swings' : 'high'
  const ends = endsOf(v)
  const suspects = suspectsOf(expected, measured, ends)
  const lines: CalculatorLine[] = suspects.map((s, i) => ({
    label: i === 0 ? 'What agrees with it' : '',
    value: s.label,
    unit: '',
  }))
  if (expected === 'high' && measured.cable !== undefined && ends.made === 'drive' && ends.pull === 'host')
    lines.push({
      label: 'With the cable off',
      value: 'tells nothing',
      unit: '',
      note: 'the drive’s open collector has its pull-up at the host',
    })
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
    call: callOf(suspects, measured, {
      pull,
      inputs,
      endsKnown: expected === 'swings' || Boolean(ends.made && ends.pull),
    }),
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
  o: { readonly pull: number | undefined; readonly inputs: number; readonly endsKnown: boolean },
): Call {
  const { pull, inputs } = o
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
    next: !o.endsKnown
      ? 'Say which end makes the line and where its pull-up is: what a cable that is off shows depends on it.'
      : next
        ? `Measure it ${TESTS[next]}: that separates them best.`
        : 'Swap the part with a known-good one, and compare before and after.',
  }
}

/** A line as its plug has it: READ DATA for read-data. */
export const lineName = (line: string): string => line.toUpperCase().replaceAll('-', ' ')

/** Lines between drive and host that can be named. */
export const BUS_LINES = [
  'index',
  'track-0',
  'write-protect',
  'read-data',
  'ready',
  'change',
  'select',
  'motor',
  'step',
  'direction',
  'side',
  'density',
  'write-gate',
] as const

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
    {
      key: 'line',
      label: 'Which line of the bus',
      hint: 'then it counts on the drive’s case',
      choices: BUS_LINES.map(line => ({ value: line, label: lineName(line) })),
    },
    {
      key: 'made',
      label: 'Which end makes the line',
      hint: 'status lines: the drive; select, motor, step: the host',
      choices: [
        { value: 'drive', label: 'the drive' },
        { value: 'host', label: 'the host' },
      ],
    },
    {
      key: 'pullAt',
      label: 'Where its pull-up is',
      choices: [
        { value: 'drive', label: 'in the drive' },
        { value: 'host', label: 'in the host' },
        { value: 'both', label: 'at both ends' },
      ],
    },
    { key: 'now', label: 'Level at the drive’s plug', choices },
    { key: 'cable', label: 'With the cable off, at the drive', choices },
    { key: 'driver', label: 'Driver’s pin lifted', choices },
    { key: 'receiver', label: 'Receiver’s pin lifted', choices },
    { key: 'pull', label: 'Pull-up or terminator', quantity: 'resistance', rare: true, plausible: [100, 10_000] },
    { key: 'inputs', label: 'Inputs on it', quantity: 'count', rare: true, plausible: [1, 10] },
    { key: 'load', label: 'Capacitance of the line', quantity: 'capacitance', rare: true, plausible: [1e-5, 0.01] },
  ],
  filledBy: { 'power.spins': { expected: 'high', made: 'host' } },
  formulas: [
    'Suspects are those that every measurement agrees with; the next one is that which splits them best.',
    'Open collector: a short that is still joined makes the line low, else a pull-up that is still joined makes it high, else it floats and tells nothing.',
    'Sink current = (5 V − 0.4 V) ÷ pull-up + 1.6 mA for each input (TTL data books).',
    'Rise time, 10 to 90 % = 2.2 R C.',
  ],
  judge,
}
