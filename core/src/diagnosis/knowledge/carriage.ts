import { HOMED, INDEXED, STEPPED, both, has, lacks, notOn, on } from './functions'
import { fault, part } from './fault'
import type { Subsystem } from './types'

/** What moves the heads and finds the first track. Odds and chances from memory. */
export const CARRIAGE: Subsystem = {
  parts: [
    part('stepper', 'Stepper motor'),
    part('stepper-driver', 'Stepper driver'),
    part('rail', 'What guides the carriage'),
    part('screw', 'Lead screw'),
    part('band', 'Steel band'),
    part('cam', 'Spiral cam'),
    part('track-zero-sensor', 'Track-zero sensor'),
    part('track-zero-flag', 'Flag of the track-zero sensor'),
    part('end-stop', 'End stop'),
  ],
  faults: [
    fault('stepper.dead', 'The stepper motor is dead', 5, {
      when: STEPPED,
      ways: [
        [0.8, { carriage: 'none' }],
        [0.15, { carriage: 'misses' }],
      ],
      shows: { 'ohms.stepper': { open: 0.75, short: 0.1 }, 'stepper.phases': { switch: 0.95 } },
      cure: ['Replace the stepper with its coupling; its position has to be set again.', 80, 15],
    }),
    fault('stepper.weak', 'The stepper motor is weak or stiff', 7, {
      when: STEPPED,
      ways: [
        [0.5, { carriage: 'misses' }],
        [0.4, { carriage: 'none' }],
      ],
      shows: {
        'found.travel': { 'travel.tight': 0.15, 'travel.free': 0.8 },
        'stepper.phases': { switch: 0.95 },
        'warm.changes': { better: 0.3 },
      },
      treatments: { 'free.carriage': 0.35 },
      cure: ['Oil its shaft, check its supply and its driver, and replace it where it stays weak.', 50, 8],
    }),
    fault('stepper.moved', 'The stepper body was turned', 6, {
      when: STEPPED,
      ways: [[0.95, { position: 'off' }]],
      shows: {
        'found.lacquer': { 'lacquer.broken': 0.8 },
        'found.screws': { 'screws.marred': 0.4 },
        'history.inside': { yes: 0.8 },
        'read.both-same': { yes: 0.9 },
      },
      treatments: { 'set.lower-head': 0.3 },
      cure: ['Sweep the stepper body with a reference disk, and set it to the middle of its range.', 45, 8],
    }),
    fault('stepper-driver.dead', 'The stepper driver is dead', 8, {
      when: STEPPED,
      ways: [
        [0.75, { carriage: 'none' }],
        [0.2, { carriage: 'misses' }],
      ],
      shows: {
        'line.step': { right: 0.9 },
        'stepper.phases': { still: 0.8, uneven: 0.15 },
        'see.hot': { hot: 0.15 },
        'found.chips': { 'chips.spot': 0.2 },
      },
      cure: ['Measure the phases at the stepper; replace the driver that does not switch.', 45, 3],
    }),
    fault('rail.gummed', 'Hardened grease on the guide rails', 34, {
      source: 'common practice',
      when: STEPPED,
      ways: [
        [0.4, { carriage: 'misses' }],
        [0.35, { carriage: 'none' }],
        [0.1, { home: 'none' }],
      ],
      shows: {
        'found.grease': { 'grease.set': 0.75, 'grease.dirty': 0.15 },
        'found.travel': { 'travel.stuck': 0.45, 'travel.tight': 0.45 },
        'stepper.phases': { switch: 0.95 },
        'warm.changes': { better: 0.35 },
        noise: { squeal: 0.1 },
        'current.12v.step': { high: 0.3 },
      },
      treatments: { 'free.carriage': 0.8, 'clean.grease': 0.85 },
      cure: [
        'Work the carriage by hand with a drop of light oil, take off the old grease, then oil or grease thinly.',
        25,
      ],
    }),
    fault('rail.bent', 'A guide rail is bent', 2, {
      when: STEPPED,
      ways: [
        [0.4, { carriage: 'misses' }],
        [0.3, { 'read-lower': 'inner', 'read-upper': 'inner' }],
      ],
      shows: {
        'found.damage': { 'damage.bent': 0.3 },
        'found.travel': { 'travel.tight': 0.5, 'travel.stuck': 0.2 },
        'found.storage': { 'storage.lever': 0.1 },
      },
      cure: ['Replace the guide rail; the alignment has to be checked afterwards.', 60, 10],
    }),
    fault('screw.gummed', 'Hardened grease on the lead screw', 26, {
      source: 'common practice',
      when: both(STEPPED, has('screw')),
      ways: [
        [0.45, { carriage: 'misses' }],
        [0.35, { carriage: 'none' }],
      ],
      shows: {
        'found.grease': { 'grease.set': 0.75, 'grease.dirty': 0.15 },
        'found.travel': { 'travel.stuck': 0.45, 'travel.tight': 0.45 },
        'stepper.phases': { switch: 0.95 },
        'warm.changes': { better: 0.35 },
      },
      treatments: { 'free.carriage': 0.75, 'clean.grease': 0.85 },
      cure: ['Clean the screw, work it by hand over its whole travel, then a drop of light oil or thin grease.', 25],
    }),
    fault('screw.play', 'Play between lead screw and carriage', 6, {
      when: both(STEPPED, has('screw')),
      ways: [[0.8, { position: 'play' }]],
      shows: { 'seek.both-ways': { differ: 0.85 } },
      cure: ['Renew spring or follower between screw and carriage.', 45, 8],
    }),
    fault('band.creased', 'The steel band is creased or torn', 4, {
      when: both(STEPPED, has('band')),
      ways: [
        [0.4, { position: 'off' }],
        [0.4, { carriage: 'none' }],
        [0.15, { carriage: 'misses' }],
      ],
      shows: { 'found.band': { 'band.creased': 0.92 } },
      cure: ['Replace the band, or the mechanism.', 70, 15],
    }),
    fault('band.loose', 'The steel band is loose', 7, {
      when: both(STEPPED, has('band')),
      ways: [
        [0.5, { position: 'play' }],
        [0.35, { position: 'off' }],
      ],
      shows: { 'found.band': { 'band.loose': 0.85 }, 'seek.both-ways': { differ: 0.6 } },
      cure: ['Tighten the band evenly, then check the alignment.', 40, 10],
    }),
    fault('cam.dirty', 'The spiral cam is dirty', 7, {
      when: both(STEPPED, has('spiral')),
      ways: [
        [0.5, { carriage: 'misses' }],
        [0.3, { position: 'play' }],
      ],
      shows: { 'found.travel': { 'travel.tight': 0.5 }, 'found.grease': { 'grease.dirty': 0.4, 'grease.set': 0.3 } },
      treatments: { 'free.carriage': 0.7, 'clean.grease': 0.85 },
      cure: ['Clean the groove of the cam and its follower, then oil thinly.', 20],
    }),
    fault('track-zero-sensor.dead', 'The track-zero sensor is dead', 12, {
      when: HOMED,
      ways: [
        [0.55, { home: 'bangs' }],
        [0.4, { home: 'none' }],
      ],
      shows: {
        'sensor.track-0': { same: 0.93 },
        'sensor.track-0.camera': { dark: 0.5 },
        'line.track-0': { still: 0.7, 'stuck high': 0.2 },
      },
      cure: ['Measure LED and detector; fit an equivalent at the same height.', 45, 5],
    }),
    fault('track-zero-sensor.dirty', 'The track-zero sensor is dirty', 18, {
      source: 'common practice',
      when: HOMED,
      ways: [
        [0.5, { home: 'bangs' }],
        [0.35, { home: 'none' }],
        [0.1, { home: 'wrong' }],
      ],
      shows: { 'sensor.track-0': { weak: 0.7, same: 0.15 }, 'line.track-0': { still: 0.5, unsteady: 0.3 } },
      treatments: { 'clean.sensors': 0.9 },
      cure: ['Blow the slot clear and wipe both faces with alcohol.', 8],
    }),
    fault('track-zero-sensor.moved', 'The track-zero sensor was moved', 8, {
      when: HOMED,
      ways: [
        [0.75, { home: 'wrong' }],
        [0.15, { home: 'bangs' }],
      ],
      shows: {
        'found.lacquer': { 'lacquer.broken': 0.75 },
        'found.screws': { 'screws.marred': 0.3 },
        'history.inside': { yes: 0.75 },
      },
      treatments: { 'set.track-zero-sensor': 0.9 },
      cure: ['Sweep the sensor with a reference disk, and set it to the middle of its range.', 30, 4],
    }),
    fault('track-zero-flag.bent', 'The flag of the track-zero sensor is bent', 6, {
      when: HOMED,
      ways: [
        [0.55, { home: 'wrong' }],
        [0.4, { home: 'bangs' }],
      ],
      shows: { 'found.flag': { 'flag.bent': 0.9 } },
      treatments: { 'set.track-zero-sensor': 0.3 },
      cure: ['Straighten the flag, check its height, then check track zero.', 15, 3],
    }),
    fault('track-zero-flag.missing', 'The flag of the track-zero sensor is missing or snapped', 6, {
      when: HOMED,
      ways: [
        [0.8, { home: 'bangs' }],
        [0.18, { home: 'none' }],
      ],
      shows: { 'found.flag': { 'flag.snapped': 0.95 } },
      cure: ['Rebuild the flag to the height of an identical drive’s, then set track zero.', 40, 5],
    }),
    fault('end-stop.moved', 'The end stop was moved', 3, {
      when: on('5.25in-serial'),
      ways: [
        [0.6, { home: 'wrong' }],
        [0.25, { home: 'bangs' }],
      ],
      shows: { 'found.lacquer': { 'lacquer.broken': 0.6 }, 'history.inside': { yes: 0.7 } },
      cure: ['Set the end stop so that the head rests on its first track without pressing.', 30, 5],
    }),
    fault('carriage-lock.in', 'A transport lock or screw holds the carriage', 3, {
      when: STEPPED,
      ways: [[0.97, { carriage: 'none' }]],
      shows: { 'found.travel': { 'travel.stuck': 0.95 }, 'found.storage': { 'storage.card': 0.3 } },
      treatments: { 'free.carriage': 0.4 },
      cure: ['Take out the transport card, screw or lock before you move the carriage.', 5],
    }),
    fault('index-sensor.dead', 'The index sensor is dead', 10, {
      when: INDEXED,
      ways: [[0.97, { index: 'none' }]],
      shows: {
        'sensor.index': { same: 0.93 },
        'sensor.index.camera': { dark: 0.45 },
        'line.index': { still: 0.8, 'stuck high': 0.15 },
      },
      cure: ['Measure LED and detector; fit an equivalent at the same place.', 45, 4],
    }),
    fault('index-sensor.dirty', 'The index sensor is dirty', 12, {
      source: 'common practice',
      when: both(INDEXED, notOn('3.5in', '3.5in-eject')),
      ways: [
        [0.5, { index: 'none' }],
        [0.4, { index: 'weak' }],
      ],
      shows: { 'sensor.index': { weak: 0.75, same: 0.1 }, 'line.index': { still: 0.45, unsteady: 0.4 } },
      treatments: { 'clean.sensors': 0.9 },
      cure: ['Blow it clear and wipe LED and detector with alcohol.', 8],
    }),
    fault('index-sensor.weak', 'The index sensor has become weak', 6, {
      when: INDEXED,
      ways: [
        [0.6, { index: 'weak' }],
        [0.3, { index: 'none' }],
      ],
      shows: { 'sensor.index': { weak: 0.85 }, 'line.index': { unsteady: 0.6 }, 'warm.changes': { worse: 0.3 } },
      cure: ['Measure the LED’s current and the detector’s difference; replace the one that is weak.', 45, 4],
    }),
    fault('index-sensor.moved', 'The index sensor was moved', 4, {
      when: INDEXED,
      ways: [
        [0.7, { index: 'late' }],
        [0.2, { index: 'none' }],
      ],
      shows: {
        'index.timing': { off: 0.85 },
        'found.lacquer': { 'lacquer.broken': 0.5 },
        'history.inside': { yes: 0.6 },
      },
      cure: ['Set it by the index burst of an alignment disk, or by the first sector of a reference disk.', 30, 3],
    }),
    fault('index-window.blocked', 'The index opening is blocked or fogged', 5, {
      when: both(INDEXED, lacks('motorised-eject'), notOn('3.5in')),
      ways: [
        [0.7, { index: 'none' }],
        [0.25, { index: 'weak' }],
      ],
      shows: { 'sensor.index': { weak: 0.5, same: 0.4 }, 'line.index': { still: 0.7 } },
      treatments: { 'clean.sensors': 0.75 },
      cure: ['Clear the path of the light between LED and detector, and try a disk whose index hole is free.', 10],
    }),
  ],
}
