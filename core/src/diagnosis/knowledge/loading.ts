import { both, has, notOn, on } from './functions'
import { fault, part } from './fault'
import type { Subsystem } from './types'

/** How a disk comes in and out. Odds and chances from memory. */
export const LOADING: Subsystem = {
  parts: [
    part('door', 'Door, lever and slides'),
    part('carrier', 'Disk carrier'),
    part('shutter-arm', 'Shutter arm'),
    part('eject-gear', 'Gears of the eject'),
    part('gear-housing', 'Housing of the eject gears'),
    part('eject-motor', 'Eject motor'),
    part('eject-board', 'Driver of the eject motor'),
    part('eject-switch', 'Eject switch'),
    part('eject-spring', 'Eject spring'),
  ],
  faults: [
    fault('door.stiff', 'Door, lever or slides are stiff', 14, {
      ways: [
        [0.4, { load: 'rough' }],
        [0.25, { load: 'none' }],
        [0.25, { eject: 'half' }],
        [0.1, { seat: 'none' }],
      ],
      shows: { 'found.loading': { 'loading.stiff': 0.85 }, 'found.grease': { 'grease.set': 0.4, 'grease.dirty': 0.2 } },
      treatments: { 'clean.grease': 0.85 },
      cure: ['Clean the slides of old grease, and oil their pivots thinly.', 25],
    }),
    fault('carrier.bent', 'The disk carrier is bent', 5, {
      when: notOn('8in', '5.25in-48', '5.25in-96', '5.25in-serial'),
      ways: [
        [0.35, { seat: 'off' }],
        [0.3, { load: 'none' }],
        [0.2, { seat: 'none' }],
        [0.1, { eject: 'half' }],
      ],
      shows: { 'found.loading': { 'loading.drops': 0.35, 'loading.stiff': 0.4 } },
      cure: ['Straighten the carrier on a flat surface, without lifting the upper head.', 40, 8],
      harms: { disk: 0.1 },
    }),
    fault('shutter-arm.missing', 'The shutter arm is missing or bent', 7, {
      when: on('3.5in', '3.5in-eject'),
      ways: [
        [0.5, { load: 'none', care: 'none' }],
        [0.3, { 'head-lower': 'none', 'head-upper': 'none', care: 'none' }],
        [0.15, { eject: 'none' }],
      ],
      shows: { 'found.arm': { 'arm.missing': 0.7, 'arm.bent': 0.25 } },
      cure: ['Fit or straighten the arm before any disk goes in.', 25, 2],
      harms: { disk: 0.9 },
    }),
    fault('eject-gear.stripped', 'Teeth of an eject gear are stripped', 24, {
      source: 'common practice',
      when: has('motorised-eject'),
      ways: [
        [0.55, { eject: 'none' }],
        [0.3, { eject: 'half' }],
      ],
      shows: {
        'found.gears': { 'gears.teeth': 0.92 },
        'see.eject-motor': { runs: 0.9 },
        noise: { click: 0.35, grinding: 0.2 },
      },
      cure: ['Find and count every broken tooth, then fit a sound gear.', 40],
    }),
    fault('gear-housing.loose', 'Tabs of the eject gear housing are loose', 10, {
      when: has('motorised-eject'),
      ways: [
        [0.45, { eject: 'half' }],
        [0.4, { eject: 'none' }],
      ],
      brings: { 'eject-gear.stripped': 3 },
      shows: { 'found.gears': { 'gears.tab': 0.9 }, 'see.eject-motor': { runs: 0.9 }, noise: { click: 0.3 } },
      cure: ['Take the housing of a donor whose tabs are sound.', 35],
    }),
    fault('eject-motor.weak', 'The eject motor is weak', 14, {
      when: has('motorised-eject'),
      ways: [
        [0.55, { eject: 'half' }],
        [0.4, { eject: 'none' }],
      ],
      shows: {
        'found.gears': { 'gears.motor': 0.5 },
        'see.eject-motor': { weak: 0.85 },
        'eject.volts': { right: 0.9 },
      },
      cure: ['Run it on its own at its voltage; clean it, or take one of a donor.', 40],
    }),
    fault('eject-board.dead', 'The driver of the eject motor is dead', 5, {
      when: has('motorised-eject'),
      ways: [[0.95, { eject: 'none' }]],
      shows: { 'eject.volts': { none: 0.9 }, 'see.eject-motor': { still: 0.95 } },
      cure: ['Measure at the motor while it should eject; replace the driver.', 45, 3],
    }),
    fault('eject-switch.stuck', 'The eject switch sticks', 7, {
      when: has('motorised-eject'),
      ways: [
        [0.5, { eject: 'itself' }],
        [0.4, { eject: 'none' }],
      ],
      shows: { 'switch.eject': { stuck: 0.85, unsteady: 0.1 } },
      treatments: { 'clean.switches': 0.7 },
      cure: ['Clean the switch with contact spray, then alcohol; replace it where it stays.', 15],
    }),
    fault('eject-spring.weak', 'The eject spring is weak or unhooked', 6, {
      when: both({ not: { has: 'motorised-eject' } }, notOn('8in', '5.25in-48', '5.25in-96', '5.25in-serial')),
      ways: [
        [0.5, { eject: 'half' }],
        [0.3, { eject: 'none' }],
        [0.1, { load: 'none' }],
      ],
      shows: { 'found.loading': { 'loading.stiff': 0.2 } },
      cure: ['Hook the spring in again, or fit one like it.', 20],
    }),
    fault('disk-remains.inside', 'Something lies in the slot: a label, a shutter, a spring', 6, {
      ways: [
        [0.4, { load: 'none' }],
        [0.2, { eject: 'half' }],
        [0.15, { care: 'none' }],
        [0.1, { spin: 'none' }],
      ],
      shows: { 'found.rattle': { 'rattle.found': 0.6, 'rattle.loose': 0.2 }, noise: { rattle: 0.3, grinding: 0.1 } },
      cure: ['Power off. Look into the slot with a light, and take out what lies there.', 10],
      harms: { disk: 0.3 },
    }),
  ],
}
