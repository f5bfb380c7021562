import type { SourceId } from '../../base/observations'
import { SPEED_KEY, type StationId } from '../../log'
import { ZONES } from '../../drives'

/** A way to take a reading, with what it is usually good to. */
export interface ReadingWay {
  readonly source: SourceId
  /** The tool or program, as a person names it. */
  readonly by: string
  /** Half-width of the 95 % interval; a share of the value where `share` is set. Null where none can be given. */
  readonly uncertainty: number | null
  readonly share?: true
  /** Where the uncertainty comes from; only what was recalled or is usual stands here. */
  readonly from: 'common practice' | 'from memory'
}

/** How a reading is entered: a number with its unit, sectors that were counted, one of a few words, or any words. */
export type ReadingKind = 'number' | 'count' | 'word' | 'text'

/** A value that a person reads off something. */
export interface Reading {
  /** Dotted and stable. */
  readonly key: string
  readonly label: string
  readonly unit: string
  readonly kind: ReadingKind
  readonly station: StationId
  /** Words that it may be, where it is a word. */
  readonly words?: readonly string[]
  /** Limits of what can be typed. */
  readonly least?: number
  readonly most?: number
  /** Usual ways to take it; the first is offered. */
  readonly ways: readonly [ReadingWay, ...ReadingWay[]]
  /** A dead supply or a wrong level says no more than itself: what it should be, both ends inside. */
  readonly right?: { readonly low: number; readonly high: number; readonly source: string }
}

const way = (source: SourceId, by: string, uncertainty: number | null, share?: true): ReadingWay => ({
  source,
  by,
  uncertainty,
  ...(share ? { share } : {}),
  from: 'from memory',
})

const HOST = way('host', 'the host’s own program', null)
/** A cheap multimeter: 1 % of the value. */
const METER = way('meter', 'a multimeter', 0.01, true)
const PROBE = way('probe', 'a logic probe', null)

/** Levels of a line, seen over a while. */
const LEVELS = ['right', 'still', 'between', 'unsteady', 'stuck low', 'stuck high'] as const

const LINES: Readonly<Record<string, string>> = {
  index: 'INDEX',
  'track-0': 'TRACK 0',
  'write-protect': 'WRITE PROTECT',
  'read-data': 'READ DATA',
  step: 'STEP',
  direction: 'DIRECTION',
  side: 'SIDE SELECT',
  motor: 'MOTOR ON',
  select: 'DRIVE SELECT',
  ready: 'READY',
  change: 'DISK CHANGE',
  density: 'DENSITY SELECT',
  'write-gate': 'WRITE GATE',
}

const supply = (volts: number, name: string): Reading => ({
  key: `supply.${name}`,
  label: `${volts} V at the drive, under load`,
  unit: 'V',
  kind: 'number',
  station: 'electronics',
  least: 0,
  most: 60,
  ways: [METER],
  right: { low: volts * 0.95, high: volts * 1.05, source: '±5 %, usual for these drives (common practice)' },
})

const sensor = (name: string, label: string, state: 'lit' | 'shaded'): Reading => ({
  key: `sensor.${name}.${state}`,
  label: `${label} sensor, ${state}`,
  unit: 'V',
  kind: 'number',
  station: 'electronics',
  least: -1,
  most: 30,
  ways: [METER],
})

const ohms = (key: string, label: string): Reading => ({
  key,
  label,
  unit: 'Ω',
  kind: 'number',
  station: 'electronics',
  least: 0,
  most: 1e8,
  ways: [METER],
})

/** The vocabulary of what people read off things and type. */
export const READINGS: readonly Reading[] = [
  {
    key: SPEED_KEY,
    label: 'Spindle speed',
    unit: 'r/min',
    kind: 'number',
    station: 'speed',
    least: 1,
    most: 10_000,
    ways: [
      // A program shows whole r/min, and times by its own clock.
      { ...HOST, uncertainty: 1 },
      way('hand', 'a strobe that stands still', 0.003, true),
      way('hand', 'a creeping strobe', 0.003, true),
      way('meter', 'a tachometer', 0.005, true),
    ],
  },
  {
    key: 'sound.steps',
    label: 'Steps heard in a seek',
    unit: 'steps',
    kind: 'number',
    station: 'align',
    least: 0,
    most: 1000,
    ways: [way('hand', 'ear', null)],
  },
  ...(['lower', 'upper'] as const).flatMap(head =>
    ZONES.map((zone): Reading => ({
      key: `read.${head}.${zone}`,
      label: `Sectors read, ${head} head, ${zone} tracks`,
      unit: '% of sectors good',
      kind: 'count',
      station: 'prove',
      ways: [HOST],
    })),
  ),
  {
    key: 'host.boots',
    label: 'The host starts from it',
    unit: '',
    kind: 'word',
    station: 'prove',
    words: ['at once', 'after some tries', 'never'],
    ways: [HOST],
  },
  supply(5, '5v'),
  supply(12, '12v'),
  {
    key: 'supply.5v.ripple',
    label: 'Ripple on the 5 V',
    unit: 'V',
    kind: 'number',
    station: 'electronics',
    least: 0,
    most: 10,
    ways: [way('meter', 'a multimeter, a.c. range', 0.1, true)],
    right: { low: 0, high: 0.1, source: 'about 50 to 100 mV peak to peak (from memory)' },
  },
  ...Object.entries(LINES).map(([id, name]): Reading => ({
    key: `line.${id}`,
    label: `${name} at the drive`,
    unit: '',
    kind: 'word',
    station: 'electronics',
    words: LEVELS,
    ways: [PROBE],
  })),
  ...(['lit', 'shaded'] as const).flatMap(state => [
    sensor('index', 'Index', state),
    sensor('track-0', 'Track-zero', state),
    sensor('protect', 'Write-protect', state),
  ]),
  ohms('ohms.lower.read', 'Lower head, read winding'),
  ohms('ohms.upper.read', 'Upper head, read winding'),
  ohms('ohms.stepper', 'Stepper, one phase'),
  ohms('ohms.motor', 'Spindle motor'),
]

/** What a way of reading is good to at a value, in its unit; null where nothing can be said. */
export const usualUncertainty = (way: ReadingWay, value: number): number | null =>
  way.uncertainty === null ? null : way.share ? Math.abs(value) * way.uncertainty : way.uncertainty
