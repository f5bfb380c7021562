import { step, type Procedure } from '../procedure'

/** Gears, switches, arm (common practice; minutes from memory). */
export const LOADING: readonly Procedure[] = [
  {
    id: 'change-gears',
    title: 'Change gears of the eject',
    parts: ['gears', 'eject-gear', 'gear-housing', 'eject-motor', 'eject-board'],
    compare: [
      'teeth: count them on both',
      'bore and width',
      'housing tabs: whole, tight',
      'motor: turns both ways on its own at its voltage',
    ],
    when: { has: 'motorised-eject' },
    steps: [
      step('layers', 'Photograph each layer of gears as it comes off', 'They go in one way only.', 5, {
        tools: ['camera'],
      }),
      step('count', 'Count broken teeth, and find every one', 'One tooth that stays inside breaks the next gear.', 12, {
        tools: ['lens', 'tray', 'tweezers'],
      }),
      step('wash', 'Wash old grease out', 'Chips of plastic sit in it.', 8, {
        tools: ['swabs', 'isopropyl alcohol'],
        cautions: ['alcohol'],
      }),
      step(
        'in',
        'Fit the gears, a trace of silicone grease on their pins',
        'Lithium grease is doubted on plastics.',
        10,
        { tools: ['silicone grease'] },
      ),
      step('hand', 'Turn the train by hand through a whole eject', 'It must not jump and not bind.', 3),
    ],
  },
  {
    id: 'change-switch',
    title: 'Change a switch',
    parts: ['eject-switch', 'protect-switch', 'disk-in-switch', 'density-switch', 'protect'],
    compare: ['every contact with a meter, pressed and not', 'height at which it acts', 'distance of its pins'],
    steps: [
      step(
        'contacts',
        'Find every contact of the old one, pressed and not',
        'One contact, or two round a common pin, open or closed: none may be assumed.',
        6,
        {
          tools: ['multimeter'],
        },
      ),
      step('out', 'Unsolder it with wick, board cold between the pins', 'A pad that lifts takes its trace along.', 10, {
        tools: ['soldering iron', 'wick', 'flux'],
        cautions: ['solder'],
      }),
      step('in', 'Fit the new one at the same height', 'Too low it never acts, too high it always does.', 8, {
        tools: ['calipers', 'soldering iron'],
        cautions: ['solder'],
      }),
      step(
        'chain',
        'Show both states at the plug, with a disk and without',
        'The drive may invert the level on its way.',
        5,
        {
          tools: ['multimeter', 'sacrificial disk'],
        },
      ),
    ],
  },
  {
    id: 'fit-arm',
    title: 'Fit the shutter arm',
    parts: ['arm'],
    compare: ['length and bend: lay both on each other', 'its spring'],
    when: { mechanism: ['3.5in', '3.5in-eject'] },
    steps: [
      step('fit', 'Fit arm and spring', 'Without it the shutter stays closed and the heads land on it.', 8, {
        tools: ['tweezers'],
        cautions: ['springs'],
      }),
      step(
        'shell',
        'Push an empty shell in and out five times',
        'The arm must open the shutter all the way, and let it go.',
        3,
        { tools: ['empty shell'] },
      ),
    ],
  },
]
