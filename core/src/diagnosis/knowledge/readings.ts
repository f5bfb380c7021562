import { HOMED, INDEXED, SELECTED, STEPPED, TWO_HEADS, both, has, notOn, on } from './functions'
import type { Band, Check, CheckNeed, Opens } from './types'

interface ReadingInput extends Partial<Pick<Check, 'when' | 'sees' | 'unit' | 'bands' | 'source' | 'ask' | 'kind'>> {
  readonly minutes?: number
  readonly needs?: readonly CheckNeed[]
  readonly opens?: Opens
}

/** A check whose answers are mostly one value where nothing is at fault. */
function reading(id: string, title: string, base: Readonly<Record<string, number>>, input: ReadingInput = {}): Check {
  const seen = Object.values(input.sees?.by ?? {}).flatMap(Object.keys)
  return {
    id,
    title,
    answers: [...new Set([...Object.keys(base), ...seen])],
    base,
    kind: 'reading',
    minutes: 3,
    needs: ['power', 'open'],
    source: 'hand',
    ...input,
  }
}

const volts = (nominal: number): readonly Band[] => [
  { below: nominal * 0.2, answer: 'missing' },
  { below: nominal * 0.95, answer: 'low' },
  { below: nominal * 1.05, answer: 'right' },
  { below: Infinity, answer: 'high' },
]
const VOLTS_BY = {
  none: { missing: 0.95, low: 0.05 },
  low: { low: 0.92, right: 0.08 },
  noisy: { right: 0.85, low: 0.15 },
}
const TWELVE = notOn('3.5in', 'cartridge', 'quick-disk')
const ohmsBands: readonly Band[] = [
  { below: 1.5, answer: 'short' },
  { below: 5000, answer: 'right' },
  { below: Infinity, answer: 'open' },
]
const railBands: readonly Band[] = [
  { below: 5, answer: 'short' },
  { below: Infinity, answer: 'right' },
]
const presentBands: readonly Band[] = [
  { below: 1, answer: 'none' },
  { below: Infinity, answer: 'right' },
]
const OHMS = { right: 0.96, open: 0.02, short: 0.02 }
const METER = { source: 'meter', needs: ['open'] } as const
const PROBE = { source: 'probe', needs: ['power', 'open'], minutes: 3 } as const

/** What each line reads at the drive by the mode of the function that it tells, with a probe. */
const LINE_SEES: Readonly<
  Record<string, readonly [string, Readonly<Record<string, Readonly<Record<string, number>>>>]>
> = {
  index: ['index', { none: { still: 0.8, 'stuck high': 0.15, between: 0.05 }, weak: { unsteady: 0.7, right: 0.3 } }],
  'track-0': [
    'home',
    { none: { still: 0.9, right: 0.1 }, bangs: { still: 0.9, right: 0.1 }, wrong: { right: 0.9, still: 0.1 } },
  ],
  'read-data': ['data-line', { none: { still: 0.9, 'stuck high': 0.1 }, unsteady: { unsteady: 0.5, right: 0.5 } }],
  ready: ['ready', { none: { still: 0.95, right: 0.05 } }],
  change: ['change', { none: { still: 0.8, right: 0.2 } }],
  'write-protect': [
    'protect',
    { always: { 'stuck low': 0.5, still: 0.4, right: 0.1 }, never: { 'stuck high': 0.5, still: 0.4, right: 0.1 } },
  ],
}
const LINE_IDS = [
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
const LINE_BASE = { right: 0.93, still: 0.02, between: 0.01, unsteady: 0.02, 'stuck low': 0.01, 'stuck high': 0.01 }

const lineChecks: readonly Check[] = LINE_IDS.flatMap(line => {
  const sees = LINE_SEES[line]
  const known = sees ? { sees: { function: sees[0], by: sees[1] } } : {}
  const name = line.toUpperCase().replaceAll('-', ' ')
  const when = ['index', 'track-0', 'ready', 'change'].includes(line) ? both(SELECTED, INDEXED) : SELECTED
  const opens = { kind: 'reading', id: `line.${line}` } as const
  return [
    reading(`line.${line}`, `Probe ${name} at the drive, while it should change`, LINE_BASE, {
      ...PROBE,
      ...known,
      when,
      opens,
    }),
    reading(`line.${line}.host`, `Probe ${name} at the host’s end`, LINE_BASE, {
      ...PROBE,
      ...known,
      when,
      ask: false,
    }),
  ]
})

const sensor = (id: string, title: string, when: Check['when']): Check[] => [
  reading(
    `sensor.${id}`,
    `Measure the ${title} sensor lit and shaded, in circuit`,
    { good: 0.96, weak: 0.02, same: 0.02 },
    {
      source: 'meter',
      minutes: 6,
      when,
      opens: { kind: 'calculator', id: 'sensor' },
    },
  ),
  reading(
    `sensor.${id}.camera`,
    `Look at the LED of the ${title} sensor with a camera, in the dark`,
    { glows: 0.97, dark: 0.03 },
    {
      minutes: 3,
      when,
    },
  ),
]

const onOff = (id: string, title: string, when?: Check['when']): Check =>
  reading(
    `switch.${id}`,
    title,
    { follows: 0.95, 'stuck open': 0.02, 'stuck closed': 0.02, 'now and then': 0.01 },
    {
      source: 'meter',
      needs: ['open'],
      minutes: 5,
      opens: { kind: 'calculator', id: 'switch' },
      ...(when ? { when } : {}),
    },
  )

const processor = (id: string, title: string, usual: readonly string[], minutes: number): Check =>
  reading(
    `processor.${id}`,
    title,
    {
      good: 0.94,
      held: 0.005,
      still: 0.005,
      between: 0.005,
      stuck: 0.005,
      ...Object.fromEntries(usual.map(o => [o, 0.045 / usual.length])),
    },
    {
      ...PROBE,
      minutes,
      when: has('own-processor'),
      opens: { kind: 'calculator', id: 'processor' },
    },
  )

const serial = (line: string, title: string): Check =>
  reading(
    `serial.${line}.drive`,
    `Measure ${title} of the serial bus at the drive, cable off`,
    { high: 0.95, between: 0.03, low: 0.02 },
    {
      source: 'meter',
      minutes: 3,
      when: on('5.25in-serial'),
      unit: 'V',
      bands: [
        { below: 0.8, answer: 'low' },
        { below: 2.4, answer: 'between' },
        { below: Infinity, answer: 'high' },
      ],
      opens: { kind: 'calculator', id: 'serial-bus' },
    },
  )

const press = (id: string, title: string, when?: Check['when']): Check =>
  reading(`press.${id}`, title, { same: 0.97, changes: 0.03 }, { minutes: 2, ...(when ? { when } : {}) })

/** Readings by meter, probe, eye and ear. Chances from memory. */
export const READING_CHECKS: readonly Check[] = [
  reading(
    'supply.5v',
    'Measure 5 V at the drive, under load',
    { right: 0.95, low: 0.03, missing: 0.01, high: 0.01 },
    {
      source: 'meter',
      needs: ['power'],
      minutes: 2,
      unit: 'V',
      bands: volts(5),
      sees: { function: 'supply-5v', by: VOLTS_BY },
      opens: { kind: 'reading', id: 'supply.5v' },
    },
  ),
  reading(
    'supply.12v',
    'Measure 12 V at the drive, under load',
    { right: 0.95, low: 0.03, missing: 0.01, high: 0.01 },
    {
      source: 'meter',
      needs: ['power'],
      minutes: 2,
      unit: 'V',
      bands: volts(12),
      when: TWELVE,
      sees: { function: 'supply-12v', by: { none: VOLTS_BY.none, low: VOLTS_BY.low } },
      opens: { kind: 'reading', id: 'supply.12v' },
    },
  ),
  reading(
    'supply.5v.ripple',
    'Measure the ripple on 5 V',
    { right: 0.96, high: 0.04 },
    {
      source: 'meter',
      needs: ['power'],
      unit: 'V',
      bands: [
        { below: 0.1, answer: 'right' },
        { below: Infinity, answer: 'high' },
      ],
      sees: {
        function: 'supply-5v',
        by: { noisy: { high: 0.85, right: 0.15 }, low: { high: 0.3, right: 0.7 }, none: { right: 1 } },
      },
      opens: { kind: 'reading', id: 'supply.5v.ripple' },
    },
  ),
  reading(
    'regulator.in',
    'Measure the input of the 5 V regulator',
    { right: 0.9, none: 0.1 },
    {
      source: 'meter',
      when: on('5.25in-serial', '8in'),
      unit: 'V',
      bands: [
        { below: 7, answer: 'none' },
        { below: Infinity, answer: 'right' },
      ],
    },
  ),
  reading(
    'motor.volts',
    'Measure at the motor while it should turn',
    { right: 0.95, none: 0.05 },
    {
      source: 'meter',
      unit: 'V',
      bands: presentBands,
      sees: { function: 'motor-on', by: { none: { none: 0.95, right: 0.05 }, always: { right: 1 } } },
    },
  ),
  reading(
    'eject.volts',
    'Measure at the eject motor while it should run',
    { right: 0.96, none: 0.04 },
    {
      source: 'meter',
      unit: 'V',
      bands: presentBands,
      when: has('motorised-eject'),
    },
  ),
  ...(['5v', '12v'] as const).flatMap(rail =>
    (['idle', 'spin', 'step'] as const).map(state =>
      reading(
        `current.${rail}.${state}`,
        `Measure the current at ${rail === '5v' ? '5' : '12'} V, ${{ idle: 'at rest', spin: 'while it spins up', step: 'while it steps' }[state]}`,
        { right: 0.92, high: 0.05, low: 0.03 },
        {
          source: 'meter',
          needs: ['power'],
          unit: 'A',
          bands: [
            { below: 0.02, answer: 'low' },
            { below: { idle: 0.9, spin: 2, step: 1.5 }[state], answer: 'right' },
            { below: Infinity, answer: 'high' },
          ],
          ...(rail === '12v' ? { when: TWELVE } : {}),
        },
      ),
    ),
  ),
  ...(['lower', 'upper'] as const).flatMap(head =>
    (['read', 'erase'] as const).map(coil =>
      reading(`ohms.${head}.${coil}`, `Measure the ${coil} coil of the ${head} head`, OHMS, {
        ...METER,
        unit: 'Ω',
        minutes: 5,
        bands: ohmsBands,
        ...(head === 'upper' ? { when: TWO_HEADS } : {}),
        ...(coil === 'read' ? { opens: { kind: 'reading', id: `ohms.${head}.read` } as const } : {}),
      }),
    ),
  ),
  reading('ohms.stepper', 'Measure the phases of the stepper', OHMS, {
    ...METER,
    unit: 'Ω',
    bands: ohmsBands,
    when: STEPPED,
    opens: { kind: 'reading', id: 'ohms.stepper' },
  }),
  reading('ohms.motor', 'Measure the windings of the spindle motor', OHMS, {
    ...METER,
    unit: 'Ω',
    bands: [
      { below: 0.5, answer: 'short' },
      { below: 5000, answer: 'right' },
      { below: Infinity, answer: 'open' },
    ],
    opens: { kind: 'reading', id: 'ohms.motor' },
  }),
  reading('ohms.load', 'Measure the coil of the head load', OHMS, {
    ...METER,
    unit: 'Ω',
    bands: ohmsBands,
    when: on('8in', '5.25in-48', '5.25in-96', '3in'),
  }),
  reading(
    'ohms.5v',
    'Measure 5 V against ground, power off',
    { right: 0.97, short: 0.03 },
    { ...METER, needs: [], minutes: 2, unit: 'Ω', bands: railBands },
  ),
  reading(
    'ohms.12v',
    'Measure 12 V against ground, power off',
    { right: 0.97, short: 0.03 },
    { ...METER, needs: [], minutes: 2, unit: 'Ω', bands: railBands, when: TWELVE },
  ),
  reading(
    'ohms.fuse',
    'Check the fuses for continuity',
    { right: 0.97, open: 0.03 },
    {
      ...METER,
      minutes: 2,
      unit: 'Ω',
      bands: [
        { below: 10, answer: 'right' },
        { below: Infinity, answer: 'open' },
      ],
    },
  ),
  reading(
    'capacitor.reading',
    'Measure the capacitors out of circuit',
    { right: 0.9, low: 0.1 },
    { ...METER, minutes: 20, opens: { kind: 'calculator', id: 'capacitor' } },
  ),
  ...lineChecks,
  reading(
    'line.stuck',
    'Unplug the data cable and see whether the host goes on',
    { no: 0.97, yes: 0.03 },
    {
      needs: ['power'],
      minutes: 2,
      sees: { function: 'link', by: { hangs: { yes: 0.95, no: 0.05 }, none: { no: 0.95, yes: 0.05 } } },
    },
  ),
  ...sensor('index', 'index', INDEXED),
  ...sensor('track-0', 'track-zero', HOMED),
  ...sensor('protect', 'write-protect', notOn('3in', 'quick-disk', 'cartridge')),
  onOff('disk-in', 'Check every contact of the disk-in switch, pressed and not', notOn('8in', '5.25in-serial')),
  onOff(
    'protect',
    'Check every contact of the write-protect switch, pressed and not',
    on('3.5in', '3.5in-eject', '3in', 'quick-disk'),
  ),
  onOff('density', 'Check every contact of the density switch, pressed and not', on('3.5in', '3.5in-eject')),
  reading(
    'switch.eject',
    'Check the eject switch, pressed and not',
    { good: 0.96, stuck: 0.03, unsteady: 0.01 },
    { source: 'meter', needs: ['open'], when: has('motorised-eject') },
  ),
  processor('reset', 'Measure the reset line a second after switch-on', ['held'], 2),
  processor('clock', 'Probe the clock', ['still'], 2),
  processor('irq', 'Probe the interrupt line', ['held', 'still'], 3),
  processor('bus', 'Probe every address and data line', ['between', 'stuck', 'still'], 6),
  processor('select', 'Probe the chip selects', ['still'], 5),
  serial('attention', 'attention'),
  serial('clock', 'clock'),
  serial('data', 'data'),
  press('board', 'Press the board gently while it runs'),
  press('connector', 'Press each plug while it runs'),
  press('head-plug', 'Press the head plug while it reads', notOn('cartridge')),
  press('chips', 'Press each socketed chip while it runs', has('own-processor')),
  reading(
    'wiggle.wire',
    'Wiggle each wire while it runs',
    { same: 0.97, changes: 0.03 },
    { needs: ['power'], minutes: 4, opens: { kind: 'calculator', id: 'wiggle' } },
  ),
  reading(
    'motor.enable',
    'Probe the motor-on signal at the motor board',
    { right: 0.95, still: 0.05 },
    {
      ...PROBE,
      when: notOn('8in'),
      sees: { function: 'motor-on', by: { none: { still: 0.95, right: 0.05 }, always: { right: 1 } } },
    },
  ),
  reading(
    'stepper.phases',
    'Measure the phases of the stepper while it should step',
    { switch: 0.9, still: 0.1 },
    {
      ...PROBE,
      minutes: 5,
      when: STEPPED,
      sees: {
        function: 'carriage',
        by: { none: { still: 0.95, switch: 0.05 }, misses: { switch: 0.85, uneven: 0.15 } },
      },
    },
  ),
  reading(
    'heads.which',
    'Look which head is damaged',
    { neither: 0.96, lower: 0.02, upper: 0.02 },
    {
      needs: ['open'],
      minutes: 1,
      when: TWO_HEADS,
    },
  ),
  reading(
    'motor.pushed',
    'Push the spindle by hand while it should turn',
    { still: 0.9, starts: 0.1 },
    {
      needs: ['power'],
      minutes: 1,
      sees: { function: 'motor-on', by: { none: { still: 0.99, starts: 0.01 } } },
    },
  ),
  reading(
    'see.motor-runs',
    'See whether the motor itself turns',
    { runs: 0.97, still: 0.03 },
    {
      minutes: 1,
      sees: { function: 'motor-on', by: { none: { still: 0.97, runs: 0.03 }, always: { runs: 1 } } },
    },
  ),
  reading(
    'warm.changes',
    'Let it run warm and try again',
    { same: 0.93, better: 0.03, worse: 0.04 },
    { needs: ['power'], minutes: 6 },
  ),
  reading(
    'cold.changes',
    'Let it cool down and try again',
    { same: 0.93, better: 0.04, worse: 0.03 },
    { needs: ['power'], minutes: 6, ask: false },
  ),
  reading(
    'noise',
    'Listen to it while it runs',
    { quiet: 0.9, grinding: 0.02, squeal: 0.02, rattle: 0.02, click: 0.04 },
    { needs: ['power'], minutes: 1 },
  ),
  reading('see.hot', 'Feel whether a part gets hot in the first minute', { cool: 0.97, hot: 0.03 }, { minutes: 1 }),
  reading(
    'see.draw',
    'Power it from a limited supply and read the current',
    { right: 0.97, 'too much': 0.03 },
    { source: 'meter', needs: ['power'], minutes: 3 },
  ),
  reading(
    'covers',
    'Try it with its covers on, and off',
    { same: 0.95, 'off only': 0.03, 'on only': 0.02 },
    { needs: ['power', 'disk'], minutes: 4 },
  ),
  reading(
    'history.inside',
    'Ask whether anyone was inside',
    { no: 0.6, yes: 0.4 },
    { source: 'said', needs: [], minutes: 0.5, opens: { kind: 'finding', id: 'history' } },
  ),
  reading(
    'seek.both-ways',
    'Read the same cylinder coming from outside and from the hub',
    { same: 0.95, differ: 0.05 },
    { needs: ['power', 'disk'], source: 'host', minutes: 6, when: STEPPED },
  ),
  reading(
    'index.timing',
    'Compare index and first sector of a reference disk',
    { right: 0.96, off: 0.04 },
    { needs: ['power', 'disk', 'recording'], source: 'recording', minutes: 10, when: INDEXED },
  ),
  reading(
    'read.both-same',
    'Compare the margins of both heads: off by the same',
    { no: 0.8, yes: 0.2 },
    {
      needs: ['power', 'disk', 'recording'],
      source: 'recording',
      minutes: 10,
      when: both(STEPPED, TWO_HEADS),
    },
  ),
  ...(['lower', 'upper'] as const).map(head =>
    reading(
      `sweep.${head}.centre`,
      `Sweep the adjuster and see where the ${head} head stands in its range`,
      { right: 0.95, off: 0.05 },
      {
        needs: ['power', 'disk', 'recording'],
        source: 'instrument',
        minutes: 30,
        unit: 'µm',
        bands: [
          { below: 40, answer: 'right' },
          { below: Infinity, answer: 'off' },
        ],
        sees: { function: 'position', by: { off: { off: 0.9, right: 0.1 } } },
        when: head === 'upper' ? both(STEPPED, TWO_HEADS) : STEPPED,
      },
    ),
  ),
  reading(
    'azimuth',
    'Measure the azimuth with an alignment disk',
    { right: 0.96, off: 0.04 },
    {
      needs: ['power', 'disk', 'recording'],
      source: 'instrument',
      minutes: 25,
      when: STEPPED,
      opens: { kind: 'calculator', id: 'azimuth' },
    },
  ),
  reading(
    'disks.share',
    'Try several disks of different writers',
    { all: 0.93, some: 0.05, own: 0.01, none: 0.01 },
    {
      needs: ['power', 'disk'],
      source: 'host',
      minutes: 5,
      sees: {
        function: 'read-lower',
        by: {
          none: { none: 0.96, some: 0.03, own: 0.01 },
          some: { some: 0.5, all: 0.3, none: 0.1, own: 0.1 },
          inner: { some: 0.5, all: 0.4, none: 0.1 },
          outer: { some: 0.5, all: 0.4, none: 0.1 },
          unsteady: { some: 0.5, all: 0.4, none: 0.1 },
        },
      },
    },
  ),
  reading(
    'see.head-load',
    'See whether the head comes down and goes up',
    { right: 0.96, 'stays up': 0.02, 'stays down': 0.02 },
    { minutes: 2, when: on('8in', '5.25in-48', '5.25in-96', '3in') },
  ),
  reading(
    'see.overwrite',
    'Overwrite a track and see whether old data remain',
    { clean: 0.96, 'old data remain': 0.04 },
    { needs: ['power', 'disk', 'recording'], source: 'recording', minutes: 10, when: notOn('cartridge') },
  ),
  reading(
    'see.eject-motor',
    'See whether the eject motor runs',
    { runs: 0.95, weak: 0.03, still: 0.02 },
    { minutes: 1, when: has('motorised-eject') },
  ),
  reading(
    'straps.looked',
    'Compare straps and terminator with what the host expects',
    { right: 0.85, other: 0.09, missing: 0.03, terminator: 0.03 },
    { needs: [], minutes: 4 },
  ),
  reading(
    'see.other-number',
    'Address it by another drive number',
    { 'no answer': 0.97, answers: 0.03 },
    { needs: ['power'], source: 'host', minutes: 3, when: notOn('cartridge', 'quick-disk') },
  ),
  reading(
    'see.cable',
    'Look which end of the data cable is pin 1, and whether it is straight',
    { right: 0.93, reversed: 0.03, shifted: 0.02, twist: 0.02 },
    { needs: [], minutes: 1, when: SELECTED },
  ),
  reading(
    'host.setup',
    'Look up what drive the host is set for',
    { right: 0.9, other: 0.1 },
    { needs: [], source: 'host', minutes: 3 },
  ),
  reading(
    'disk.match',
    'Compare what the disk is marked for with how it was formatted',
    { same: 0.93, differs: 0.07 },
    { needs: [], minutes: 1, when: notOn('cartridge') },
  ),
  reading(
    'disk.elsewhere',
    'Read this disk in a verified drive',
    { reads: 0.9, fails: 0.1 },
    { needs: ['second-drive', 'disk'], source: 'host', minutes: 4 },
  ),
  reading(
    'disk.in-writer',
    'Read this disk in the drive that wrote it',
    { reads: 0.9, fails: 0.1 },
    { needs: ['second-drive', 'disk'], source: 'host', minutes: 5, ask: false },
  ),
]
