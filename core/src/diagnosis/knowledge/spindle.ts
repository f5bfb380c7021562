import { has, notOn, on } from './functions'
import { fault, part } from './fault'
import type { Subsystem } from './types'

/** What turns the disk. Odds and chances from memory. */
export const SPINDLE: Subsystem = {
  parts: [
    part('belt', 'Belt'),
    part('spindle-motor', 'Spindle motor'),
    part('spindle-motor-lead', 'Leads of the spindle motor'),
    part('motor-board', 'Motor board'),
    part('motor-capacitor', 'Capacitor of the a.c. motor'),
    part('pulley', 'Motor pulley'),
    part('spindle', 'Spindle and its bearing'),
    part('hub', 'Hub clamp'),
    part('flywheel', 'Flywheel'),
  ],
  faults: [
    fault('belt.rotten', 'The belt has decayed', 45, {
      when: has('belt'),
      era: [{ from: 1978, to: 1992, factor: 1.6 }],
      ways: [
        [0.55, { spin: 'none' }],
        [0.2, { speed: 'slow' }],
        [0.15, { speed: 'uneven' }],
        [0.05, { spin: 'sometimes' }],
      ],
      shows: {
        'found.belt': {
          'belt.goo': 0.5,
          'belt.cracked': 0.2,
          'belt.slack': 0.15,
          'belt.mouldy': 0.03,
          'belt.gone': 0.04,
        },
        'found.residue': { 'residue.black': 0.6 },
        'see.motor-runs': { runs: 0.9 },
      },
      treatments: { 'fit.belt': 0.95 },
      cure: ['Clean motor pulley, flywheel and idlers until a swab stays clean, dry them, and fit a new belt.', 45],
      harms: { power: 0.25 },
      brings: { 'spindle.dry': 1.5 },
    }),
    fault('belt.slack', 'The belt is slack', 22, {
      when: has('belt'),
      ways: [
        [0.45, { speed: 'slow' }],
        [0.3, { speed: 'uneven' }],
        [0.15, { spin: 'none' }],
        [0.05, { spin: 'sometimes' }],
      ],
      shows: { 'found.belt': { 'belt.slack': 0.7, 'belt.off': 0.1 }, 'see.motor-runs': { runs: 0.9 } },
      treatments: { 'fit.belt': 0.95 },
      cure: ['Measure the path and fit a belt of the right length and section.', 30],
    }),
    fault('belt.gone', 'The belt is missing or came off', 10, {
      when: has('belt'),
      ways: [[0.98, { spin: 'none' }]],
      shows: { 'found.belt': { 'belt.gone': 0.65, 'belt.off': 0.3 }, 'see.motor-runs': { runs: 0.95 } },
      treatments: { 'fit.belt': 0.95 },
      cure: ['Look for remains, clean both pulleys, and fit a belt.', 35],
    }),
    fault('belt.wrong', 'A belt of the wrong length or section is fitted', 6, {
      when: has('belt'),
      ways: [
        [0.3, { speed: 'fast' }],
        [0.3, { speed: 'slow' }],
        [0.3, { speed: 'uneven' }],
      ],
      shows: { 'history.inside': { yes: 0.85 } },
      treatments: { 'fit.belt': 0.9 },
      cure: ['Work out the belt from pulleys and centre distance, and fit that one.', 35],
    }),
    fault('spindle-motor.dead', 'The spindle motor is dead', 14, {
      ways: [[0.98, { spin: 'none' }]],
      shows: {
        'ohms.motor': { open: 0.6, short: 0.15 },
        'see.motor-runs': { still: 0.97 },
        'motor.volts': { right: 0.9 },
        'motor.pushed': { still: 0.95 },
        'found.motor': { 'motor.stiff': 0.1 },
      },
      cure: ['Replace the motor by one of the same voltage, speed, shaft and wiring.', 60, 5],
    }),
    fault('spindle-motor.weak', 'The spindle motor is weak', 12, {
      ways: [
        [0.4, { speed: 'slow' }],
        [0.25, { spin: 'sometimes' }],
        [0.15, { spin: 'stops' }],
        [0.15, { spin: 'none' }],
      ],
      shows: { 'motor.pushed': { starts: 0.6 }, 'motor.volts': { right: 0.9 }, 'current.12v.spin': { high: 0.3 } },
      cure: ['Clean commutator and brushes where there are any; else replace the motor.', 60, 5],
    }),
    fault('spindle-motor.worn', 'Bearings or brushes of the spindle motor are worn', 12, {
      ways: [
        [0.5, { speed: 'uneven' }],
        [0.15, { spin: 'sometimes' }],
      ],
      shows: {
        noise: { grinding: 0.25, squeal: 0.35 },
        'found.motor': { 'motor.rough': 0.6 },
        'motor.pushed': { starts: 0.3 },
      },
      cure: ['Oil the bearings; where it stays rough, replace the motor.', 40, 3],
    }),
    fault('spindle-motor.seized', 'The spindle motor is stiff or rusted', 7, {
      ways: [
        [0.6, { spin: 'none' }],
        [0.25, { speed: 'slow' }],
      ],
      shows: {
        'found.motor': { 'motor.stiff': 0.6, 'motor.rusted': 0.3 },
        'current.12v.spin': { high: 0.6 },
        'see.motor-runs': { still: 0.7 },
        'motor.pushed': { starts: 0.3 },
        'found.storage': { 'storage.damp': 0.4 },
      },
      treatments: { 'free.spindle': 0.5 },
      cure: ['Free it with a drop of penetrating oil, turn it by hand, then renew the oil.', 40],
    }),
    fault('spindle-motor-lead.broken', 'A lead of the spindle motor is broken', 6, {
      ways: [
        [0.6, { spin: 'none' }],
        [0.35, { spin: 'sometimes' }],
      ],
      intermittent: true,
      shows: {
        'found.motor': { 'motor.lead': 0.4 },
        'found.damage': { 'damage.cut': 0.2 },
        'ohms.motor': { open: 0.5 },
        'ohms.motor-lead': { open: 0.9 },
        'wiggle.wire': { changes: 0.5 },
        'see.motor-runs': { still: 0.7 },
        'motor.pushed': { still: 0.8 },
        'press.connector': { changes: 0.2 },
      },
      treatments: { 'reseat.plugs': 0.15 },
      cure: ['Find the break with an ohmmeter while bending the lead; solder and tie it clear of moving parts.', 25],
    }),
    fault('motor-board.dead', 'The motor board is dead', 14, {
      when: notOn('8in'),
      ways: [
        [0.8, { spin: 'none' }],
        [0.1, { 'motor-on': 'always' }],
        [0.07, { speed: 'fast' }],
      ],
      shows: {
        'motor.volts': { none: 0.75 },
        'see.motor-runs': { still: 0.9 },
        'line.motor': { right: 0.9 },
        'motor.enable': { right: 0.93 },
        'found.chips': { 'chips.spot': 0.15 },
      },
      cure: ['Find the driver or regulator of the motor that fails, or take a board of an identical drive.', 60, 5],
      harms: { power: 0.05 },
    }),
    fault('motor-board.trimmer', 'The speed trimmer is off, dirty or worn', 18, {
      when: notOn('8in', '3.5in', '3.5in-eject', 'cartridge'),
      ways: [
        [0.4, { speed: 'slow' }],
        [0.35, { speed: 'fast' }],
        [0.2, { speed: 'uneven' }],
      ],
      shows: { 'found.lacquer': { 'lacquer.broken': 0.4 } },
      treatments: { 'set.trimmer': 0.8 },
      cure: ['Work the trimmer to and fro with power off, then set the speed with a disk in, in tiny moves.', 15, 1],
    }),
    fault('motor-capacitor.open', 'The capacitor of the a.c. motor is open', 6, {
      when: on('8in'),
      ways: [
        [0.6, { spin: 'none' }],
        [0.3, { speed: 'slow' }],
      ],
      shows: { 'motor.pushed': { starts: 0.9 }, 'see.motor-runs': { still: 0.8 } },
      cure: ['Mains: have a qualified person replace the motor capacitor by one of the same value and rating.', 30, 5],
    }),
    fault('pulley.wrong', 'The pulley is for another mains frequency', 5, {
      when: on('8in'),
      ways: [
        [0.5, { speed: 'slow' }],
        [0.5, { speed: 'fast' }],
      ],
      cure: ['Fit pulley and belt for the local mains frequency.', 30],
    }),
    fault('pulley.dirty', 'Belt residue on a pulley', 10, {
      when: has('belt'),
      ways: [
        [0.6, { speed: 'uneven' }],
        [0.2, { speed: 'slow' }],
      ],
      shows: { 'found.residue': { 'residue.black': 0.85 } },
      treatments: { 'fit.belt': 0.6, 'clean.grease': 0.2 },
      cure: ['Clean pulley, flywheel and idlers with alcohol until a swab stays clean; let them dry.', 20],
    }),
    fault('spindle.dry', 'The spindle bearing is dry or stiff', 15, {
      ways: [
        [0.3, { speed: 'slow' }],
        [0.3, { speed: 'uneven' }],
        [0.15, { spin: 'sometimes' }],
        [0.1, { spin: 'none' }],
      ],
      shows: {
        noise: { squeal: 0.45, grinding: 0.15 },
        'found.spindle': { 'spindle.rough': 0.5, 'spindle.stuck': 0.25 },
        'current.12v.spin': { high: 0.4 },
        'motor.pushed': { starts: 0.3 },
        'warm.changes': { better: 0.4 },
      },
      treatments: { 'free.spindle': 0.75 },
      cure: ['A drop of light oil on the bearing, turn it by hand, take up what runs out.', 20],
    }),
    fault('spindle.bent', 'The spindle or flywheel is bent', 3, {
      ways: [
        [0.5, { speed: 'uneven', seat: 'off' }],
        [0.4, { speed: 'uneven' }],
      ],
      shows: {
        'found.spindle': { 'spindle.wobble': 0.85 },
        'found.damage': { 'damage.bent': 0.3 },
        noise: { rattle: 0.2 },
      },
      cure: ['Replace spindle and flywheel, or the mechanism.', 90, 10],
    }),
    fault('hub.slips', 'The hub clamp slips or does not centre', 8, {
      ways: [
        [0.4, { seat: 'off', speed: 'uneven' }],
        [0.3, { seat: 'off' }],
        [0.15, { seat: 'none' }],
        [0.1, { spin: 'sometimes' }],
      ],
      shows: { noise: { rattle: 0.2 } },
      cure: ['Clean the clamp and its spring, and check that it comes down square.', 25],
    }),
  ],
}
