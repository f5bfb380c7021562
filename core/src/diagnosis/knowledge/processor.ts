import { has, on } from './functions'
import { fault, part } from './fault'
import type { Subsystem } from './types'

const OWN = has('own-processor')
const SERIAL = on('5.25in-serial')

/** A drive's own processor and its bus to the host. Odds and chances from memory. */
export const PROCESSOR: Subsystem = {
  parts: [
    part('processor', 'Processor'),
    part('address-line', 'Address line'),
    part('data-line', 'Data line'),
    part('program-memory', 'Program memory'),
    part('memory', 'Memory'),
    part('port-chip', 'Port chip'),
    part('clock', 'Clock'),
    part('reset', 'Reset parts'),
    part('decoder', 'Address decoder'),
    part('bus-driver', 'Driver of the serial bus'),
    part('bus-receiver', 'Receiver of the serial bus'),
    part('bus-chip', 'Interface chip of the bus'),
  ],
  faults: [
    fault('processor.dead', 'The processor is dead', 5, {
      when: OWN,
      ways: [
        [0.75, { processor: 'none', 'motor-on': 'always' }],
        [0.2, { processor: 'none' }],
      ],
      shows: {
        'processor.bus': { still: 0.7, between: 0.1 },
        'processor.irq': { still: 0.55, held: 0.2, good: 0.1 },
        'processor.reset': { good: 0.95 },
        'processor.clock': { good: 0.95 },
      },
      cure: ['Swap the processor with a known-good one.', 20, 2],
    }),
    fault('address-line.open', 'An output of an address line is open', 4, {
      when: OWN,
      ways: [
        [0.7, { processor: 'none', 'motor-on': 'always' }],
        [0.25, { processor: 'none' }],
      ],
      shows: {
        'processor.bus': { between: 0.9 },
        'processor.reset': { good: 0.95 },
        'processor.clock': { good: 0.95 },
      },
      cure: [
        'Follow the line that sits between levels to its driver; the driver, often the processor, is replaced.',
        30,
        2,
      ],
    }),
    fault('data-line.stuck', 'A data line is stuck', 4, {
      when: OWN,
      ways: [
        [0.65, { processor: 'none', 'motor-on': 'always' }],
        [0.3, { processor: 'none' }],
      ],
      shows: { 'processor.bus': { stuck: 0.9 }, 'processor.reset': { good: 0.9 } },
      cure: ['Lift or unplug the chips on the line, one by one, until it is free.', 40, 3],
    }),
    fault('program-memory.bad', 'The program memory is bad', 6, {
      when: OWN,
      ways: [
        [0.5, { processor: 'none', 'motor-on': 'always' }],
        [0.45, { processor: 'flashes' }],
      ],
      shows: {
        'processor.bus': { good: 0.85 },
        'processor.select': { good: 0.7 },
        'processor.reset': { good: 0.95 },
        'processor.irq': { still: 0.4 },
      },
      cure: ['Swap the program memory with a known-good one.', 20, 1],
    }),
    fault('memory.bad', 'The memory is bad', 6, {
      when: OWN,
      ways: [
        [0.5, { processor: 'flashes' }],
        [0.45, { processor: 'none', 'motor-on': 'always' }],
      ],
      shows: { 'processor.bus': { good: 0.85 }, 'processor.reset': { good: 0.95 }, 'see.hot': { hot: 0.15 } },
      cure: ['Swap the memory with a known-good one.', 20, 1],
    }),
    fault('port-chip.bad', 'A port chip is bad', 9, {
      when: OWN,
      ways: [
        [0.3, { link: 'none' }],
        [0.2, { link: 'hangs' }],
        [0.15, { processor: 'flashes' }],
        [0.15, { carriage: 'none' }],
        [0.1, { 'motor-on': 'none' }],
      ],
      shows: {
        'processor.irq': { held: 0.3, still: 0.2 },
        'see.hot': { hot: 0.15 },
        'processor.clock': { good: 0.95 },
      },
      cure: ['Swap the port chips with each other or with known-good ones.', 20, 1],
    }),
    fault('clock.dead', 'The clock is dead', 3, {
      when: OWN,
      ways: [
        [0.67, { processor: 'none', 'motor-on': 'always' }],
        [0.3, { processor: 'none' }],
      ],
      shows: { 'processor.clock': { still: 0.95 }, 'processor.bus': { still: 0.9 }, 'processor.irq': { still: 0.9 } },
      cure: ['Replace crystal or oscillator, then the divider behind it.', 30, 1],
    }),
    fault('reset.held', 'Reset is held', 4, {
      when: OWN,
      ways: [
        [0.67, { processor: 'none', 'motor-on': 'always' }],
        [0.3, { processor: 'none' }],
      ],
      shows: { 'processor.reset': { held: 0.96 }, 'processor.bus': { still: 0.7 }, 'processor.irq': { still: 0.8 } },
      cure: ['Check the capacitor and the logic chip of the reset circuit.', 25, 1],
    }),
    fault('decoder.dead', 'The address decoder is dead', 4, {
      when: OWN,
      ways: [
        [0.65, { processor: 'none', 'motor-on': 'always' }],
        [0.3, { processor: 'none' }],
      ],
      shows: { 'processor.select': { still: 0.92 }, 'processor.bus': { good: 0.7 } },
      cure: ['Compare its inputs with its outputs, then replace it.', 25, 1],
    }),
    fault('bus-driver.held', 'The driver of the serial bus holds a line', 7, {
      when: SERIAL,
      ways: [
        [0.55, { link: 'hangs' }],
        [0.4, { link: 'none' }],
      ],
      shows: {
        'serial.attention.drive': { low: 0.15 },
        'serial.clock.drive': { low: 0.4 },
        'serial.data.drive': { low: 0.5 },
        'line.stuck': { yes: 0.5 },
      },
      cure: ['Cable off: the line that sits low points to its driver; replace it.', 25, 1],
    }),
    fault('bus-receiver.dead', 'The receiver of the serial bus is dead', 6, {
      when: SERIAL,
      ways: [
        [0.85, { link: 'none' }],
        [0.1, { link: 'hangs' }],
      ],
      shows: { 'serial.attention.drive': { low: 0.4, between: 0.2 }, 'see.hot': { hot: 0.1 } },
      cure: ['Replace the receiver of the line whose level is not right.', 25, 1],
    }),
    fault('bus-chip.shorted', 'The interface chip of the bus is shorted', 4, {
      when: SERIAL,
      ways: [
        [0.6, { link: 'hangs' }],
        [0.35, { link: 'none' }],
      ],
      shows: { 'line.stuck': { yes: 0.8 }, 'see.hot': { hot: 0.7 }, 'serial.data.drive': { low: 0.5 } },
      cure: ['Replace the chip that gets hot at the bus.', 25, 1],
    }),
    fault('straps.address', 'The device number is set to another', 6, {
      when: SERIAL,
      ways: [[0.95, { link: 'none' }]],
      shows: { 'straps.looked': { other: 0.9 }, 'see.other-number': { answers: 0.95 } },
      cure: ['Set the straps or switches of the device number.', 8],
    }),
  ],
}
