import { INDEXED, SELECTED, STEPPED, both, notOn, on } from './functions'
import { fault, part } from './fault'
import type { Fault, Subsystem } from './types'

/** Lines that a drive makes, what they carry, and how each reads where its driver fails. */
const OUT = [
  ['index', 'INDEX', { index: 'none' }, { index: 'none' }],
  ['track-0', 'TRACK 0', { home: 'bangs' }, { home: 'wrong' }],
  ['write-protect', 'WRITE PROTECT', { protect: 'never' }, { protect: 'always' }],
  ['read-data', 'READ DATA', { 'data-line': 'none' }, { 'data-line': 'none' }],
  ['ready', 'READY', { ready: 'none' }, { 'disk-in': 'always' }],
  ['change', 'DISK CHANGE', { change: 'none' }, { change: 'none' }],
] as const
/** Lines that the host makes, and what fails where the drive does not hear them, or always does. */
const IN = [
  ['select', 'DRIVE SELECT', { select: 'none' }, { select: 'always' }],
  ['motor', 'MOTOR ON', { 'motor-on': 'none' }, { 'motor-on': 'always' }],
  ['step', 'STEP', { carriage: 'none' }, { carriage: 'none' }],
  ['direction', 'DIRECTION', { home: 'none' }, { home: 'bangs' }],
  ['side', 'SIDE SELECT', { 'head-upper': 'none' }, { 'head-lower': 'none' }],
  ['write-gate', 'WRITE GATE', { write: 'none' }, { care: 'none' }],
  ['density', 'DENSITY SELECT', { density: 'wrong' }, { density: 'wrong' }],
] as const

const lineOf = (line: string) => {
  if (line === 'density') return on('5.25in-96', '3.5in')
  if (line === 'step' || line === 'direction') return both(SELECTED, STEPPED)
  if (line === 'change') return both(INDEXED, SELECTED, notOn('8in', '3in'))
  return line === 'index' || line === 'track-0' || line === 'ready' ? both(SELECTED, INDEXED) : SELECTED
}

const driverFaults: Fault[] = OUT.flatMap(([line, name, open, shorted]) => [
  fault(`line-driver.open:${line}`, `The driver of ${name} is open`, 2.5, {
    when: lineOf(line),
    ways: [[0.95, open]],
    shows: {
      [`line.${line}`]: { 'stuck high': 0.6, still: 0.3 },
      ...(line === 'change' ? { 'change.without-disk': { never: 0.93 } } : {}),
    },
    cure: [`Compare input and output of the driver of ${name}, then replace it.`, 30, 1],
  }),
  fault(`line-driver.shorted:${line}`, `The driver of ${name} holds its line low`, 2, {
    when: lineOf(line),
    ways: [[0.95, shorted]],
    shows: {
      [`line.${line}`]: { 'stuck low': 0.92 },
      [`line.${line}.alone`]: { low: 0.93 },
      // A change that is told always does not go with a step.
      ...(line === 'change' ? { 'change.with-disk': { stays: 0.93 }, 'change.without-disk': { stays: 0.93 } } : {}),
      'line.stuck': { yes: 0.3 },
    },
    cure: [`Cable off: where ${name} stays low at the drive, replace its driver.`, 30, 1],
  }),
])

const receiverFaults: Fault[] = IN.flatMap(([line, name, open, shorted]) => [
  fault(`line-receiver.open:${line}`, `The receiver of ${name} does not answer`, 1.8, {
    when: lineOf(line),
    ways: [[0.95, open]],
    shows: { [`line.${line}`]: { right: 0.9 }, [`line.${line}.behind`]: { still: 0.85, between: 0.1 } },
    cure: [`Compare input and output of the receiver of ${name}, then replace it.`, 30, 1],
  }),
  fault(`line-receiver.shorted:${line}`, `The receiver of ${name} holds its line low`, 1, {
    when: lineOf(line),
    ways: [[0.95, shorted]],
    shows: {
      [`line.${line}`]: { 'stuck low': 0.85, between: 0.1 },
      [`line.${line}.alone`]: { low: 0.9 },
      [`line.${line}.behind`]: { still: 0.9 },
      'line.stuck': { yes: 0.25 },
    },
    cure: [`Cable off: where ${name} stays low at the drive, replace its receiver.`, 30, 1],
  }),
])

/** Cable, straps and host. Odds and chances from memory. */
export const INTERFACE: Subsystem = {
  parts: [
    part('line-driver', 'Line driver'),
    part('line-receiver', 'Line receiver'),
    part('straps', 'Straps'),
    part('strap', 'A strap'),
    part('terminator', 'Terminator'),
    part('interface-cable', 'Data cable'),
    part('host', 'Host'),
  ],
  faults: [
    ...driverFaults,
    ...receiverFaults,
    fault('straps.wrong', 'A strap is set for another host or number', 18, {
      source: 'common practice',
      when: SELECTED,
      ways: [
        [0.5, { select: 'none' }],
        [0.2, { ready: 'none' }],
        [0.15, { change: 'none' }],
        [0.1, { 'motor-on': 'none' }],
      ],
      shows: { 'straps.looked': { other: 0.75 }, 'see.other-number': { answers: 0.5 } },
      cure: ['Compare the straps with what the host expects, and set them.', 12],
    }),
    fault('strap.missing', 'A strap is missing', 6, {
      when: SELECTED,
      ways: [
        [0.5, { select: 'none' }],
        [0.25, { 'motor-on': 'none' }],
        [0.2, { ready: 'none' }],
      ],
      shows: { 'straps.looked': { missing: 0.8 }, 'history.inside': { yes: 0.5 } },
      cure: ['Fit the strap that identical drives have.', 10],
    }),
    fault('terminator.missing', 'The terminator is missing', 6, {
      when: SELECTED,
      ways: [
        [0.3, { 'data-line': 'unsteady' }],
        [0.2, { select: 'none' }],
        [0.2, { carriage: 'misses' }],
      ],
      shows: { 'straps.looked': { terminator: 0.7 }, 'line.step': { unsteady: 0.3 } },
      cure: ['Fit the terminator on the last drive of the cable.', 8],
    }),
    fault('terminator.extra', 'One terminator too many', 4, {
      when: SELECTED,
      ways: [
        [0.4, { 'data-line': 'unsteady' }],
        [0.2, { 'data-line': 'none' }],
      ],
      shows: { 'straps.looked': { terminator: 0.7 } },
      cure: ['Take the terminator off every drive but the last.', 8],
    }),
    fault('interface-cable.reversed', 'The data cable is reversed', 14, {
      source: 'common practice',
      when: SELECTED,
      ways: [
        [0.85, { select: 'always', 'motor-on': 'always', 'data-line': 'none' }],
        [0.1, { select: 'none' }],
      ],
      shows: { 'see.lamp': { always: 0.85 }, 'history.inside': { yes: 0.5 }, 'see.cable': { reversed: 0.95 } },
      treatments: { 'reseat.plugs': 0.5, 'another.cable': 0.4 },
      cure: ['Power off, look which end is pin 1, and turn the plug round.', 4],
    }),
    fault('interface-cable.shifted', 'The data cable is shifted by a row of pins', 5, {
      when: SELECTED,
      ways: [
        [0.6, { select: 'none' }],
        [0.2, { 'data-line': 'none' }],
        [0.15, { carriage: 'none' }],
      ],
      shows: { 'see.cable': { shifted: 0.95 }, 'history.inside': { yes: 0.5 }, 'line.select': { still: 0.8 } },
      treatments: { 'reseat.plugs': 0.75 },
      cure: ['Power off, and put the plug on so that no pin is left free.', 4],
    }),
    fault('interface-cable.crimp', 'A contact of the data cable is bad', 14, {
      ways: [
        [0.15, { 'data-line': 'none' }],
        [0.2, { 'data-line': 'unsteady' }],
        [0.12, { select: 'none' }],
        [0.06, { spin: 'sometimes', select: 'none' }],
        [0.1, { link: 'unsteady' }],
        [0.1, { carriage: 'none' }],
        [0.08, { index: 'none' }],
        [0.08, { 'head-upper': 'none' }],
      ],
      intermittent: true,
      shows: {
        'line.select': { still: 0.2 },
        'wiggle.wire': { changes: 0.7 },
        'press.connector': { changes: 0.4 },
        covers: { 'off only': 0.2, 'on only': 0.1 },
      },
      treatments: { 'another.cable': 0.92, 'reseat.plugs': 0.2 },
      cure: ['Try another cable; check the contact of each wire by an ohmmeter.', 10],
    }),
    fault('interface-cable.twist', 'The cable’s twist does not fit the strap', 8, {
      when: SELECTED,
      ways: [
        [0.6, { select: 'none' }],
        [0.3, { 'motor-on': 'none' }],
      ],
      shows: { 'line.select': { still: 0.7 }, 'see.cable': { twist: 0.8 }, 'see.other-number': { answers: 0.85 } },
      treatments: { 'another.cable': 0.6 },
      cure: ['Use the plug of the cable, or the strap, that belongs to this drive number.', 6],
    }),
    fault('host.controller', 'The controller of the host fails', 4, {
      ways: [
        [0.45, { host: 'none' }],
        [0.45, { host: 'none', select: 'none', link: 'none' }],
      ],
      shows: { 'line.select': { still: 0.5 }, 'line.motor': { still: 0.5 }, 'line.step': { still: 0.5 } },
      treatments: { 'another.host': 0.95 },
      cure: ['Use the drive on another host; mend the controller.', 20],
    }),
    fault('host.settings', 'The host is set for another drive', 20, {
      ways: [
        [0.75, { host: 'wrong' }],
        [0.1, { change: 'none' }],
      ],
      shows: { 'host.setup': { other: 0.85 } },
      treatments: { 'another.host': 0.8 },
      cure: ['Set type, tracks, heads and density of the drive in the host.', 8],
    }),
  ],
}
