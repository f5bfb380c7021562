import { upperFirst, type Call } from '../../base/observations'
import type { Field, Calculator, CalculatorLine, CalculatorResult, Values } from '../calculator'
import { agreeing, cheapest, type Probe, type Suspect } from './suspects'

const OUTCOMES = {
  good: 'as it should be',
  low: 'low',
  held: 'held active',
  still: 'still',
  between: 'between levels',
  stuck: 'one stuck',
  hot: 'one is hot',
  cures: 'it cures it',
  same: 'no change',
} as const
export type ProcessorTest =
  'supply' | 'heat' | 'reset' | 'clock' | 'host' | 'irq' | 'bus' | 'select' | 'ram' | 'rom' | 'port' | 'cpu'

/**
 * Measurements on a drive with its own processor, with the hands' minutes (from memory): the meter first, swaps last.
 */
const TESTS: Readonly<
  Record<
    ProcessorTest,
    {
      readonly label: string
      readonly hint: string
      readonly how: string
      readonly minutes: number
      readonly outcomes: readonly (keyof typeof OUTCOMES)[]
    }
  >
> = {
  supply: {
    label: '5 V at the processor',
    hint: 'at its own pins',
    how: 'Measure 5 V at the processor’s own pins',
    minutes: 1,
    outcomes: ['good', 'low'],
  },
  heat: {
    label: 'Chips, after a minute',
    hint: 'a finger, carefully; a dark spot',
    how: 'Feel each chip after a minute of power',
    minutes: 1,
    outcomes: ['good', 'hot'],
  },
  reset: {
    label: 'Reset',
    hint: 'released a second after switch-on',
    how: 'Measure the reset line a second after switch-on',
    minutes: 2,
    outcomes: ['good', 'held'],
  },
  clock: {
    label: 'Clock',
    hint: 'swings, by probe or scope',
    how: 'Probe the clock',
    minutes: 2,
    outcomes: ['good', 'still'],
  },
  host: {
    label: 'Host lines at rest',
    hint: 'cable off',
    how: 'Measure the serial lines to the host, with the cable off',
    minutes: 2,
    outcomes: ['good', 'held'],
  },
  irq: {
    label: 'Interrupt',
    hint: 'pulses a few hundred times a second',
    how: 'Probe the interrupt line',
    minutes: 3,
    outcomes: ['good', 'held', 'still'],
  },
  bus: {
    label: 'Address and data lines',
    hint: 'all swing',
    how: 'Probe every address and data line',
    minutes: 6,
    outcomes: ['good', 'between', 'stuck', 'still'],
  },
  select: {
    label: 'Chip selects',
    hint: 'each pulses',
    how: 'Probe the chip selects',
    minutes: 5,
    outcomes: ['good', 'still'],
  },
  ram: {
    label: 'Memory swapped',
    hint: 'with a known-good one',
    how: 'Swap the memory with a known-good one',
    minutes: 12,
    outcomes: ['cures', 'same'],
  },
  rom: {
    label: 'Program memory swapped',
    hint: 'with a known-good one',
    how: 'Swap the program memory with a known-good one',
    minutes: 12,
    outcomes: ['cures', 'same'],
  },
  port: {
    label: 'Port chip swapped',
    hint: 'with a known-good one',
    how: 'Swap the port chip with a known-good one',
    minutes: 12,
    outcomes: ['cures', 'same'],
  },
  cpu: {
    label: 'Processor swapped',
    hint: 'with a known-good one',
    how: 'Swap the processor with a known-good one',
    minutes: 12,
    outcomes: ['cures', 'same'],
  },
}
const IDS = Object.keys(TESTS) as ProcessorTest[]
/** The measurements with their cost, as the choice between them sees them. */
export const PROCESSOR_PROBES: readonly Probe<ProcessorTest>[] = IDS.map(id => ({
  id,
  minutes: TESTS[id].minutes,
  outcomes: TESTS[id].outcomes,
}))

/** What a swap shows: only that of the part at fault cures. */
const swaps = (cured?: ProcessorTest) =>
  Object.fromEntries(
    (['ram', 'rom', 'port', 'cpu'] as const).map(t => [t, [t === cured ? 'cures' : 'same']]),
  ) as Partial<Record<ProcessorTest, readonly string[]>>
const sound = { supply: ['good'], reset: ['good'], clock: ['good'] } as const

/**
 * What stops a drive that has its own processor. Odds and matrix from memory; the order of cheapness is common
 * practice.
 */
export const PROCESSOR_SUSPECTS: readonly Suspect<ProcessorTest>[] = [
  {
    id: 'supply',
    label: 'the 5 V supply: regulator or its capacitors',
    cure: 'Mend the supply before anything else is believed.',
    odds: 4,
    shows: { supply: ['low'], ...swaps() },
  },
  {
    id: 'short',
    label: 'a chip that is shorted',
    cure: 'Replace the one that is hot or has a dark spot.',
    odds: 2,
    shows: { heat: ['hot'], ...swaps() },
  },
  {
    id: 'reset',
    label: 'the reset circuit',
    cure: 'Its capacitor or gate: the line must be released after switch-on.',
    odds: 3,
    shows: {
      supply: ['good'],
      heat: ['good'],
      reset: ['held'],
      irq: ['still'],
      bus: ['still', 'stuck'],
      select: ['still'],
      ...swaps(),
    },
  },
  {
    id: 'clock',
    label: 'the clock: crystal or oscillator',
    cure: 'Resolder the crystal, then replace it.',
    odds: 2,
    shows: {
      supply: ['good'],
      heat: ['good'],
      reset: ['good'],
      clock: ['still'],
      irq: ['still'],
      bus: ['still', 'stuck', 'between'],
      select: ['still'],
      ...swaps(),
    },
  },
  {
    id: 'open',
    label: 'an open output on an address line',
    cure: 'Replace the chip that drives the line between levels.',
    odds: 2,
    shows: { ...sound, heat: ['good'], bus: ['between'], ...swaps() },
  },
  {
    id: 'stuck',
    label: 'a chip that holds a data or address line',
    cure: 'Lift or unplug the chips on the stuck line one by one, sockets first.',
    odds: 2,
    shows: { ...sound, bus: ['stuck'], ...swaps() },
  },
  {
    id: 'ram',
    label: 'the memory',
    cure: 'Replace the memory.',
    odds: 4,
    shows: { ...sound, bus: ['good'], irq: ['good', 'still'], host: ['good', 'held'], ...swaps('ram') },
  },
  {
    id: 'rom',
    label: 'the program memory',
    cure: 'Replace the program memory, with the same version.',
    odds: 2,
    shows: { ...sound, heat: ['good', 'hot'], bus: ['good'], irq: ['still', 'good'], ...swaps('rom') },
  },
  {
    id: 'port',
    label: 'the chip with ports and timers',
    cure: 'Replace the port chip.',
    odds: 3,
    shows: { ...sound, bus: ['good'], irq: ['held', 'still'], select: ['good'], ...swaps('port') },
  },
  {
    id: 'decoder',
    label: 'the address decoder',
    cure: 'Replace the decoder.',
    odds: 1,
    shows: { ...sound, heat: ['good'], select: ['still'], bus: ['good'], ...swaps() },
  },
  {
    id: 'cpu',
    label: 'the processor',
    cure: 'Replace the processor.',
    odds: 1,
    shows: {
      ...sound,
      bus: ['still', 'stuck', 'good'],
      irq: ['still', 'good'],
      select: ['still', 'good'],
      ...swaps('cpu'),
    },
  },
  {
    id: 'host',
    label: 'the driver of the host’s serial lines',
    cure: 'Replace the driver of the line that stays held.',
    odds: 3,
    shows: { ...sound, heat: ['good'], host: ['held'], irq: ['good'], bus: ['good'], select: ['good'], ...swaps() },
  },
]

function judge(v: Values): CalculatorResult {
  const measured = Object.fromEntries(IDS.flatMap(t => (v[t] === undefined ? [] : [[t, v[t]]]))) as Partial<
    Record<ProcessorTest, string>
  >
  const left = agreeing(PROCESSOR_SUSPECTS, measured)
  const total = left.reduce((s, x) => s + x.odds, 0)
  const lines: CalculatorLine[] = [...left]
    .sort((a, b) => b.odds - a.odds)
    .map(s => ({
      label: upperFirst(s.label),
      value: (s.odds / total) * 100,
      unit: '%',
      note: 'of what still agrees, by odds from memory',
    }))
  const next = cheapest(left, PROCESSOR_PROBES, measured)
  return {
    call: callOf(left, total, next, measured),
    lines,
    observations: [
      {
        key: 'processor.suspects',
        label: 'Stopped by',
        value: left.length === 1 ? left[0]!.label : left.length ? `${left.length} suspects` : 'contradictory',
        unit: '',
        how: `${Object.keys(measured).length} measurements`,
      },
    ],
  }
}

function callOf(
  left: readonly Suspect<ProcessorTest>[],
  total: number,
  next: Probe<ProcessorTest> | null,
  measured: Partial<Record<ProcessorTest, string>>,
): Call {
  if (left.length === 0)
    return {
      kind: 'unknown',
      reasons: ['No single fault shows all of this: a measurement is wrong, or there are two faults.'],
      next: 'Measure supply and reset again; then mend what is certain, and start over. Drives come with two.',
    }
  const how = next
    ? `${TESTS[next.id].how}: it tells most for its ${next.minutes} ${next.minutes === 1 ? 'minute' : 'minutes'}.`
    : ''
  // A supply that is low makes everything after it look wrong.
  if (measured.supply === 'low')
    return { kind: 'mend', reasons: ['Its 5 V is low: whatever else is measured now misleads.'], next: left[0]!.cure }
  const [best] = [...left].sort((a, b) => b.odds - a.odds)
  if (left.length === 1) return { kind: 'mend', reasons: [`It points to ${best!.label}.`], next: best!.cure }
  if (!next)
    return {
      kind: 'mend',
      reasons: [
        `No measurement here separates ${left.map(s => s.label).join(' and ')}; ${best!.label} is the likelier.`,
      ],
      next: best!.cure,
    }
  return {
    kind: 'unknown',
    reasons: [
      `${left.length} explanations agree with what was measured; likeliest is ${best!.label} (${Math.round((best!.odds / total) * 100)} %).`,
    ],
    next: how,
  }
}

/** A drive with its own processor that does nothing, or nothing sensible. */
export const processorCalculator: Calculator = {
  id: 'processor',
  title: 'Own processor',
  station: 'electronics',
  group: 'Logic',
  purpose: 'What stops a drive that has its own processor, cheapest measurement first.',
  fields: IDS.map((id): Field => ({
    key: id,
    label: TESTS[id].label,
    hint: TESTS[id].hint,
    choices: TESTS[id].outcomes.map(o => ({ value: o, label: OUTCOMES[o] })),
    ...(TESTS[id].minutes > 10 ? { rare: true as const } : {}),
  })),
  formulas: [
    'Suspects are those that agree with everything measured, by their odds. The next measurement is the one with the most expected bits for each minute of hands (Shannon’s mutual information). Matrix, odds and minutes are from memory.',
  ],
  judge,
}
