import { upperFirst, type Call } from '../../base/observations'
import type { Field, Calculator, CalculatorLine, CalculatorResult, Row, Values } from '../calculator'
import { cheapest, weighed, type Probe, type Suspect, type Weighed } from './suspects'

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
    cure: 'Replace the chip that drives the line between levels: for an address line usually the processor.',
    odds: 2,
    // The processor drives the address lines itself: a good one in its place cures them.
    shows: { ...sound, heat: ['good'], bus: ['between'], ...swaps(), cpu: ['cures', 'same'] },
  },
  {
    id: 'stuck',
    label: 'a chip that holds a data or address line',
    cure: 'Lift or unplug the chips on the stuck line one by one, sockets first.',
    odds: 2,
    // Any chip on the line can be the one that holds it, so any swap may cure.
    shows: {
      ...sound,
      bus: ['stuck'],
      ram: ['cures', 'same'],
      rom: ['cures', 'same'],
      port: ['cures', 'same'],
      cpu: ['cures', 'same'],
    },
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
      bus: ['still', 'stuck', 'between', 'good'],
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

/** Sure enough to mend what it points to. */
const SURE = 0.8
/** Shares under this are left out of the list. */
const SHOWN = 0.02

/** What all lines together show: the worst of them. */
function busOf(rows: readonly Row[]): string | undefined {
  const shows = (is: string) => rows.some(r => r.shows === is)
  if (shows('between')) return 'between'
  if (shows('low') || shows('high')) return rows.every(r => r.shows !== 'swings') ? 'still' : 'stuck'
  return rows.some(r => r.shows === 'swings') ? 'good' : undefined
}

function judge(v: Values, rows: readonly Row[]): CalculatorResult {
  const measured = Object.fromEntries(IDS.flatMap(t => (v[t] === undefined ? [] : [[t, v[t]]]))) as Partial<
    Record<ProcessorTest, string>
  >
  // Lines told one by one say more than the sum that was typed for all of them.
  const bus = busOf(rows)
  if (bus) measured.bus = bus
  const left = weighed(PROCESSOR_SUSPECTS, PROCESSOR_PROBES, measured)
  const lines: CalculatorLine[] = left
    .filter(s => s.share >= SHOWN)
    .map(s => ({
      label: upperFirst(s.label),
      value: s.share * 100,
      unit: '%',
      note: s.against.length
        ? `against it: ${s.against.map(t => TESTS[t].label.toLowerCase()).join(', ')}`
        : 'agrees with everything that was measured',
    }))
  const next = cheapest(left, PROCESSOR_PROBES, measured)
  const best = left[0]!
  return {
    call: callOf(left, next, measured, rows),
    lines,
    observations: [
      {
        key: 'processor.suspects',
        label: 'Stopped by',
        value: `${best.label} (${Math.round(best.share * 100)} %)`,
        unit: '',
        how: `${Object.keys(measured).length} measurements, odds from memory`,
      },
    ],
  }
}

/** The lines that stand out, by name. */
const oddLines = (rows: readonly Row[]): string =>
  rows
    .filter(r => r.shows !== 'swings')
    .map(r => `${r.name} ${r.shows === 'between' ? 'between levels' : `stuck ${r.shows}`}`)
    .join(', ')

function callOf(
  left: readonly Weighed<ProcessorTest>[],
  next: Probe<ProcessorTest> | null,
  measured: Partial<Record<ProcessorTest, string>>,
  rows: readonly Row[],
): Call {
  const [best] = left
  const percent = Math.round(best!.share * 100)
  const odd = oddLines(rows)
  const where = odd ? ` Lines that stand out: ${odd}.` : ''
  // A supply that is low makes everything after it look wrong.
  if (measured.supply === 'low')
    return {
      kind: 'mend',
      reasons: ['Its 5 V is low: whatever else is measured now misleads.'],
      next: left.find(s => s.id === 'supply')!.cure,
    }
  if (best!.against.length > 1)
    return {
      kind: 'unknown',
      reasons: [
        `No single fault shows all of this; ${best!.label} is likeliest, against ${best!.against.map(t => TESTS[t].label.toLowerCase()).join(' and ')}.${where}`,
      ],
      next: 'Measure those again; then mend what is certain, and start over: drives often have two faults.',
    }
  if (best!.share >= SURE || !next)
    return {
      kind: 'mend',
      reasons: [
        best!.share >= SURE
          ? `It points to ${best!.label} (${percent} %, odds from memory).${where}`
          : `No measurement here separates ${left[0]!.label} and ${left[1]!.label}; the first is likelier (${percent} %).${where}`,
      ],
      next: best!.cure,
    }
  return {
    kind: 'unknown',
    reasons: [`Likeliest is ${best!.label} (${percent} %), then ${left[1]!.label}.${where}`],
    next: `${TESTS[next.id].how}: it tells most for its ${next.minutes} ${next.minutes === 1 ? 'minute' : 'minutes'}.`,
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
  list: {
    key: 'lines',
    title: 'Address and data lines, one by one',
    one: 'line',
    most: 24,
    fields: [
      { key: 'name', label: 'Line', words: true, required: true },
      {
        key: 'shows',
        label: 'Level',
        required: true,
        choices: [
          { value: 'swings', label: 'it swings' },
          { value: 'between', label: 'between levels' },
          { value: 'low', label: 'stuck low' },
          { value: 'high', label: 'stuck high' },
        ],
      },
    ],
  },
  formulas: [
    'Each suspect by its odds times the chance of everything measured (Bayes’ rule): what it usually shows shares 95 %, what it may show freely is spread over all outcomes. The next measurement is the one with the most expected bits for each minute of hands (Shannon’s mutual information). Matrix, odds and minutes are from memory.',
  ],
  judge,
}
