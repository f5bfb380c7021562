import { gravestOf, plain, type Call, type Point } from '../../base/observations'
import {
  maybe,
  type Field,
  type Calculator,
  type CalculatorLine,
  type CalculatorResult,
  type Values,
} from '../calculator'

/**
 * Idle levels of a serial bus between a host and a drive with its own processor: open-collector lines that each side
 * pulls up and either can
 * hold low. Who holds one is told by measuring it again with one side taken away.
 */
const BUS_LINES = { attention: 'Attention', clock: 'Clock', data: 'Data', reset: 'Reset' } as const
type BusLine = keyof typeof BUS_LINES
const BUS_LINE_IDS = Object.keys(BUS_LINES) as BusLine[]

/**
 * TTL data books: below 0.8 V is low. An idle line is no gate output: its resistor of about 1 kΩ holds it near the
 * supply, at more than 4 V with a few inputs on it; 3.5 V is taken as the least (from memory).
 */
const [LOW, IDLE] = [0.8, 3.5]
const PLACES = {
  both: 'host and drive connected',
  drive: 'drive alone, cable off',
  host: 'host alone, at the cable’s end',
} as const
type Place = keyof typeof PLACES
const PLACE_IDS = Object.keys(PLACES) as Place[]

type Level = 'low' | 'high' | 'between' | 'not measured'
const levelOf = (v: number | undefined): Level =>
  v === undefined ? 'not measured' : v < LOW ? 'low' : v >= IDLE ? 'high' : 'between'

type Holder = 'nobody' | 'drive' | 'host' | 'either' | 'both' | 'cable' | 'weak' | 'open'

/** Who holds a line, by its levels in the three places; either end alone is a reading of its own. */
export function holderOf(both: Level, drive: Level, host: Level): Holder {
  if (both === 'high') return 'nobody'
  if (drive === 'low' && host === 'low') return 'both'
  if (drive === 'low') return 'drive'
  if (host === 'low') return 'host'
  if (both === 'between' || drive === 'between' || host === 'between') return 'weak'
  if (both === 'not measured') return drive === 'high' || host === 'high' ? 'nobody' : 'open'
  return drive === 'high' && host === 'high' ? 'cable' : 'either'
}

/** Attention and reset only come in at the drive; clock and data go both ways. */
const DRIVE_ONLY_LISTENS: readonly BusLine[] = ['attention', 'reset']

const heldByDrive = (line: BusLine): string =>
  DRIVE_ONLY_LISTENS.includes(line)
    ? `The drive only listens to ${line}: pull or lift the chip whose input it reaches; if the line rises, replace that chip. A drive’s side without a pull-up also reads low: measure that resistor.`
    : `Pull the drive’s bus driver for ${line} if it is socketed, or lift its output; then the chip that listens. Replace the one with which the line rises.`

function pointOf(line: BusLine, v: Values): Point | null {
  const name = BUS_LINES[line]
  const [both, drive, host] = (['both', 'drive', 'host'] as const).map(p => levelOf(maybe(v, `${line}-${p}`))) as [
    Level,
    Level,
    Level,
  ]
  const reset = line === 'reset' ? ' The drive’s processor stands still while it is low.' : ''
  switch (holderOf(both, drive, host)) {
    case 'nobody':
    case 'open':
      return null
    case 'drive':
      return {
        kind: 'mend',
        says: `${name} is held low by the drive.${reset}`,
        next: heldByDrive(line),
      }
    case 'host':
      return {
        kind: 'mend',
        says: `${name} is held low by the host, with the drive away.`,
        next: 'Look at the host’s own driver before the drive is opened.',
      }
    case 'both':
      return {
        kind: 'mend',
        says: `${name} is low on either side alone: both hold it, or each lacks its pull-up.`,
        next: `Measure from ${name.toLowerCase()} to the supply on each side: about 1 kΩ to 4.7 kΩ of pull-up belongs there (from memory).`,
      }
    case 'cable':
      return {
        kind: 'mend',
        says: `${name} is high on either side alone, low with the cable between: the cable shorts it.`,
        next: 'Ring the cable out, pin to pin and pin to ground.',
      }
    case 'weak':
      return {
        kind: 'unknown',
        says: `${name} stands between low and idle: a driver half on, a leaking input, or a missing pull-up.`,
        next: 'Measure it again with the cable off, on each side.',
      }
    case 'either':
      return {
        kind: 'unknown',
        says: `${name} is low; who holds it is not known yet.`,
        next: 'Measure it with the cable off: at the drive, then at the host’s end.',
      }
  }
}

function judge(v: Values): CalculatorResult {
  const measured = BUS_LINE_IDS.filter(l => PLACE_IDS.some(p => maybe(v, `${l}-${p}`) !== undefined))
  const points = BUS_LINE_IDS.flatMap(l => pointOf(l, v) ?? [])
  const lines: CalculatorLine[] = measured.map(l => {
    const holder = holderOf(
      ...((['both', 'drive', 'host'] as const).map(p => levelOf(maybe(v, `${l}-${p}`))) as [Level, Level, Level]),
    )
    return {
      label: BUS_LINES[l],
      value: PLACE_IDS.filter(p => maybe(v, `${l}-${p}`) !== undefined)
        .map(p => `${p === 'both' ? 'joined' : `${p} alone`} ${plain(maybe(v, `${l}-${p}`)!)} V`)
        .join(', '),
      unit: '',
      note: {
        nobody: 'idles as it should',
        drive: 'held by the drive',
        host: 'held by the host',
        both: 'held on both sides',
        cable: 'shorted in the cable',
        weak: 'between levels',
        either: 'held by somebody',
        open: '',
      }[holder],
    }
  })
  const rest: Call =
    measured.length === 0
      ? {
          kind: 'unknown',
          reasons: ['No line was measured yet.'],
          next: 'Measure each line to ground with host and drive on and at rest.',
        }
      : {
          kind: 'leave',
          reasons: [
            `${measured.length === BUS_LINE_IDS.length ? 'All four lines idle' : measured.map(l => BUS_LINES[l]).join(', ') + (measured.length === 1 ? ' idles' : ' idle')} high, as they should.`,
          ],
          next: measured.length === BUS_LINE_IDS.length ? 'Look at what the drive answers.' : 'Measure the others too.',
        }
  return {
    call: gravestOf(points, rest),
    lines,
    observations: [
      {
        key: 'serial.idle',
        label: 'Lines that idle low',
        value: points.length,
        unit: '',
        how: `${measured.length} of ${BUS_LINE_IDS.length} measured`,
      },
    ],
  }
}

const FIELD_PLACES: Readonly<Record<Place, string>> = { both: '', drive: ', drive alone', host: ', host alone' }
const fieldsOf = (line: BusLine): Field[] =>
  (Object.keys(PLACES) as Place[]).map((p): Field => ({
    key: `${line}-${p}`,
    label: `${BUS_LINES[line]}${FIELD_PLACES[p]}`,
    hint: PLACES[p],
    quantity: 'voltage',
    zero: true,
    plausible: [0, 5.5],
    ...(p === 'both' ? {} : { rare: true as const }),
  }))

/** Idle levels of a serial drive's bus, and who holds a line that is low. */
export const serialBusCalculator: Calculator = {
  id: 'serial-bus',
  title: 'Serial bus at rest',
  station: 'electronics',
  group: 'Logic',
  purpose: 'Whether the lines between host and a serial drive idle high, and which side holds one that does not.',
  fields: BUS_LINE_IDS.flatMap(fieldsOf),
  formulas: [
    'Low below 0.8 V (TTL data books), idle from 3.5 V (from memory: its resistor holds it near the supply). A line that is low with both connected is held by the side on which it is still low alone; high on either side alone, it is the cable.',
  ],
  judge,
}
