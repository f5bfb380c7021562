import { INDEXED, both, notOn, on } from './functions'
import { fault, part } from './fault'
import type { Subsystem } from './types'

const SWITCHES = on('3.5in', '3.5in-eject', '3in', 'quick-disk')
const NOTICES = notOn('8in', '5.25in-serial', '5.25in-48')

/** Drives that see the notch, hole or tab with light; few of the 3.5-inch ones do. */
const OPTICAL = { when: notOn('3in', 'quick-disk', 'cartridge'), byType: { '3.5in': 0.2, '3.5in-eject': 0.2 } }
/** A sensor that sees no light, as behind a covered notch. */
const BLIND = [[0.95, { protect: '@covered' }]] as const

/** Switches and sensors of the disk. Odds and chances from memory. */
export const SENSORS: Subsystem = {
  parts: [
    part('protect-sensor', 'Write-protect sensor'),
    part('protect-switch', 'Write-protect switch'),
    part('protect-pin', 'Write-protect pin'),
    part('disk-in-switch', 'Disk-in switch or sensor'),
    part('density-switch', 'Density switch'),
    part('index-sensor', 'Index sensor'),
    part('index-window', 'Index opening'),
    part('change-line', 'Disk-change line'),
  ],
  faults: [
    fault('protect-sensor.dead', 'The write-protect sensor is dead', 7, {
      source: 'common practice',
      ...OPTICAL,
      ways: BLIND,
      shows: {
        'sensor.protect': { same: 0.93 },
        'sensor.protect.camera': { dark: 0.5 },
      },
      cure: ['Measure LED and detector; fit an equivalent at the same place.', 35, 2],
      harms: { disk: 0.05 },
    }),
    fault('protect-sensor.dirty', 'The write-protect sensor is dirty', 10, {
      source: 'common practice',
      ...OPTICAL,
      ways: BLIND,
      shows: { 'sensor.protect': { weak: 0.8, same: 0.1 } },
      treatments: { 'clean.sensors': 0.9 },
      cure: ['Wipe LED and detector with alcohol.', 8],
      harms: { disk: 0.05 },
    }),
    fault('protect-switch.stuck', 'The write-protect switch sticks', 14, {
      when: SWITCHES,
      ways: [
        [0.6, { protect: '@covered' }],
        [0.35, { protect: '@open' }],
      ],
      shows: { 'switch.protect': { 'stuck closed': 0.5, 'stuck open': 0.35, 'now and then': 0.1 } },
      treatments: { 'clean.switches': 0.7 },
      cure: ['Contact spray, then alcohol; work it; check every contact pressed and not.', 15],
      harms: { disk: 0.1 },
    }),
    fault('protect-switch.broken', 'The write-protect switch is broken', 6, {
      when: SWITCHES,
      ways: [
        [0.7, { protect: '@open' }],
        [0.25, { protect: '@covered' }],
      ],
      shows: { 'switch.protect': { 'stuck open': 0.75, 'stuck closed': 0.2 } },
      treatments: { 'clean.switches': 0.05 },
      cure: ['Replace the switch by one with the same travel and contacts.', 30, 1],
      harms: { disk: 0.1 },
    }),
    fault('protect-pin.missing', 'The write-protect pin is missing', 10, {
      when: on('3in'),
      ways: [
        [0.85, { protect: 'always' }],
        [0.1, { protect: 'never' }],
      ],
      shows: { 'found.pin': { 'pin.missing': 0.95 }, 'history.inside': { yes: 0.7 } },
      cure: ['Look for the pin in the case; make one of the same length and diameter.', 30],
    }),
    fault('protect-pin.snapped', 'The write-protect pin is snapped or stuck', 4, {
      when: on('3in'),
      ways: [
        [0.6, { protect: 'always' }],
        [0.35, { protect: 'never' }],
      ],
      shows: { 'found.pin': { 'pin.missing': 0.2 }, 'switch.protect': { follows: 0.8 } },
      cure: ['Free or renew the pin, and check its length.', 30],
    }),
    fault('disk-in-switch.stuck', 'The disk-in switch sticks', 10, {
      when: NOTICES,
      ways: [
        [0.5, { 'disk-in': 'always' }],
        [0.45, { 'disk-in': 'none' }],
      ],
      shows: {
        'switch.disk-in': { 'stuck closed': 0.5, 'stuck open': 0.4, 'now and then': 0.1 },
        'change.without-disk': { goes: 0.5 },
      },
      treatments: { 'clean.switches': 0.65 },
      cure: ['Free the lever, contact spray, then alcohol; else replace the switch.', 18],
    }),
    fault('disk-in-switch.dirty', 'The contacts of the disk-in switch are dirty', 12, {
      source: 'common practice',
      when: NOTICES,
      ways: [
        [0.7, { 'disk-in': 'none' }],
        [0.1, { 'disk-in': 'always' }],
      ],
      intermittent: true,
      shows: {
        'switch.disk-in': { 'now and then': 0.55, 'stuck open': 0.35 },
        'change.without-disk': { goes: 0.1 },
      },
      treatments: { 'clean.switches': 0.9 },
      cure: ['Contact spray, then alcohol so that none reaches a disk.', 12],
    }),
    fault('density-switch.stuck', 'The density switch sticks', 7, {
      when: on('3.5in', '3.5in-eject'),
      ways: [[0.9, { density: 'wrong' }]],
      shows: { 'switch.density': { 'stuck closed': 0.5, 'stuck open': 0.4, 'now and then': 0.1 } },
      treatments: { 'clean.switches': 0.7 },
      cure: ['Contact spray, then alcohol; replace the switch where it stays.', 15],
    }),
    fault('change-line.wrong-pin', 'The host expects disk change on another pin', 8, {
      when: both(INDEXED, notOn('8in', '3in')),
      ways: [[0.9, { change: 'none' }]],
      shows: { 'line.change': { right: 0.8 }, 'history.inside': { yes: 0.2 }, 'change.without-disk': { never: 0.85 } },
      cure: ['Set the strap so that the pin carries what the host expects, or bridge it.', 20],
    }),
  ],
}
