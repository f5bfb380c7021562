import { step, type Procedure } from '../procedure'

/** Capacitors, chips, headers, wires (common practice; minutes from memory). */
export const BOARD: readonly Procedure[] = [
  {
    id: 'change-capacitors',
    title: 'Change capacitors, pads damaged or not',
    parts: ['capacitor'],
    compare: ['same capacitance', 'same or higher voltage', 'height and pitch', 'which lead is negative'],
    steps: [
      step('polarity', 'Photograph each with its polarity', 'The print on the board is sometimes wrong.', 3, {
        tools: ['camera'],
      }),
      step(
        'neutral',
        'Neutralise what leaked, rinse, dry',
        'Solder does not take on what leaked, and traces go on dissolving.',
        15,
        {
          tools: ['white vinegar', 'toothbrush', 'deionised water', 'isopropyl alcohol'],
          cautions: ['leakage', 'acid', 'alcohol'],
          wait: { what: 'Board dries', minutes: 60, rests: ['power'] },
          when: { found: ['caps.leaking', 'corrosion.green', 'corrosion.white'] },
        },
      ),
      step(
        'out',
        'Take each off: two irons, or cut the can and lift the feet',
        'Twisting a can off lifts eaten pads.',
        20,
        {
          tools: ['soldering iron', 'cutters'],
          cautions: ['solder', 'leakage'],
        },
      ),
      step(
        'pads',
        'Look at each pad with a lens, and check its trace by ohms',
        'A pad that is gone is bridged to the next point of its trace.',
        10,
        {
          tools: ['lens', 'multimeter', 'thin wire'],
        },
      ),
      step('in', 'Fit the new ones, polarity against the photo', 'One that is the wrong way round bursts.', 20, {
        tools: ['capacitors', 'soldering iron', 'flux'],
        cautions: ['solder'],
      }),
      step('shorts', 'Measure the supply pins for a short', 'Before any power.', 3, { tools: ['multimeter'] }),
    ],
  },
  {
    id: 'change-motor-capacitor',
    title: 'Have the capacitor of a mains motor changed',
    parts: ['motor-capacitor'],
    compare: ['same capacitance', 'rated for mains, with the same letters on its print'],
    steps: [
      step(
        'qualified',
        'Leave it to a qualified person',
        'It stands across the mains and may hold its charge with the plug out; local rules prevail.',
        5,
        { cautions: ['mains'] },
      ),
    ],
  },
  {
    id: 'change-chip',
    title: 'Change a chip, in a socket or soldered',
    parts: [
      'regulator',
      'logic-chip',
      'line-driver',
      'line-receiver',
      'read-amplifier',
      'write-driver',
      'erase',
      'stepper-driver',
      'processor',
      'program-memory',
      'memory',
      'port-chip',
      'clock',
      'reset',
      'decoder',
      'bus-driver',
      'bus-receiver',
      'bus-chip',
    ],
    compare: ['type as marked, with its family letters', 'number of pins', 'where pin 1 is'],
    steps: [
      step('one', 'Mark pin 1 on the board', 'Turned round it dies at once.', 2, { tools: ['marker'] }),
      step(
        'socket',
        'In a socket: lift both ends by turns, little by little',
        'Its legs bend, and the board with it.',
        3,
        { tools: ['flat lever'] },
      ),
      step(
        'solder',
        'Soldered: cut the legs at the body, then take each out alone',
        'The chip is lost anyway; the board is not.',
        20,
        {
          tools: ['cutters', 'soldering iron', 'wick'],
          cautions: ['solder'],
        },
      ),
      step(
        'fit',
        'Soldered: fit a socket, and look at both sides of the board',
        'The next change is easy; a lifted pad shows now.',
        15,
        {
          tools: ['socket', 'lens', 'soldering iron'],
          cautions: ['solder'],
        },
      ),
      step('in', 'Press the new one home, straight', 'A leg that folded under reads as a dead chip.', 3, {
        tools: ['lens'],
      }),
      step('shorts', 'Measure the supply pins for a short', 'Before any power.', 3, { tools: ['multimeter'] }),
    ],
  },
  {
    id: 'change-crimp',
    title: 'Remake a contact of a cable',
    parts: ['interface-cable', 'power-cable', 'connector'],
    compare: ['number of contacts and their pitch', 'which end is pin 1'],
    steps: [
      step(
        'find',
        'Wiggle each wire while you measure it',
        'A crimp that pierced the sheath fails only when it is moved.',
        8,
        { tools: ['multimeter'] },
      ),
      step(
        'out',
        'Lift the latch of the contact and pull it out to the rear',
        'Pulled without that the housing breaks.',
        4,
        { tools: ['needle'] },
      ),
      step(
        'crimp',
        'Crimp a new contact: bare wire in front, sheath behind',
        'Each of the two claws holds its own.',
        5,
        { tools: ['crimp contacts', 'crimping tool'] },
      ),
      step('in', 'Push it in until it latches, and pull gently', 'One that slides back makes contact now and then.', 2),
    ],
  },
  {
    id: 'stuck-screw',
    title: 'Free a stuck or soft screw',
    parts: ['screws'],
    compare: ['thread and length', 'head'],
    steps: [
      step('fits', 'Take a driver that fills the slot', 'A small one rounds it off.', 2, {
        tools: ['screwdriver that fits'],
      }),
      step('soak', 'One drop of penetrating oil, away from belt and heads', 'It creeps into the thread by itself.', 2, {
        tools: ['penetrating oil'],
        cautions: ['belt-oil'],
        wait: { what: 'Penetrating oil soaks', minutes: 720, rests: ['power'] },
      }),
      step(
        'tighten',
        'Press down, turn a hair tighter first, then out',
        'It breaks the rust without shearing the head.',
        3,
      ),
      step(
        'slot',
        'Head gone: file a slot, or lift it with pliers from the side',
        'Drilling leaves chips near heads and board: cover them, and vacuum.',
        15,
        {
          tools: ['needle file', 'pliers', 'tape'],
          cautions: ['springs'],
        },
      ),
    ],
  },
]
