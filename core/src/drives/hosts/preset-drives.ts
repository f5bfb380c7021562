import { COMMON_34, COMMON_50 } from './preset-hosts'
import type { Choice, DriveProfile, Effects, Line, Way } from './profile'
import type { Mode, Signal } from './signals'

const lines = (pairs: readonly (readonly [Signal, number])[]): Line[] => pairs.map(([signal, pin]) => ({ signal, pin }))
const ways = (is: Partial<Record<Mode, string>>): Way[] =>
  (Object.entries(is) as [Mode, string][]).map(([mode, value]) => ({ mode, value }))
const open = { id: 'open', label: 'open' }
const on = (signal: Signal, pin: number): Effects => ({ lines: [{ signal, pin }] })

/** Straps that choose the select line, as the pins of a 34-pin plug. */
const select = (found: string): Choice => ({
  id: 'select',
  label: 'Select strap',
  kind: 'strap',
  found,
  positions: [
    [0, 10],
    [1, 12],
    [2, 14],
    [3, 6],
  ].map(([n, pin]) => ({ id: `s${n}`, label: `select ${n}`, ...on('select', pin!) })),
})
const strap = (id: string, label: string, positions: Choice['positions'], found?: string): Choice => ({
  id,
  label,
  kind: 'strap',
  positions,
  ...(found ? { found } : {}),
})
const wire = (id: string, label: string, ...to: (readonly [Signal, number])[]): Choice => ({
  id,
  label,
  kind: 'wire',
  positions: [open, ...to.map(([s, p]) => ({ id: `p${p}`, label: `to pin ${p}`, ...on(s, p) }))],
})

/** Drives of the usual kinds, with invented straps. Copy one, and write down what yours has. */
export const DRIVES: readonly DriveProfile[] = [
  {
    format: 'wobrin-drive-profile',
    version: 1,
    name: '3.5-inch, richly strapped',
    pins: 34,
    fixed: {
      lines: lines([...COMMON_34, ['side', 32], ['motor', 16]]),
      ways: ways({ speed: '300', heads: '2', cylinders: '80' }),
    },
    choices: [
      select('s0'),
      strap('p34', 'Strap at pin 34', [
        { id: 'ready', label: 'ready', ...on('ready', 34) },
        { id: 'change', label: 'change', ...on('disk-change', 34) },
        open,
      ]),
      strap('p2', 'Strap at pin 2', [
        open,
        { id: 'change', label: 'change', ...on('disk-change', 2) },
        { id: 'density', label: 'density in', ...on('density-in', 2), ways: ways({ density: 'line' }) },
        { id: 'hole', label: 'by the hole', ways: ways({ density: 'disk' }) },
      ]),
      strap('motor', 'Motor strap', [
        { id: 'line', label: 'motor line', ways: ways({ 'motor-turns': 'motor-line' }) },
        { id: 'select', label: 'select', ways: ways({ 'motor-turns': 'select' }) },
        { id: 'disk', label: 'disk in', ways: ways({ 'motor-turns': 'disk-in' }) },
      ]),
      strap('one', 'Select always', [
        { id: 'off', label: 'off', ways: ways({ selected: 'line' }) },
        { id: 'on', label: 'on', ways: ways({ selected: 'always' }) },
      ]),
    ],
  },
  {
    format: 'wobrin-drive-profile',
    version: 1,
    name: '3.5-inch, late, without straps',
    pins: 34,
    note: 'Everything is soldered: what is wanted otherwise takes a wire, or a cut first.',
    fixed: {
      lines: lines([...COMMON_34, ['side', 32], ['motor', 16]]),
      ways: ways({
        speed: '300',
        heads: '2',
        cylinders: '80',
        'motor-turns': 'motor-line',
        density: 'disk',
        selected: 'line',
      }),
    },
    choices: [
      {
        id: 'cut-select',
        label: 'Track to select 1',
        kind: 'cut',
        positions: [
          { id: 'whole', label: 'whole', ...on('select', 12) },
          { id: 'cut', label: 'cut' },
        ],
      },
      {
        id: 'cut-34',
        label: 'Track to pin 34',
        kind: 'cut',
        positions: [
          { id: 'whole', label: 'whole', ...on('disk-change', 34) },
          { id: 'cut', label: 'cut' },
        ],
      },
      wire('w-select', 'Wire from the select input', ['select', 10]),
      wire('w-ready', 'Wire from the ready pad', ['ready', 34]),
      wire('w-change', 'Wire from the change pad', ['disk-change', 2]),
    ],
  },
  {
    format: 'wobrin-drive-profile',
    version: 1,
    name: '5.25-inch, 96 tpi, two speeds',
    pins: 34,
    fixed: {
      lines: lines([...COMMON_34, ['side', 32], ['motor', 16]]),
      ways: ways({ heads: '2', cylinders: '80', selected: 'line' }),
    },
    choices: [
      select('s1'),
      strap('speed', 'Speed strap', [
        { id: 's360', label: '360', ways: ways({ speed: '360' }) },
        { id: 's300', label: '300', ways: ways({ speed: '300' }) },
        { id: 'both', label: 'by pin 2', ...on('density-in', 2), ways: ways({ speed: 'line' }) },
      ]),
      strap('p34', 'Strap at pin 34', [
        { id: 'change', label: 'change', ...on('disk-change', 34) },
        { id: 'ready', label: 'ready', ...on('ready', 34) },
        open,
      ]),
      strap('density', 'Density strap', [
        { id: 'line', label: 'by the line', ways: ways({ density: 'line' }) },
        { id: 'low', label: 'low', ways: ways({ density: 'low' }) },
      ]),
      strap('motor', 'Motor strap', [
        { id: 'line', label: 'motor line', ways: ways({ 'motor-turns': 'motor-line' }) },
        { id: 'select', label: 'select', ways: ways({ 'motor-turns': 'select' }) },
      ]),
      strap('term', 'Terminator', [
        { id: 'on', label: 'fitted', ways: ways({ terminator: 'on' }) },
        { id: 'off', label: 'off', ways: ways({ terminator: 'off' }) },
      ]),
    ],
  },
  {
    format: 'wobrin-drive-profile',
    version: 1,
    name: '5.25-inch, 48 tpi, one head',
    pins: 34,
    fixed: {
      lines: lines([...COMMON_34, ['motor', 16]]),
      ways: ways({ speed: '300', heads: '1', cylinders: '40', density: 'low' }),
    },
    choices: [
      select('s0'),
      strap('motor', 'Motor strap', [
        { id: 'line', label: 'motor line', ways: ways({ 'motor-turns': 'motor-line' }) },
        { id: 'always', label: 'bridged', ways: ways({ 'motor-turns': 'always' }) },
      ]),
      strap('one', 'Select always', [
        { id: 'off', label: 'off', ways: ways({ selected: 'line' }) },
        { id: 'on', label: 'on', ways: ways({ selected: 'always' }) },
      ]),
      strap('term', 'Terminator', [
        { id: 'on', label: 'fitted', ways: ways({ terminator: 'on' }) },
        { id: 'off', label: 'off', ways: ways({ terminator: 'off' }) },
      ]),
    ],
  },
  {
    format: 'wobrin-drive-profile',
    version: 1,
    name: '8-inch, two heads',
    pins: 50,
    fixed: {
      lines: lines([...COMMON_50, ['side', 14]]),
      ways: ways({ speed: '360', heads: '2', cylinders: '77', selected: 'line', 'motor-turns': 'always' }),
    },
    choices: [
      strap(
        'select',
        'Select strap',
        [26, 28, 30, 32].map((pin, n) => ({ id: `s${n}`, label: `select ${n}`, ...on('select', pin) })),
      ),
      strap('load', 'Head load strap', [
        { id: 'select', label: 'by select', ways: ways({ 'heads-load': 'select' }) },
        { id: 'line', label: 'by its line', ...on('head-load', 18), ways: ways({ 'heads-load': 'line' }) },
      ]),
      strap('ready', 'Ready strap', [{ id: 'on', label: 'to pin 22', ...on('ready', 22) }, open]),
      strap('change', 'Change strap', [open, { id: 'on', label: 'to pin 12', ...on('disk-change', 12) }]),
      strap('two', 'Two-sided strap', [open, { id: 'on', label: 'to pin 10', ...on('two-sided', 10) }]),
    ],
  },
]
