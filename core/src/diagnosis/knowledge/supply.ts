import { SELECTED, both, has, notOn, on } from './functions'
import { fault, part } from './fault'
import type { Subsystem } from './types'

/** Supply, capacitors, board. Odds and chances from memory. */
export const SUPPLY: Subsystem = {
  parts: [
    part('supply', 'Power supply'),
    part('power-cable', 'Power cable'),
    part('regulator', 'Voltage regulator'),
    part('fuse', 'Fuse'),
    part('capacitor', 'Capacitors of the main board'),
    part('joint', 'Solder joints'),
    part('trace', 'Traces of the board'),
    part('connector', 'Plugs and sockets'),
    part('chip', 'Chips in sockets'),
    part('logic-chip', 'Logic chips'),
    part('lamp', 'Lamp'),
  ],
  faults: [
    fault('supply.missing', 'A supply voltage is missing', 12, {
      ways: [
        [0.6, { 'supply-5v': 'none' }],
        [0.38, { 'supply-12v': 'none' }],
      ],
      shows: { 'supply.source': { missing: 0.97 } },
      cure: ['Measure both voltages at the drive’s plug under load; mend or replace the supply.', 25],
    }),
    fault('supply.low', 'A supply voltage sags under load', 12, {
      ways: [
        [0.6, { 'supply-5v': 'low' }],
        [0.35, { 'supply-12v': 'low' }],
      ],
      shows: { 'supply.source': { low: 0.85 }, 'see.draw': { 'too much': 0.3 } },
      cure: ['Use a supply with headroom, or renew the capacitors of this one.', 30],
    }),
    fault('supply.noisy', 'The supply is noisy', 7, {
      ways: [[0.8, { 'supply-5v': 'noisy' }]],
      shows: { 'supply.5v.ripple': { high: 0.9 } },
      cure: ['Try another supply; renew the filter capacitors of this one.', 30],
    }),
    fault('power-cable.crimp', 'A crimp of the power cable is bad', 7, {
      ways: [
        [0.25, { 'supply-5v': 'none' }],
        [0.2, { 'supply-12v': 'none' }],
        [0.3, { spin: 'sometimes' }],
        [0.1, { 'supply-5v': 'low' }],
        [0.1, { 'supply-5v': 'noisy' }],
      ],
      intermittent: true,
      shows: {
        'wiggle.wire': { changes: 0.6 },
        'press.connector': { changes: 0.4 },
        covers: { 'off only': 0.15, 'on only': 0.1 },
      },
      treatments: { 'reseat.plugs': 0.35, 'another.cable': 0.15 },
      cure: ['Wiggle each wire while you measure the voltage; replace the contact.', 20],
    }),
    fault('power-cable.wrong', 'The power cable is wired wrongly', 3, {
      ways: [[0.9, { 'supply-5v': 'none' }]],
      shows: { 'see.hot': { hot: 0.5 }, 'history.inside': { yes: 0.7 }, 'found.supply': { 'supply.colours': 0.4 } },
      treatments: { 'another.cable': 0.1 },
      cure: [
        'Power off. Measure each contact and check continuity to a supply pin of a logic chip before you connect.',
        20,
        10,
      ],
      harms: { power: 0.7 },
    }),
    fault('regulator.low', 'The 5 V regulator of the drive fails', 6, {
      when: on('5.25in-serial', '8in'),
      ways: [
        [0.5, { 'supply-5v': 'none' }],
        [0.4, { 'supply-5v': 'low' }],
      ],
      shows: { 'regulator.in': { right: 0.95 }, 'see.hot': { hot: 0.3 }, 'found.shorts': { 'shorts.low': 0.1 } },
      cure: ['Check for a short behind it, then replace the regulator.', 35],
    }),
    fault('fuse.open', 'A fuse or fusible part is open', 6, {
      ways: [
        [0.65, { 'supply-5v': 'none' }],
        [0.3, { 'supply-12v': 'none' }],
      ],
      shows: {
        'ohms.fuse': { open: 0.97 },
        'found.smell': { 'smell.burnt': 0.1 },
        'found.damage': { 'damage.burn': 0.1 },
      },
      cure: ['Find why it opened: check for a short first; then fit one of the same rating.', 25],
      brings: { 'capacitor.shorted': 6 },
    }),
    fault('capacitor.leaked', 'Capacitors have leaked', 30, {
      era: [
        { from: 1987, to: 1996, factor: 3 },
        { from: 1970, to: 1985, factor: 0.4 },
      ],
      ways: [
        [0.15, { 'supply-5v': 'noisy' }],
        [0.12, { channel: 'noisy' }],
        [0.12, { spin: 'none' }],
        [0.1, { speed: 'uneven' }],
        [0.1, { logic: 'none' }],
        [0.1, { 'disk-in': 'none' }],
        [0.1, { channel: 'none' }],
        [0.08, { carriage: 'none' }],
      ],
      shows: {
        'found.caps': { 'caps.leaking': 0.6, 'caps.bulged': 0.1, 'caps.low': 0.1 },
        'found.smell': { 'smell.fish': 0.5 },
        'found.corrosion': { 'corrosion.green': 0.3, 'corrosion.white': 0.25 },
        'warm.changes': { better: 0.2 },
      },
      treatments: { 'clean.board': 0.15 },
      cure: ['Remove them, neutralise, rinse, dry, check the traces, and fit new ones.', 75, 5],
      harms: { power: 0.15 },
      brings: { 'trace.eaten': 8 },
    }),
    fault('capacitor.dry', 'Capacitors have dried out', 14, {
      ways: [
        [0.3, { 'supply-5v': 'noisy' }],
        [0.2, { channel: 'noisy' }],
        [0.15, { speed: 'uneven' }],
        [0.1, { spin: 'sometimes' }],
        [0.1, { 'supply-5v': 'low' }],
      ],
      shows: {
        'found.caps': { 'caps.low': 0.4 },
        'supply.5v.ripple': { high: 0.35 },
        'warm.changes': { better: 0.5 },
        'capacitor.reading': { low: 0.85 },
      },
      cure: ['Measure them out of circuit and replace those that are low or lossy.', 50, 3],
    }),
    fault('capacitor.shorted', 'A capacitor is shorted', 8, {
      ways: [
        [0.7, { 'supply-5v': 'none' }],
        [0.25, { 'supply-12v': 'none' }],
      ],
      shows: {
        'found.damage': { 'damage.burn': 0.25 },
        'found.shorts': { 'shorts.found': 0.9 },
        'ohms.5v': { short: 0.65 },
        'ohms.12v': { short: 0.3 },
        'see.draw': { 'too much': 0.9 },
        'see.hot': { hot: 0.6 },
        'found.smell': { 'smell.burnt': 0.35 },
      },
      cure: ['Power off. Find the shorted part by ohms or warmth at a limited current, and replace it.', 35, 3],
      harms: { power: 0.6 },
    }),
    fault('capacitor.missing', 'A capacitor is missing', 2, {
      ways: [
        [0.4, { 'supply-5v': 'noisy' }],
        [0.3, { channel: 'noisy' }],
      ],
      shows: { 'found.caps': { 'caps.missing': 0.9 }, 'history.inside': { yes: 0.7 } },
      cure: ['Compare with an identical drive, and fit the same value.', 25],
    }),
    fault('logic-chip.shorted', 'A chip is shorted', 6, {
      ways: [
        [0.6, { logic: 'none' }],
        [0.25, { 'supply-5v': 'low' }],
      ],
      shows: {
        'see.hot': { hot: 0.85 },
        'found.chips': { 'chips.spot': 0.35 },
        'found.smell': { 'smell.burnt': 0.35 },
        'ohms.5v': { short: 0.4 },
        'see.draw': { 'too much': 0.6 },
        'current.5v.idle': { high: 0.85 },
        'found.shorts': { 'shorts.low': 0.4, 'shorts.found': 0.3 },
      },
      cure: ['Power off. Replace the chip that gets hot or has a dark spot.', 35, 3],
      harms: { power: 0.3 },
    }),
    fault('joint.cracked', 'A solder joint is cracked', 9, {
      ways: [
        [0.12, { spin: 'sometimes' }],
        [0.12, { 'data-line': 'unsteady' }],
        [0.1, { 'head-lower': 'unsteady' }],
        [0.08, { 'supply-5v': 'noisy' }],
        [0.1, { carriage: 'misses' }],
        [0.08, { 'supply-5v': 'none' }],
        [0.08, { index: 'weak' }],
      ],
      intermittent: true,
      shows: {
        'press.board': { changes: 0.7 },
        'warm.changes': { worse: 0.3, better: 0.2 },
        covers: { 'off only': 0.2, 'on only': 0.1 },
      },
      cure: ['Press and bend the board gently to find it; re-solder the joints there.', 35],
    }),
    fault('trace.eaten', 'A trace is eaten through', 7, {
      ways: [
        [0.12, { logic: 'none' }],
        [0.12, { channel: 'none' }],
        [0.12, { spin: 'none' }],
        [0.1, { carriage: 'none' }],
        [0.1, { index: 'none' }],
        [0.1, { protect: 'always' }],
        [0.1, { 'supply-5v': 'none' }],
      ],
      shows: { 'found.corrosion': { 'corrosion.green': 0.55, 'corrosion.white': 0.2, 'corrosion.black': 0.15 } },
      cure: ['Check continuity of the traces near the leak; bridge the one that is open.', 50, 3],
    }),
    fault('connector.oxidised', 'A plug is oxidised or not seated', 20, {
      source: 'common practice',
      ways: [
        [0.1, { spin: 'none' }],
        [0.1, { spin: 'sometimes' }],
        [0.12, { 'data-line': 'unsteady' }],
        [0.08, { 'data-line': 'none' }],
        [0.1, { carriage: 'none' }],
        [0.1, { index: 'none' }],
        [0.08, { 'supply-5v': 'low' }],
        [0.08, { select: 'none' }],
        [0.06, { link: 'unsteady' }],
      ],
      intermittent: true,
      shows: {
        'found.damage': { 'damage.trace': 0.5 },
        'press.connector': { changes: 0.6 },
        'wiggle.wire': { changes: 0.3 },
        'found.corrosion': { 'corrosion.green': 0.25, 'corrosion.black': 0.1 },
        covers: { 'off only': 0.1 },
        'history.inside': { yes: 0.4 },
      },
      treatments: { 'reseat.plugs': 0.85 },
      cure: ['With power off, take each plug off and put it on again; clean its contacts.', 10],
    }),
    fault('connector.pins-broken', 'Pins of a connector are broken at the base', 4, {
      ways: [
        [0.3, { 'data-line': 'none' }],
        [0.3, { select: 'none' }],
        [0.2, { carriage: 'none' }],
      ],
      shows: { 'found.pins': { 'pins.snapped': 0.3, 'pins.base': 0.6 } },
      cure: ['Replace the header, or wire the line to its trace behind it.', 50],
    }),
    fault('chip.unseated', 'A socketed chip has poor contact', 8, {
      when: has('own-processor'),
      ways: [
        [0.35, { processor: 'none', 'motor-on': 'always' }],
        [0.2, { processor: 'none' }],
        [0.2, { link: 'none' }],
        [0.15, { link: 'unsteady' }],
      ],
      intermittent: true,
      shows: {
        'press.chips': { changes: 0.6 },
        'found.chips': { 'chips.legs': 0.15 },
        'processor.bus': { between: 0.3 },
      },
      treatments: { 'reseat.chips': 0.85 },
      cure: ['With power off, lift each socketed chip a little and press it home again.', 10, 1],
    }),
    fault('lamp.dead', 'The lamp itself is dead', 9, {
      when: notOn('quick-disk'),
      ways: [[0.97, { lamp: 'none' }]],
      cure: ['Replace the lamp; mind its polarity.', 20],
    }),
    fault('logic-chip.dead', 'A logic chip of the board is dead', 8, {
      when: both(SELECTED),
      ways: [
        [0.3, { logic: 'none' }],
        [0.15, { select: 'none' }],
        [0.15, { carriage: 'none' }],
        [0.12, { 'motor-on': 'none' }],
        [0.1, { 'data-line': 'none' }],
      ],
      shows: { 'line.select.behind': { right: 0.8 }, 'found.chips': { 'chips.spot': 0.1 } },
      cure: ['Follow the dead signal with a logic probe from chip to chip; replace the one where it stops.', 60, 3],
    }),
  ],
}
