import { STEPPED, TWO_HEADS, both, notOn, on } from './functions'
import { fault, part } from './fault'
import type { Fault, Subsystem } from './types'

const BRUSHED = notOn('cartridge')

/** Low margins of a head, everywhere or towards the hub, where it still reads. */
const lowMargins = (head: 'lower' | 'upper', outer: number, inner: number) =>
  Object.fromEntries(
    Object.entries({ outer, middle: (outer + inner) / 2, inner }).map(([zone, low]) => [
      `margin.${head}.${zone}`,
      { low },
    ]),
  )

/** Faults of one head. */
function headFaults(head: 'lower' | 'upper'): Fault[] {
  const name = head === 'lower' ? 'lower' : 'upper'
  const when = head === 'upper' ? both(BRUSHED, TWO_HEADS) : BRUSHED
  const fn = `head-${head}`
  const id = (way: string) => `${head}-head.${way}`
  return [
    fault(id('dirty'), `The ${name} head is dirty`, 55, {
      source: 'common practice',
      when,
      ways: [
        [0.55, { [fn]: 'weak' }],
        [0.25, { [fn]: 'none' }],
        [0.1, { [fn]: 'unsteady' }],
      ],
      shows: {
        'found.headclean': { 'headclean.brown': 0.75 },
        noise: { squeal: 0.1 },
        ...lowMargins(head, 0.5, 0.8),
      },
      treatments: { 'clean.heads': 0.9 },
      ...(head === 'upper' ? { brings: { 'lower-head.dirty': 8 } } : {}),
      cure: ['Clean the heads with alcohol on a lint-free swab, lightest touch, until it comes away clean.', 6, 0.5],
    }),
    fault(id('dead'), `The ${name} head is dead`, 7, {
      when,
      ways: [[0.97, { [fn]: 'none' }]],
      shows: {
        [`ohms.${head}.read`]: { open: 0.75, short: 0.1 },
        [`ohms.${head}.erase`]: { open: 0.15 },
        'found.headclean': { 'headclean.scored': 0.1 },
      },
      cure: ['Replace the head assembly from an identical drive; it has to be aligned then.', 90, 20],
    }),
    fault(id('torn'), `The ${name} head is torn or chipped`, 5, {
      when,
      ways: [
        [0.7, { [fn]: 'none', care: 'none' }],
        [0.15, { [fn]: 'none' }],
        [0.1, { care: 'none', [fn]: 'weak' }],
      ],
      shows: {
        'found.heads': { 'heads.torn': 0.7, 'heads.chipped': 0.2 },
        'heads.which': { [head]: 0.9 },
        noise: { grinding: 0.4 },
      },
      cure: [`Replace the ${name} head, or the head assembly; no disk goes in before.`, 90, 20],
      harms: { disk: 0.8 },
    }),
    fault(id('off-track'), `The ${name} head is off track`, 6, {
      when: both(when, STEPPED),
      ways: [[0.97, { [fn]: 'off' }]],
      shows: {
        'found.lacquer': { 'lacquer.broken': 0.6 },
        'found.screws': { 'screws.marred': 0.35 },
        'history.inside': { yes: 0.6 },
        [`sweep.${head}.centre`]: { off: 0.95 },
        'disks.share': { own: 0.35, some: 0.3 },
        ...lowMargins(head, 0.7, 0.7),
      },
      treatments: { [`set.${head}-head`]: 0.8 },
      cure: [`Sweep the ${name} head’s adjuster with a reference disk, and set it to the middle of its range.`, 40, 10],
    }),
  ]
}

/** Heads and what amplifies their signal. Odds and chances from memory. */
export const HEADS: Subsystem = {
  parts: [
    part('lower-head', 'Lower head'),
    part('upper-head', 'Upper head'),
    part('heads', 'Both heads'),
    part('head', 'Head assembly'),
    part('head-plug', 'Head plug'),
    part('head-arm', 'Head arm'),
    part('head-screw', 'Screws of the heads'),
    part('head-load', 'Head load'),
    part('pad', 'Pressure pad'),
    part('adjuster', 'Adjusters'),
    part('read-amplifier', 'Read amplifier'),
    part('write-driver', 'Write driver'),
    part('erase', 'Erase driver'),
  ],
  faults: [
    ...headFaults('lower'),
    ...headFaults('upper'),
    fault('heads.off-together', 'Both heads are off track together', 2.5, {
      when: both(STEPPED, TWO_HEADS),
      ways: [[0.95, { position: 'off' }]],
      shows: {
        'read.both-same': { yes: 0.9 },
        'found.lacquer': { 'lacquer.broken': 0.55 },
        'history.inside': { yes: 0.6 },
        'disks.share': { own: 0.35, some: 0.3 },
        'sweep.lower.centre': { off: 0.9 },
        'sweep.upper.centre': { off: 0.9 },
      },
      treatments: { 'set.track-zero-sensor': 0.3 },
      cure: ['Sweep the adjuster that moves both heads: the stepper, after the track-zero sensor was checked.', 45, 8],
    }),
    fault('head.azimuth', 'The azimuth of the heads is off', 3, {
      when: STEPPED,
      ways: [
        [0.6, { 'head-lower': 'weak', 'head-upper': 'weak' }],
        [0.3, { 'head-upper': 'weak' }],
      ],
      shows: {
        azimuth: { off: 0.9 },
        'disks.share': { own: 0.5, some: 0.2 },
        'found.lacquer': { 'lacquer.broken': 0.4 },
      },
      cure: ['Measure the azimuth with an alignment disk; the head assembly is replaced where it is off.', 90, 20],
    }),
    fault('head-plug.loose', 'The head plug is loose or shifted', 8, {
      when: BRUSHED,
      ways: [
        [0.25, { 'head-lower': 'none' }],
        [0.2, { 'head-upper': 'none' }],
        [0.2, { 'head-lower': 'none', 'head-upper': 'none' }],
        [0.25, { 'head-lower': 'unsteady', 'head-upper': 'unsteady' }],
      ],
      intermittent: true,
      shows: { 'press.head-plug': { changes: 0.7 }, 'history.inside': { yes: 0.5 }, 'wiggle.wire': { changes: 0.3 } },
      treatments: { 'reseat.plugs': 0.9 },
      cure: ['With power off, look where pin 1 is, and put the head plug on again straight.', 6, 1],
    }),
    fault('head-arm.warped', 'The head arm is warped', 4, {
      when: both(BRUSHED, TWO_HEADS),
      ways: [
        [0.6, { 'head-upper': 'weak' }],
        [0.3, { 'head-upper': 'none' }],
      ],
      shows: { 'found.heads': { 'heads.bent': 0.75 }, 'found.storage': { 'storage.lever': 0.6 } },
      cure: ['Compare with an identical drive; a warped arm is replaced, never bent by feel.', 80, 20],
      harms: { disk: 0.2 },
    }),
    fault('head-screw.loose', 'A screw of the heads is loose', 3, {
      when: both(BRUSHED, STEPPED),
      ways: [
        [0.4, { 'head-upper': 'off' }],
        [0.3, { position: 'play' }],
        [0.2, { 'head-lower': 'off' }],
      ],
      shows: { 'found.rattle': { 'rattle.loose': 0.3 }, 'history.inside': { yes: 0.6 } },
      cure: ['Sweep before you tighten it, then tighten and check all cylinders.', 40, 10],
    }),
    fault('adjuster.loose', 'An adjuster is loose', 3, {
      when: STEPPED,
      ways: [
        [0.5, { position: 'play' }],
        [0.4, { position: 'off' }],
      ],
      shows: { 'found.lacquer': { 'lacquer.broken': 0.75 }, 'found.rattle': { 'rattle.loose': 0.3 } },
      cure: ['Sweep it, set it to the middle of its range, tighten, check again, and seal it.', 40, 8],
    }),
    fault('pad.gone', 'The pressure pad is worn or missing', 9, {
      when: both(BRUSHED, { has: 'one-head' }, notOn('cartridge')),
      ways: [
        [0.6, { 'head-lower': 'weak' }],
        [0.3, { 'head-lower': 'none' }],
      ],
      shows: { 'found.pad': { 'pad.gone': 0.6, 'pad.worn': 0.35 } },
      cure: ['Fit a new pressure pad of the same size and softness.', 25, 2],
      harms: { disk: 0.1 },
    }),
    fault('head-load.dead', 'The head does not come down', 5, {
      when: on('8in', '5.25in-48', '5.25in-96', '3in'),
      ways: [[0.95, { 'head-lower': 'none', 'head-upper': 'none' }]],
      shows: { 'see.head-load': { 'stays up': 0.95 }, 'ohms.load': { open: 0.5 } },
      cure: ['Measure coil and driver of the head load; check its lever and the strap that switches it.', 35, 2],
    }),
    fault('head-load.stuck', 'The head stays down', 3, {
      when: on('8in', '5.25in-48', '5.25in-96', '3in'),
      ways: [
        [0.4, { care: 'none' }],
        [0.2, { load: 'rough' }],
      ],
      shows: { 'see.head-load': { 'stays down': 0.9 } },
      cure: ['Free the lever of the head load; check that its driver switches off.', 25, 2],
      harms: { disk: 0.2 },
    }),
    fault('read-amplifier.dead', 'The read amplifier is dead', 6, {
      when: BRUSHED,
      ways: [[0.95, { channel: 'none' }]],
      shows: {
        'ohms.lower.read': { right: 0.9 },
        'line.read-data': { still: 0.8 },
        'found.chips': { 'chips.spot': 0.1 },
      },
      cure: ['Follow the head signal into the amplifier; replace the chip where it ends.', 60, 4],
    }),
    fault('read-amplifier.noisy', 'The read amplifier is noisy', 5, {
      when: BRUSHED,
      ways: [[0.9, { channel: 'noisy' }]],
      shows: {
        'line.read-data': { unsteady: 0.5 },
        'warm.changes': { worse: 0.2 },
        ...lowMargins('lower', 0.6, 0.8),
        ...lowMargins('upper', 0.6, 0.8),
      },
      cure: ['Renew the capacitors round the amplifier first; then the amplifier.', 60, 4],
    }),
    fault('write-driver.dead', 'The write driver is dead', 5, {
      ways: [
        [0.85, { write: 'none' }],
        [0.1, { write: 'bad' }],
      ],
      shows: { 'line.write-gate': { right: 0.9 }, 'found.chips': { 'chips.spot': 0.1 } },
      cure: ['Check write gate and write data at the driver, then replace it.', 50, 4],
    }),
    fault('erase.dead', 'The erase does not work', 3, {
      when: BRUSHED,
      ways: [
        [0.6, { write: 'bad' }],
        [0.3, { elsewhere: 'wrong' }],
      ],
      shows: {
        'ohms.lower.erase': { open: 0.4 },
        'ohms.upper.erase': { open: 0.3 },
        'see.overwrite': { 'old data remain': 0.85 },
      },
      cure: ['Measure the erase coils and their driver.', 50, 4],
    }),
  ],
}
