import { STEPPED, both, has, notOn, on } from './functions'
import { fault, part } from './fault'
import type { Subsystem } from './types'

const FLOPPY = notOn('cartridge')

/** Disks, who wrote them, cartridges and quick disks. Odds and chances from memory. */
export const MEDIA: Subsystem = {
  parts: [
    part('disk', 'The disk'),
    part('writer', 'The drive that wrote the disk'),
    part('cartridge', 'The cartridge'),
    part('cartridge-heads', 'Heads of the cartridge drive'),
    part('servo', 'Servo'),
    part('servo-board', 'Servo board'),
    part('voice-coil', 'Voice coil and its ribbon'),
    part('clutch', 'Clutch of the head arm'),
    part('pass-start', 'Start of the head pass'),
  ],
  faults: [
    fault('disk.worn', 'The disk is worn or has aged', 45, {
      source: 'common practice',
      when: FLOPPY,
      ways: [
        [0.7, { disk: 'worn' }],
        [0.2, { disk: 'none' }],
      ],
      shows: {
        'disks.share': { some: 0.85 },
        'disk.elsewhere': { fails: 0.85 },
        'margin.lower.inner': { low: 0.4 },
        'margin.upper.inner': { low: 0.4 },
      },
      treatments: { 'another.disk': 0.95 },
      cure: ['Use another disk; save what this one holds with a drive that reads it best.', 3],
    }),
    fault('disk.grooved', 'The disk is grooved or mouldy', 12, {
      when: FLOPPY,
      ways: [
        [0.75, { disk: 'worn' }],
        [0.15, { disk: 'worn', 'head-lower': 'weak' }],
      ],
      shows: {
        'found.sacrifice': { 'sacrifice.marked': 0.5 },
        'disks.share': { some: 0.85 },
        'disk.elsewhere': { fails: 0.9 },
        noise: { squeal: 0.3 },
      },
      treatments: { 'another.disk': 0.85 },
      cure: ['Take it out, clean the heads, and use another disk.', 8],
      brings: { 'lower-head.dirty': 3, 'upper-head.dirty': 3 },
    }),
    fault('disk.density', 'The disk is of another density than it was formatted', 14, {
      when: FLOPPY,
      ways: [[0.85, { disk: 'density' }]],
      shows: { 'disk.match': { differs: 0.9 }, 'disks.share': { some: 0.8 }, 'disk.elsewhere': { fails: 0.5 } },
      treatments: { 'another.disk': 0.95 },
      cure: ['Use a disk of the density that drive and format want.', 3],
    }),
    fault('disk.blank', 'The disk is blank or has another format', 14, {
      when: FLOPPY,
      ways: [[0.95, { disk: 'none' }]],
      shows: { 'disks.share': { some: 0.8 }, 'disk.elsewhere': { fails: 0.9 } },
      treatments: { 'another.disk': 0.95 },
      cure: ['Try a disk that is known to hold data of this format.', 3],
    }),
    fault('disk.magnetised', 'The disk was erased by a magnet', 3, {
      when: FLOPPY,
      ways: [[0.95, { disk: 'none' }]],
      shows: { 'disks.share': { some: 0.8 }, 'disk.elsewhere': { fails: 0.95 } },
      treatments: { 'another.disk': 0.95 },
      cure: ['Use another disk; keep magnets and loudspeakers away.', 3],
    }),
    fault('writer.off-track', 'The disk was written by a misaligned drive', 12, {
      when: both(FLOPPY, STEPPED),
      ways: [[0.9, { disk: 'foreign' }]],
      shows: { 'disks.share': { some: 0.85 }, 'disk.elsewhere': { fails: 0.8 }, 'disk.in-writer': { reads: 0.9 } },
      treatments: { 'another.disk': 0.9 },
      cure: ['Read it in the drive that wrote it; leave the alignment of this one.', 5],
    }),
    fault('writer.off-speed', 'The disk was written by a drive off its speed', 6, {
      when: FLOPPY,
      ways: [[0.85, { disk: 'foreign' }]],
      shows: { 'disks.share': { some: 0.85 }, 'disk.elsewhere': { fails: 0.6 }, 'disk.in-writer': { reads: 0.9 } },
      treatments: { 'another.disk': 0.9 },
      cure: ['Read it in the drive that wrote it, or from a recording at its own rate.', 5],
    }),
    fault('cartridge.torn', 'The cartridge is torn or worn', 30, {
      when: on('cartridge'),
      ways: [
        [0.45, { servo: 'clicks' }],
        [0.35, { disk: 'worn' }],
        [0.15, { care: 'none', servo: 'clicks' }],
      ],
      shows: { 'found.disk': { 'disk.torn': 0.5 }, 'disk.elsewhere': { fails: 0.7 }, 'disks.share': { some: 0.8 } },
      treatments: { 'another.disk': 0.5 },
      cure: ['Put it in no other drive; look at the heads before any other cartridge goes in.', 10, 5],
      harms: { disk: 0.5 },
      brings: { 'cartridge-heads.torn': 6 },
    }),
    fault('cartridge-heads.torn', 'The heads of the cartridge drive are torn', 35, {
      when: on('cartridge'),
      ways: [
        [0.6, { servo: 'clicks', care: 'none' }],
        [0.3, { servo: 'clicks' }],
      ],
      shows: {
        'found.heads': { 'heads.torn': 0.8, 'heads.bent': 0.1 },
        'found.click': { 'click.steady': 0.8 },
        noise: { click: 0.85 },
      },
      cure: ['Strip the drive for parts; its heads are not adjusted or bent.', 15],
      harms: { disk: 0.95 },
    }),
    fault('cartridge-heads.dirty', 'The heads of the cartridge drive are dirty', 15, {
      when: on('cartridge'),
      ways: [
        [0.4, { servo: 'clicks' }],
        [0.4, { 'head-lower': 'weak', 'head-upper': 'weak' }],
      ],
      shows: { noise: { click: 0.3 } },
      treatments: { 'clean.heads': 0.4 },
      cure: ['Look at the heads first; clean them only where they are intact, without touching their edges.', 25, 10],
      harms: { disk: 0.3 },
    }),
    fault('servo.lost', 'The servo does not lock', 12, {
      when: has('servo'),
      ways: [
        [0.6, { servo: 'none' }],
        [0.35, { servo: 'clicks' }],
      ],
      shows: { noise: { click: 0.4 } },
      cure: ['Check supply and ribbon of the voice coil; nothing in it can be adjusted.', 30, 5],
      harms: { disk: 0.2 },
    }),
    fault('servo-board.dead', 'The servo board is dead', 8, {
      when: has('servo'),
      ways: [
        [0.5, { processor: 'none' }],
        [0.3, { servo: 'none' }],
        [0.15, { spin: 'none' }],
      ],
      shows: { 'see.hot': { hot: 0.15 } },
      cure: ['Swap the board with that of an identical drive.', 30, 3],
    }),
    fault('voice-coil.ribbon', 'The ribbon of the voice coil is damaged', 6, {
      when: has('servo'),
      ways: [
        [0.6, { servo: 'none' }],
        [0.3, { servo: 'clicks' }],
      ],
      intermittent: true,
      shows: { 'wiggle.wire': { changes: 0.2 } },
      treatments: { 'reseat.plugs': 0.4 },
      cure: ['Seat the ribbon straight; a cracked one means another mechanism.', 20, 2],
    }),
    fault('clutch.slips', 'The clutch of the head arm slips', 14, {
      when: on('quick-disk'),
      ways: [
        [0.5, { pass: 'none' }],
        [0.4, { pass: 'late' }],
      ],
      shows: { 'found.grease': { 'grease.set': 0.4, 'grease.dirty': 0.2 } },
      treatments: { 'clean.grease': 0.7, 'free.carriage': 0.6 },
      cure: ['Clean the clutch and its spring of old grease.', 30],
    }),
    fault('pass-start.moved', 'The start of the head pass is off', 12, {
      when: on('quick-disk'),
      ways: [[0.95, { pass: 'late' }]],
      shows: {
        'found.lacquer': { 'lacquer.broken': 0.5 },
        'history.inside': { yes: 0.5 },
        'disks.share': { own: 0.5 },
      },
      cure: ['Set the start with a disk of a verified drive; judge speed and start together.', 25, 3],
    }),
    fault('pass-start.gummed', 'Hardened grease on the head arm', 16, {
      when: on('quick-disk'),
      ways: [
        [0.5, { pass: 'none' }],
        [0.4, { pass: 'late' }],
      ],
      shows: { 'found.grease': { 'grease.set': 0.75 }, 'found.travel': { 'travel.stuck': 0.4, 'travel.tight': 0.4 } },
      treatments: { 'free.carriage': 0.8, 'clean.grease': 0.85 },
      cure: ['Work the arm by hand with a drop of light oil, clean it, then oil thinly.', 25],
    }),
  ],
}
