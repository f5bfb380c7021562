import { HOMED, INDEXED, LINKED, SELECTED, STEPPED, TWO_HEADS, both, has, notOn, on } from './functions'
import type { Check, CheckNeed, DriveFunction } from './types'

type Shown = Readonly<Record<string, Readonly<Record<string, number>>>>

/** What a person or a host sees of a function. Chances from memory. */
function seen(
  id: string,
  title: string,
  fn: DriveFunction['id'],
  base: Readonly<Record<string, number>>,
  by: Shown,
  more: Partial<Check> = {},
): Check {
  const needs: readonly CheckNeed[] = more.needs ?? ['power']
  const answers = [...new Set([...Object.keys(base), ...Object.values(by).flatMap(Object.keys)])]
  return {
    id,
    title,
    answers,
    kind: 'symptom',
    minutes: 1,
    source: 'hand',
    base,
    sees: { function: fn, by },
    ...more,
    needs,
  }
}

const READS = ['power', 'disk'] as const
const ZONE_BASE = { all: 0.97, some: 0.02, none: 0.01 }
/** What each zone of a head reads, by what the head reads in all. */
const ZONES: Readonly<Record<'outer' | 'middle' | 'inner', Shown>> = {
  outer: {
    none: { none: 0.96, some: 0.04 },
    some: { some: 0.6, all: 0.3, none: 0.1 },
    inner: { all: 0.85, some: 0.15 },
    outer: { none: 0.6, some: 0.4 },
    unsteady: { some: 0.6, all: 0.3, none: 0.1 },
  },
  middle: {
    none: { none: 0.96, some: 0.04 },
    some: { some: 0.6, all: 0.3, none: 0.1 },
    inner: { all: 0.6, some: 0.35, none: 0.05 },
    outer: { all: 0.7, some: 0.3 },
    unsteady: { some: 0.6, all: 0.3, none: 0.1 },
  },
  inner: {
    none: { none: 0.96, some: 0.04 },
    some: { some: 0.6, all: 0.2, none: 0.2 },
    inner: { none: 0.6, some: 0.4 },
    outer: { all: 0.9, some: 0.1 },
    unsteady: { some: 0.6, all: 0.3, none: 0.1 },
  },
}

const zones = (head: 'lower' | 'upper'): Check[] =>
  (['outer', 'middle', 'inner'] as const).map(zone =>
    seen(`read.${head}.${zone}`, `Sectors read, ${head} head, ${zone} tracks`, `read-${head}`, ZONE_BASE, ZONES[zone], {
      kind: 'reading',
      needs: READS,
      minutes: 2,
      source: 'host',
      unit: '%',
      bands: [
        { below: 1, answer: 'none' },
        { below: 99.5, answer: 'some' },
        { below: Infinity, answer: 'all' },
      ],
      opens: { kind: 'reading', id: `read.${head}.${zone}` },
      ...(head === 'upper' ? { when: TWO_HEADS } : {}),
    }),
  )

/** Timing margin under which a place that reads is near its limit, % of the half window (from memory). */
const LOW_MARGIN = 25
const LOW = { low: 0.85, right: 0.15 }
/** What the margin of each zone is where it still reads, by what the head reads in all. */
const MARGINS: Readonly<Record<'outer' | 'middle' | 'inner', Shown>> = {
  outer: { none: LOW, some: LOW, unsteady: LOW, outer: LOW, inner: { right: 0.75, low: 0.25 } },
  middle: { none: LOW, some: LOW, unsteady: LOW, outer: { low: 0.4, right: 0.6 }, inner: { low: 0.5, right: 0.5 } },
  inner: { none: LOW, some: LOW, unsteady: LOW, inner: { low: 0.95, right: 0.05 }, outer: { right: 0.75, low: 0.25 } },
}

/** Margins come with a recording; nobody is asked for them. */
const margins = (head: 'lower' | 'upper'): Check[] =>
  (['outer', 'middle', 'inner'] as const).map(zone =>
    seen(
      `margin.${head}.${zone}`,
      `Timing margin, ${head} head, ${zone} tracks`,
      `read-${head}`,
      { right: 0.95, low: 0.05 },
      MARGINS[zone],
      {
        kind: 'reading',
        needs: READS,
        minutes: 8,
        source: 'recording',
        unit: '%',
        bands: [
          { below: LOW_MARGIN, answer: 'low' },
          { below: Infinity, answer: 'right' },
        ],
        ask: false,
        ...(head === 'upper' ? { when: TWO_HEADS } : {}),
      },
    ),
  )

/** What is seen, heard and read from outside, at the drive or on its host. */
export const SYMPTOMS: readonly Check[] = [
  seen(
    'see.lamp',
    'Look at the lamp when the drive is addressed',
    'lamp',
    { normal: 0.97, none: 0.02, always: 0.01 },
    {
      none: { none: 0.95, normal: 0.05 },
      always: { always: 0.95, normal: 0.05 },
    },
    { when: notOn('quick-disk') },
  ),
  seen(
    'see.flash',
    'See whether the lamp flashes a code at switch-on',
    'processor',
    { no: 0.98, yes: 0.02 },
    {
      flashes: { yes: 0.9, no: 0.1 },
      none: { no: 0.95, yes: 0.05 },
    },
    { when: has('own-processor') },
  ),
  seen(
    'see.host',
    'See whether the host recognises the drive',
    'link',
    { yes: 0.97, no: 0.02, hangs: 0.01 },
    {
      none: { no: 0.85, hangs: 0.1, yes: 0.05 },
      hangs: { hangs: 0.8, no: 0.2 },
      unsteady: { yes: 0.5, no: 0.4, hangs: 0.1 },
    },
    { when: LINKED, source: 'host', minutes: 2 },
  ),
  seen(
    'see.select',
    'See whether the drive answers when the host selects it',
    'select',
    { yes: 0.97, no: 0.02, always: 0.01 },
    {
      none: { no: 0.95, yes: 0.05 },
      always: { always: 0.85, yes: 0.15 },
    },
    { when: SELECTED, source: 'host' },
  ),
  seen(
    'see.spin',
    'Select the drive and see whether the spindle turns',
    'spin',
    { yes: 0.96, no: 0.01, sometimes: 0.01, stops: 0.01, always: 0.01 },
    {
      none: { no: 0.95, sometimes: 0.05 },
      sometimes: { sometimes: 0.5, yes: 0.3, no: 0.2 },
      stops: { stops: 0.7, yes: 0.3 },
    },
  ),
  seen(
    'see.motor-off',
    'See whether the motor stops when it is told',
    'motor-on',
    { stops: 0.97, 'runs on': 0.03 },
    {
      always: { 'runs on': 0.95, stops: 0.05 },
      none: { stops: 1 },
    },
  ),
  seen(
    'speed.mean',
    'Measure the spindle speed',
    'speed',
    { right: 0.94, slow: 0.03, fast: 0.03 },
    {
      none: { none: 0.95, slow: 0.05 },
      slow: { slow: 0.95, right: 0.05 },
      fast: { fast: 0.95, right: 0.05 },
      uneven: { right: 0.6, slow: 0.25, fast: 0.15 },
    },
    {
      kind: 'reading',
      source: 'host',
      minutes: 3,
      needs: READS,
      unit: 'r/min',
      opens: { kind: 'reading', id: 'speed.mean' },
    },
  ),
  seen(
    'speed.variation',
    'Measure how steady the speed is',
    'speed',
    { steady: 0.95, uneven: 0.05 },
    {
      none: { none: 1 },
      slow: { steady: 0.6, uneven: 0.4 },
      fast: { steady: 0.9, uneven: 0.1 },
      uneven: { uneven: 0.9, steady: 0.1 },
    },
    { kind: 'reading', source: 'recording', minutes: 6, needs: ['power', 'disk', 'recording'] },
  ),
  seen(
    'see.ready',
    'See whether READY comes',
    'ready',
    { yes: 0.97, no: 0.03 },
    { none: { no: 0.97, yes: 0.03 } },
    {
      when: INDEXED,
      source: 'host',
      needs: READS,
    },
  ),
  seen(
    'see.index',
    'See whether the host finds the index',
    'index',
    { yes: 0.97, no: 0.02, unsteady: 0.01 },
    {
      none: { no: 0.96, yes: 0.04 },
      weak: { unsteady: 0.6, yes: 0.25, no: 0.15 },
      late: { yes: 0.9, no: 0.1 },
    },
    { when: INDEXED, source: 'host', needs: READS },
  ),
  seen(
    'see.step',
    'Step in and out and see whether the head follows',
    'carriage',
    { yes: 0.97, no: 0.02, misses: 0.01 },
    {
      none: { no: 0.95, misses: 0.05 },
      misses: { misses: 0.6, yes: 0.4 },
    },
    { when: STEPPED, minutes: 2 },
  ),
  seen(
    'see.home',
    'Home the head and see how that ends',
    'home',
    { found: 0.96, never: 0.02, knocks: 0.02 },
    {
      none: { never: 0.7, knocks: 0.3 },
      bangs: { knocks: 0.9, never: 0.1 },
      wrong: { found: 0.7, knocks: 0.2, never: 0.1 },
    },
    { when: HOMED, minutes: 2 },
  ),
  seen(
    'see.header',
    'Compare the cylinder in the headers with the count of steps',
    'home',
    { same: 0.97, other: 0.02, none: 0.01 },
    {
      none: { none: 0.8, other: 0.2 },
      bangs: { none: 0.8, other: 0.2 },
      wrong: { other: 0.8, none: 0.2 },
    },
    { when: STEPPED, needs: ['power', 'disk', 'recording'], source: 'recording', minutes: 8 },
  ),
  seen(
    'see.click',
    'Hear whether the heads retract again and again',
    'servo',
    { no: 0.97, yes: 0.03 },
    {
      clicks: { yes: 0.95, no: 0.05 },
      none: { no: 0.7, yes: 0.3 },
    },
    { when: has('servo') },
  ),
  seen(
    'see.pass',
    'See whether the head sweeps, and where data begin',
    'pass',
    { right: 0.95, none: 0.02, late: 0.03 },
    {
      none: { none: 0.95, late: 0.05 },
      late: { late: 0.85, right: 0.15 },
    },
    { when: on('quick-disk'), needs: ['power', 'disk', 'recording'], source: 'recording', minutes: 8 },
  ),
  seen(
    'see.load',
    'Put a sacrificial disk in',
    'load',
    { goes: 0.97, no: 0.02, stiff: 0.01 },
    {
      none: { no: 0.95, stiff: 0.05 },
      rough: { stiff: 0.7, goes: 0.3 },
    },
    { needs: ['disk'] },
  ),
  seen(
    'see.seat',
    'Look whether the hub is clamped and the disk runs true',
    'seat',
    { true: 0.97, no: 0.02, 'off centre': 0.01 },
    {
      none: { no: 0.9, true: 0.1 },
      off: { 'off centre': 0.7, true: 0.3 },
    },
    { needs: ['disk'], minutes: 2 },
  ),
  seen(
    'see.eject',
    'Take the disk out the usual way',
    'eject',
    { right: 0.97, no: 0.01, half: 0.01, itself: 0.01 },
    {
      none: { no: 0.9, half: 0.1 },
      half: { half: 0.8, right: 0.1, no: 0.1 },
      itself: { itself: 0.8, right: 0.2 },
    },
    { needs: ['disk'] },
  ),
  seen(
    'see.marks',
    'Look at a sacrificial disk after it ran',
    'care',
    { clean: 0.98, marked: 0.02 },
    {
      none: { marked: 0.85, clean: 0.15 },
    },
    { needs: READS, minutes: 3 },
  ),
  seen(
    'see.disk-in',
    'See whether the drive notices a disk',
    'disk-in',
    { yes: 0.97, never: 0.015, always: 0.015 },
    {
      none: { never: 0.95, yes: 0.05 },
      always: { always: 0.95, yes: 0.05 },
    },
    { when: notOn('8in', '5.25in-serial'), needs: READS, source: 'host' },
  ),
  seen(
    'see.change',
    'Change the disk and list its files',
    'change',
    { new: 0.97, last: 0.03 },
    {
      none: { last: 0.9, new: 0.1 },
    },
    { when: both(INDEXED, notOn('3in')), needs: READS, source: 'host', minutes: 2 },
  ),
  seen(
    'see.protect',
    'Try write protect both ways',
    'protect',
    { both: 0.97, always: 0.02, never: 0.01 },
    {
      always: { always: 0.96, both: 0.04 },
      never: { never: 0.96, both: 0.04 },
    },
    { when: notOn('cartridge'), needs: READS, source: 'host', minutes: 3, opens: { kind: 'finding', id: 'protect' } },
  ),
  seen(
    'see.density',
    'Try a disk of each density',
    'density',
    { right: 0.97, wrong: 0.03 },
    {
      wrong: { wrong: 0.9, right: 0.1 },
    },
    { when: on('3.5in', '5.25in-96', '3.5in-eject'), needs: READS, source: 'host', minutes: 3 },
  ),
  ...zones('lower'),
  ...zones('upper'),
  ...margins('lower'),
  ...margins('upper'),
  seen(
    'see.steady',
    'Read the same disk ten times',
    'read-lower',
    { always: 0.95, 'now and then': 0.04, never: 0.01 },
    {
      none: { never: 0.96, 'now and then': 0.04 },
      some: { always: 0.6, 'now and then': 0.4 },
      inner: { always: 0.7, 'now and then': 0.3 },
      outer: { always: 0.7, 'now and then': 0.3 },
      unsteady: { 'now and then': 0.9, always: 0.05, never: 0.05 },
    },
    { needs: READS, source: 'host', minutes: 5 },
  ),
  seen(
    'see.write',
    'Write to a disk that may be overwritten, and read it back',
    'write',
    { right: 0.96, no: 0.02, errors: 0.02 },
    {
      none: { no: 0.9, errors: 0.1 },
      bad: { errors: 0.8, right: 0.2 },
    },
    { needs: READS, source: 'host', minutes: 4 },
  ),
  seen(
    'see.format',
    'Format a disk that may be overwritten',
    'format',
    { yes: 0.96, no: 0.04 },
    {
      none: { no: 0.95, yes: 0.05 },
    },
    { when: notOn('cartridge'), needs: READS, source: 'host', minutes: 4 },
  ),
  seen(
    'written.elsewhere',
    'Read a disk that this drive wrote in a verified drive',
    'elsewhere',
    { reads: 0.96, fails: 0.04 },
    {
      wrong: { fails: 0.9, reads: 0.1 },
      none: { fails: 0.9, reads: 0.1 },
    },
    { kind: 'reading', needs: ['power', 'disk', 'second-drive'], source: 'host', minutes: 6, unit: '' },
  ),
]
