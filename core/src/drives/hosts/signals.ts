/** Who makes a line's level. All lines are active low. */
export type Side = 'host' | 'drive'

/**
 * The lines that a host and a drive may speak by, and what a person notices where the line does not arrive.
 * Described by what they do, so that any make of host or drive can be told in them.
 */
export const SIGNALS = {
  select: { label: 'select', from: 'host', lost: 'the drive never answers' },
  motor: { label: 'motor', from: 'host', lost: 'the host cannot switch the motor' },
  step: { label: 'step', from: 'host', lost: 'the heads never move' },
  direction: { label: 'direction', from: 'host', lost: 'the heads move one way only' },
  side: { label: 'side', from: 'host', lost: 'only the lower side is read' },
  'write-data': { label: 'write data', from: 'host', lost: 'nothing is written' },
  'write-gate': { label: 'write gate', from: 'host', lost: 'nothing is written' },
  'density-in': {
    label: 'density, told by the host',
    from: 'host',
    lost: 'the drive does not follow the host’s density',
  },
  'head-load': { label: 'head load', from: 'host', lost: 'the host cannot load the heads' },
  'in-use': { label: 'in use', from: 'host', lost: 'the door lock or the lamp does not follow the host' },
  index: { label: 'index', from: 'drive', lost: 'no track is ever found: the host waits for the index' },
  'track-0': {
    label: 'track zero',
    from: 'drive',
    lost: 'the heads knock against their stop: track zero is never seen',
  },
  'write-protect': { label: 'write protect', from: 'drive', lost: 'a protected disk is not seen as one' },
  'read-data': { label: 'read data', from: 'drive', lost: 'nothing is read' },
  ready: { label: 'ready', from: 'drive', lost: 'the host waits for ready and gives up' },
  'disk-change': {
    label: 'disk change',
    from: 'drive',
    lost: 'a change of disk is never seen: the last disk’s directory stays',
  },
  'density-out': {
    label: 'density, told by the disk',
    from: 'drive',
    lost: 'the host does not learn the disk’s density',
  },
  'disk-in': { label: 'disk in', from: 'drive', lost: 'the host does not see that a disk is in' },
  'two-sided': { label: 'two-sided disk', from: 'drive', lost: 'a two-sided disk is taken for a one-sided one' },
} as const satisfies Readonly<Record<string, { readonly label: string; readonly from: Side; readonly lost: string }>>
export type Signal = keyof typeof SIGNALS
export const SIGNAL_IDS = Object.keys(SIGNALS) as Signal[]

/** Ways in which a drive behaves, with what a person notices of a way that was not wanted. */
export const MODES = {
  'motor-turns': {
    label: 'The motor turns',
    values: {
      'motor-line': { label: 'when the motor line says so', noticed: 'the motor turns for every drive on that line' },
      select: {
        label: 'when the drive is selected',
        noticed: 'the motor stops between accesses, and each waits for it',
      },
      'disk-in': { label: 'while a disk is in', noticed: 'the motor turns as long as a disk is in' },
      always: { label: 'always', noticed: 'the motor never stops' },
    },
  },
  selected: {
    label: 'It is selected',
    values: {
      line: { label: 'by the select line', noticed: 'it answers only when selected' },
      always: { label: 'always', noticed: 'it answers for every drive on the cable' },
    },
  },
  speed: {
    label: 'It turns at',
    values: {
      '300': { label: '300 r/min', noticed: 'at 300 r/min nothing reads at this host’s rate' },
      '360': { label: '360 r/min', noticed: 'at 360 r/min nothing reads at this host’s rate' },
      line: { label: '300 or 360 r/min, by the density line', noticed: 'the speed follows the density line' },
    },
  },
  density: {
    label: 'Its density follows',
    values: {
      line: { label: 'the density line', noticed: 'the density follows the host only' },
      disk: { label: 'the hole in the disk', noticed: 'the density follows the disk, whatever the host says' },
      low: { label: 'nothing: double density only', noticed: 'high-density disks do not read' },
      high: { label: 'nothing: high density only', noticed: 'double-density disks are written with the wrong current' },
    },
  },
  'heads-load': {
    label: 'The heads load',
    values: {
      select: { label: 'when selected', noticed: 'the heads knock down with every access' },
      motor: { label: 'with the motor', noticed: 'the heads lie on the disk as long as the motor turns' },
      line: { label: 'when the head load line says so', noticed: 'the heads never load without that line' },
      'disk-in': { label: 'with the disk', noticed: 'the heads lie on the disk as long as it is in' },
    },
  },
  terminator: {
    label: 'Its terminator is',
    values: {
      on: { label: 'fitted', noticed: 'two terminators on one cable ask too much of the host’s drivers' },
      off: { label: 'off', noticed: 'the cable’s end is open: lines ring, and errors come and go' },
    },
  },
  heads: {
    label: 'It has',
    values: {
      1: { label: 'one head', noticed: 'the upper side is never read' },
      2: { label: 'two heads', noticed: 'two-sided disks are read without error' },
    },
  },
  cylinders: {
    label: 'It steps over',
    values: {
      40: { label: '40 cylinders', noticed: 'disks of 80 cylinders are out of its reach' },
      80: {
        label: '80 cylinders',
        noticed: 'its narrow tracks do not read everywhere that a 40-cylinder drive wrote before',
      },
      77: { label: '77 cylinders', noticed: 'only 77 cylinders are reached' },
    },
  },
} as const satisfies Readonly<
  Record<
    string,
    {
      readonly label: string
      readonly values: Readonly<Record<string, { readonly label: string; readonly noticed: string }>>
    }
  >
>
export type Mode = keyof typeof MODES
export const MODE_IDS = Object.keys(MODES) as Mode[]

/** The values of a mode, as id and text. */
export const valuesOf = (
  mode: Mode,
): readonly (readonly [value: string, text: { readonly label: string; readonly noticed: string }])[] =>
  Object.entries(MODES[mode].values)
export const valueLabel = (mode: Mode, value: string): string =>
  valuesOf(mode).find(([v]) => v === value)?.[1].label ?? value
