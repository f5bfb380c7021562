import type { Condition } from '../../findings'
import type { DriveFunction } from './types'

/** Shorthands for drives that have, or lack, something. */
export const has = (tag: Extract<Condition, { has: unknown }>['has']): Condition => ({ has: tag })
export const lacks = (tag: Extract<Condition, { has: unknown }>['has']): Condition => ({ not: { has: tag } })
export const both = (...all: Condition[]): Condition => ({ all })
export const on = (...mechanism: Extract<Condition, { mechanism: unknown }>['mechanism'][number][]): Condition => ({
  mechanism,
})
export const notOn = (...mechanism: Extract<Condition, { mechanism: unknown }>['mechanism'][number][]): Condition => ({
  not: { mechanism },
})

/** Drives that a host selects by a line of a parallel bus. */
export const SELECTED: Condition = notOn('5.25in-serial', 'cartridge', 'quick-disk')
/** Drives that answer their host over a link. */
export const LINKED: Condition = on('5.25in-serial', 'cartridge')
/** Drives that step over tracks, and find their first. */
export const STEPPED: Condition = notOn('quick-disk', 'cartridge')
/** Drives with an index sensor. */
export const INDEXED: Condition = both(notOn('5.25in-serial', 'quick-disk', 'cartridge'), {
  not: { said: 'phases-from-host' },
})
/** Drives with a track-zero sensor: the same ones. */
export const HOMED: Condition = INDEXED
export const TWO_HEADS: Condition = has('two-heads')

const none = (label: string) => ({ none: { label, blocks: 1 } })
const readers = ['read-lower', 'read-upper'] as const
/** What becomes of reading on both heads. */
const reads = (chances: Readonly<Record<string, number>>) => Object.fromEntries(readers.map(r => [r, chances]))

/** Functions of all drives, each behind those that it needs. Chances from memory. */
export const FUNCTIONS: readonly DriveFunction[] = [
  {
    id: 'supply-5v',
    label: '5 V',
    lane: 'power',
    needs: {},
    modes: {
      ...none('missing'),
      low: { label: 'too low', blocks: 0.6 },
      noisy: { label: 'noisy', slight: 0.3, blocks: 0.05, then: reads({ some: 0.5, inner: 0.25, unsteady: 0.2 }) },
    },
  },
  {
    id: 'supply-12v',
    label: '12 V',
    lane: 'power',
    needs: {},
    when: notOn('3.5in', 'cartridge', 'quick-disk'),
    modes: { ...none('missing'), low: { label: 'too low', blocks: 0.5 } },
  },
  { id: 'logic', label: 'Logic', lane: 'power', needs: { 'supply-5v': 1 }, modes: { ...none('dead') } },
  {
    id: 'processor',
    label: 'Own processor',
    lane: 'power',
    needs: { logic: 1, 'supply-5v': 1 },
    when: has('own-processor'),
    modes: { ...none('does not start'), flashes: { label: 'finds a fault in itself', blocks: 1 } },
  },
  {
    id: 'link',
    label: 'Host link',
    lane: 'power',
    needs: { logic: 1, processor: 1 },
    when: LINKED,
    modes: {
      ...none('dead'),
      hangs: { label: 'holds the bus', blocks: 1 },
      unsteady: { label: 'unsteady', blocks: 0.4 },
    },
  },
  {
    id: 'select',
    label: 'Select',
    lane: 'power',
    needs: { logic: 1 },
    when: SELECTED,
    modes: { ...none('not selected'), always: { label: 'always selected', blocks: 0.3 } },
  },
  {
    id: 'lamp',
    label: 'Lamp',
    lane: 'power',
    needs: { select: 1, 'supply-5v': 1 },
    when: notOn('quick-disk'),
    modes: { ...none('dark'), always: { label: 'always on', blocks: 0 } },
  },
  {
    id: 'load',
    label: 'Loading',
    lane: 'disk',
    needs: {},
    modes: { ...none('takes no disk'), rough: { label: 'stiff', blocks: 0.2 } },
  },
  {
    id: 'seat',
    label: 'Disk seated',
    lane: 'disk',
    needs: { load: 1 },
    modes: {
      ...none('not clamped'),
      off: { label: 'off centre', slight: 0.4, blocks: 0.2, then: reads({ some: 0.7, unsteady: 0.25 }) },
    },
  },
  {
    id: 'eject',
    label: 'Eject',
    lane: 'disk',
    needs: {},
    modes: {
      ...none('does not come out'),
      half: { label: 'half way', blocks: 0 },
      itself: { label: 'by itself', blocks: 0 },
    },
  },
  { id: 'care', label: 'Marks no disk', lane: 'disk', needs: {}, modes: { none: { label: 'marks disks', blocks: 0 } } },
  {
    id: 'disk-in',
    label: 'Disk noticed',
    lane: 'disk',
    needs: { logic: 1 },
    when: notOn('8in', '5.25in-serial'),
    modes: { ...none('not noticed'), always: { label: 'always there', blocks: 0 } },
  },
  {
    id: 'motor-on',
    label: 'Motor on',
    lane: 'turning',
    needs: { select: 1, link: 1, processor: 0.5, 'supply-12v': 1, logic: 1, 'disk-in': 0.5 },
    modes: { ...none('not switched on'), always: { label: 'always on', blocks: 0 } },
  },
  {
    id: 'spin',
    label: 'Spin',
    lane: 'turning',
    needs: { 'motor-on': 1, seat: 0.1 },
    modes: {
      ...none('does not turn'),
      sometimes: { label: 'now and then', blocks: 0.5 },
      stops: { label: 'stops by itself', blocks: 0.6 },
    },
  },
  {
    id: 'speed',
    label: 'Speed',
    lane: 'turning',
    needs: { spin: 1 },
    modes: {
      ...none('none'),
      slow: { label: 'slow', slight: 0.3, blocks: 1, then: reads({ none: 0.7, some: 0.3 }) },
      fast: { label: 'fast', slight: 0.3, blocks: 1, then: reads({ none: 0.7, some: 0.3 }) },
      uneven: { label: 'uneven', slight: 0.35, blocks: 0.5, then: reads({ some: 0.6, none: 0.2, unsteady: 0.2 }) },
    },
  },
  {
    id: 'index',
    label: 'Index',
    lane: 'turning',
    needs: { spin: 1 },
    when: INDEXED,
    modes: {
      ...none('none'),
      weak: { label: 'unsteady', blocks: 0.4 },
      late: { label: 'at the wrong place', blocks: 0, then: { format: { none: 0.1 } } },
    },
  },
  {
    id: 'ready',
    label: 'Ready',
    lane: 'turning',
    needs: { index: 1, speed: 0.6, 'disk-in': 0.7 },
    when: INDEXED,
    modes: { ...none('never') },
  },
  {
    id: 'carriage',
    label: 'Head moves',
    lane: 'position',
    needs: { logic: 1, 'supply-12v': 1, select: 1, link: 1 },
    when: STEPPED,
    modes: {
      ...none('does not move'),
      misses: { label: 'loses steps', blocks: 0.7, then: reads({ some: 0.5, inner: 0.2, none: 0.2 }) },
    },
  },
  {
    id: 'home',
    label: 'Track zero',
    lane: 'position',
    needs: { carriage: 1 },
    when: STEPPED,
    modes: {
      ...none('never found'),
      bangs: { label: 'knocks at the end stop', blocks: 0.9 },
      wrong: { label: 'at the wrong place', blocks: 0.9 },
    },
  },
  {
    id: 'position',
    label: 'On the tracks',
    lane: 'position',
    needs: { home: 1 },
    when: STEPPED,
    modes: {
      ...none('not on a track'),
      off: {
        label: 'off track',
        blocks: 0.7,
        then: { ...reads({ none: 0.5, some: 0.25, inner: 0.15 }), elsewhere: { wrong: 0.9 } },
      },
      play: { label: 'play', blocks: 0.3, then: reads({ some: 0.4, unsteady: 0.3 }) },
    },
  },
  {
    id: 'servo',
    label: 'Servo',
    lane: 'turning',
    needs: { spin: 1 },
    when: has('servo'),
    modes: { ...none('does not lock'), clicks: { label: 'retracts again and again', blocks: 1 } },
  },
  {
    id: 'pass',
    label: 'Head pass',
    lane: 'turning',
    needs: { 'motor-on': 1, spin: 1 },
    when: on('quick-disk'),
    modes: {
      ...none('does not sweep'),
      late: { label: 'starts late', blocks: 0.8, then: { 'read-lower': { none: 0.7, some: 0.2 } } },
    },
  },
  ...(['lower', 'upper'] as const).map((head): DriveFunction => ({
    id: `head-${head}`,
    label: `${head === 'lower' ? 'Lower' : 'Upper'} head`,
    lane: 'signal',
    needs: {},
    ...(head === 'upper' ? { when: TWO_HEADS } : {}),
    modes: {
      ...none('no signal'),
      weak: { label: 'weak signal', blocks: 0.7, then: { [`read-${head}`]: { inner: 0.45, some: 0.3, none: 0.2 } } },
      off: {
        label: 'off track',
        blocks: 0.7,
        then: { [`read-${head}`]: { none: 0.5, some: 0.25, inner: 0.15 }, elsewhere: { wrong: 0.7 } },
      },
      unsteady: { label: 'now and then', blocks: 0.4, then: { [`read-${head}`]: { unsteady: 0.7, none: 0.2 } } },
    },
  })),
  {
    id: 'channel',
    label: 'Read amplifier',
    lane: 'signal',
    needs: { logic: 1, 'supply-12v': 0.8 },
    modes: {
      ...none('dead'),
      noisy: { label: 'noisy', blocks: 0.5, then: reads({ some: 0.45, inner: 0.3, none: 0.1 }) },
    },
  },
  {
    id: 'data-line',
    label: 'Read data line',
    lane: 'signal',
    needs: { channel: 1 },
    modes: { ...none('dead'), unsteady: { label: 'now and then', blocks: 0.4, then: reads({ unsteady: 0.8 }) } },
  },
  {
    id: 'disk',
    label: 'This disk',
    lane: 'signal',
    needs: {},
    modes: {
      ...none('nothing on it'),
      worn: { label: 'worn', blocks: 0.6, then: reads({ some: 0.7, none: 0.15, unsteady: 0.1 }) },
      density: { label: 'of the wrong density', blocks: 0.8 },
      foreign: { label: 'written off track or off speed', blocks: 0.8, then: reads({ none: 0.5, some: 0.3 }) },
    },
  },
  {
    id: 'host',
    label: 'The host',
    lane: 'signal',
    needs: {},
    modes: {
      ...none('does not talk to it'),
      wrong: { label: 'set for another drive', blocks: 0.7, then: reads({ none: 0.7 }) },
    },
  },
  ...(['lower', 'upper'] as const).map((head): DriveFunction => {
    const needs = {
      speed: 1,
      position: 1,
      servo: 1,
      pass: 1,
      seat: 1,
      [`head-${head}`]: 1,
      'data-line': 1,
      disk: 1,
      host: 1,
    }
    return {
      id: `read-${head}`,
      label: `Reads, ${head}`,
      lane: 'result',
      needs: { ...needs, ready: 0.4, index: 0.5, link: 1, select: 1, 'disk-in': 0.6, 'supply-5v': 1 },
      ...(head === 'upper' ? { when: TWO_HEADS } : {}),
      modes: {
        ...none('reads nothing'),
        some: { label: 'reads some', blocks: 0.5 },
        inner: { label: 'not on inner tracks', blocks: 0.4 },
        outer: { label: 'not on outer tracks', blocks: 0.5 },
        unsteady: { label: 'reads now and then', blocks: 0.3 },
      },
    }
  }),
  {
    id: 'protect',
    label: 'Write protect',
    lane: 'position',
    needs: {},
    when: notOn('cartridge'),
    modes: {
      always: { label: 'always protected', blocks: 0.95 },
      never: { label: 'never protected', blocks: 0 },
      none: { label: 'not judged', blocks: 0 },
    },
  },
  {
    id: 'write',
    label: 'Writing',
    lane: 'result',
    needs: {
      speed: 0.4,
      'head-lower': 0.6,
      protect: 1,
      'supply-12v': 1,
      position: 0.2,
      'read-lower': 0.7,
      servo: 1,
      pass: 1,
    },
    modes: { ...none('does not write'), bad: { label: 'writes badly', blocks: 0.6 } },
  },
  {
    id: 'format',
    label: 'Formatting',
    lane: 'result',
    needs: { write: 1, 'read-lower': 0.8, 'read-upper': 0.8, index: 0.9, home: 0.8 },
    when: notOn('cartridge'),
    modes: { ...none('does not format') },
  },
  {
    id: 'elsewhere',
    label: 'Read elsewhere',
    lane: 'result',
    needs: { write: 0.5, speed: 0.6 },
    modes: {
      wrong: { label: 'others do not read its disks', blocks: 0 },
      none: { label: 'nothing written', blocks: 0 },
    },
  },
  {
    id: 'change',
    label: 'Disk change',
    lane: 'disk',
    needs: { 'disk-in': 0.9, carriage: 0.2 },
    when: both(INDEXED, notOn('3in')),
    modes: { ...none('not noticed') },
  },
  {
    id: 'density',
    label: 'Density',
    lane: 'turning',
    needs: {},
    when: on('3.5in', '5.25in-96', '3.5in-eject'),
    modes: {
      wrong: { label: 'the wrong one', blocks: 0.7, then: reads({ none: 0.6 }) },
      none: { label: 'not judged', blocks: 0 },
    },
  },
]
