import { INDEXED, SELECTED, STEPPED, TWO_HEADS, both, has, notOn, on } from './functions'
import { PROBE, reading } from './reading'
import type { Check } from './types'

const press = (id: string, title: string, when?: Check['when']): Check =>
  reading(`press.${id}`, title, { same: 0.97, changes: 0.03 }, { minutes: 2, ...(when ? { when } : {}) })

/** Readings by meter, probe, eye and ear. Chances from memory. */

/** What is pressed, heard, compared and tried. Chances from memory. */
export const TRIAL_READINGS: readonly Check[] = [
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
    { right: 0.985, reversed: 0.005, shifted: 0.005, twist: 0.005 },
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
