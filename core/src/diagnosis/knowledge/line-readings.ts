import { BUS_LINES, lineName } from '../../calculators/electronics'
import { INDEXED, SELECTED, both, has, on } from './functions'
import { PROBE, reading } from './reading'
import type { Check } from './types'

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
const LINE_BASE = { right: 0.93, still: 0.02, between: 0.01, unsteady: 0.02, 'stuck low': 0.01, 'stuck high': 0.01 }

const lineChecks: readonly Check[] = BUS_LINES.flatMap(line => {
  const sees = LINE_SEES[line]
  const known = sees ? { sees: { function: sees[0], by: sees[1] } } : {}
  const name = lineName(line)
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

/** The same at the drive with the cable off: what is still low is held by the drive. */
const aloneChecks: readonly Check[] = BUS_LINES.map(line =>
  reading(
    `line.${line}.alone`,
    `Measure ${lineName(line)} at the drive with the cable off`,
    { high: 0.6, between: 0.36, low: 0.04 },
    {
      ...PROBE,
      minutes: 4,
      when: ['index', 'track-0', 'ready', 'change'].includes(line) ? both(SELECTED, INDEXED) : SELECTED,
      opens: { kind: 'calculator', id: 'logic' },
      ask: false,
    },
  ),
)

/** Lines that the host makes, behind their receivers: right at the plug and still behind it names the receiver. */
const BEHIND = ['select', 'motor', 'step', 'direction', 'side', 'write-gate', 'density'] as const
const behindChecks: readonly Check[] = BEHIND.map(line =>
  reading(
    `line.${line}.behind`,
    `Probe ${lineName(line)} behind its receiver on the drive’s board`,
    { right: 0.95, still: 0.04, between: 0.01 },
    {
      ...PROBE,
      minutes: 5,
      when: line === 'density' ? on('5.25in-96', '3.5in') : SELECTED,
      sees: { function: 'select', by: { none: { still: 0.6, right: 0.4 }, always: { right: 0.9, still: 0.1 } } },
      opens: { kind: 'reading', id: `line.${line}.behind` },
    },
  ),
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

/** Lines of the bus, of the own processor and of the serial bus, by probe and meter. Chances from memory. */
export const LINE_READINGS: readonly Check[] = [
  ...lineChecks,
  ...behindChecks,
  ...aloneChecks,
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
  processor('reset', 'Measure the reset line a second after switch-on', ['held'], 2),
  processor('clock', 'Probe the clock', ['still'], 2),
  processor('irq', 'Probe the interrupt line', ['held', 'still'], 3),
  processor('bus', 'Probe every address and data line', ['between', 'stuck', 'still'], 6),
  processor('select', 'Probe the chip selects', ['still'], 5),
  serial('attention', 'attention'),
  serial('clock', 'clock'),
  serial('data', 'data'),
]
