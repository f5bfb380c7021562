import type { Field, Calculator, CalculatorResult, Row, Values } from '../calculator'

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
type ProcessorTest =
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
/** What all lines together show: the worst of them. */
export function busOf(rows: readonly Pick<Row, 'shows'>[]): string | undefined {
  const shows = (is: string) => rows.some(r => r.shows === is)
  if (shows('between')) return 'between'
  if (shows('low') || shows('high')) return rows.every(r => r.shows !== 'swings') ? 'still' : 'stuck'
  return rows.some(r => r.shows === 'swings') ? 'good' : undefined
}

/** The lines that stand out, by name. */
const oddLines = (rows: readonly Row[]): string =>
  rows
    .filter(r => r.shows !== 'swings')
    .map(r => `${r.name} ${r.shows === 'between' ? 'between levels' : `stuck ${r.shows}`}`)
    .join(', ')

/** Measures only: what it may be is judged with everything else that is known of the drive. */
function judge(v: Values, rows: readonly Row[]): CalculatorResult {
  const measured = IDS.filter(t => v[t] !== undefined).length
  const odd = oddLines(rows)
  return {
    call: {
      kind: 'unknown',
      reasons: [odd ? `Lines that stand out: ${odd}.` : `${measured} of ${IDS.length} measurements were made.`],
      next: 'Measure what costs least first: supply, reset, clock.',
    },
    lines: odd ? [{ label: 'Lines that stand out', value: odd, unit: '' }] : [],
    observations: [
      {
        key: 'processor.measured',
        label: 'Own processor, measured',
        value: measured,
        unit: '',
        how: odd ? `lines that stand out: ${odd}` : 'by meter and probe',
      },
    ],
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
    'What it may be is worked out by the one model of the drive, with everything else on its log (Bayes’ rule); the next measurement is that which is expected to tell most about what to do for each minute.',
  ],
  judge,
}
