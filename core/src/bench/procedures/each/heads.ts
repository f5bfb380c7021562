import { step, type Procedure } from '../procedure'

/** Heads and what presses a disk to them (common practice; minutes from memory). */
export const HEADS: readonly Procedure[] = [
  {
    id: 'change-heads',
    title: 'Change the heads',
    parts: ['heads', 'lower-head', 'upper-head', 'head-arm', 'head-plug'],
    compare: [
      'sensor tab: whole, same height, same edge',
      'lead: same length, same plug, pin 1 at the same end',
      'height of the arm over the carriage',
      'heads: whole, no chip at an edge, gap clean',
    ],
    steps: [
      step(
        'way',
        'Turn the stepper shaft by hand and watch the carriage',
        'It shows which way the hub lies before anything is loose.',
        3,
        {
          when: { not: { has: 'servo' } },
        },
      ),
      step(
        'mark',
        'Mark where the old assembly stands',
        'Two scratches across base and carriage bring the new one near the track.',
        5,
        {
          tools: ['marker', 'lens'],
        },
      ),
      step(
        'plug',
        'Take the head plug off at the board',
        'A plug that is put on shifted by one pin kills a head: mark pin 1.',
        3,
        {
          tools: ['marker', 'tweezers'],
        },
      ),
      step(
        'free',
        'Free the lead from its clips',
        'It must follow the carriage over its whole travel, on the same path.',
        5,
      ),
      step(
        'out',
        'Undo the screws of the assembly, the upper head held up',
        'The upper head hangs from a thin spring: never lift the carriage by it.',
        15,
        {
          tools: ['screwdriver that fits'],
          cautions: ['carrier'],
        },
      ),
      step('in', 'Put the new one in at the marks, screws just tight', 'It is moved again when it is aligned.', 15, {
        cautions: ['carrier'],
      }),
      step(
        'clear',
        'Move the carriage by hand over the whole travel',
        'The tab must clear its slot with room on both sides, and its edge must cross the light: two things.',
        5,
        {
          tools: ['lens', 'lamp'],
          when: { not: { has: 'servo' } },
        },
      ),
      step(
        'glue',
        'Glue what was glued, and let it cure',
        'Power and carriage rest meanwhile: a tab that creeps while it cures sets track zero wrong.',
        5,
        {
          tools: ['glue'],
          wait: { what: 'Glue cures', minutes: 1440, rests: ['power', 'carriage'] },
          glue: { joins: 'plastic', nearby: ['head', 'window'] },
          when: { found: ['flag.snapped', 'flag.bent'] },
        },
      ),
      step(
        'square',
        'Look whether the upper head is square to the disk',
        'A tilted head reads on one edge only, and scrapes.',
        5,
        {
          tools: ['lens', 'lamp'],
          when: { has: 'two-heads' },
        },
      ),
      step('clean', 'Clean both heads', 'Fingers were near them.', 5, {
        tools: ['lint-free swabs', 'isopropyl alcohol'],
        cautions: ['alcohol'],
      }),
      step(
        'sacrifice',
        'Load a sacrificial disk, turn it by hand, and look at it',
        'A chip that nobody saw cuts a ring at once.',
        5,
        {
          tools: ['sacrificial disk', 'lens'],
        },
      ),
      step(
        'sensor',
        'Set track zero before the heads',
        'The heads are set to tracks that are counted from there.',
        20,
        {
          tools: ['reference disk'],
          when: { not: { mechanism: ['5.25in-serial', 'quick-disk', 'cartridge'] } },
        },
      ),
      step(
        'align',
        'Sweep the adjuster of the heads, set the middle, tighten, read again',
        'Tightening shifts it: all cylinders are read again afterwards.',
        30,
        {
          tools: ['reference disk'],
          when: { not: { has: 'servo' } },
        },
      ),
    ],
  },
  {
    id: 'change-pad',
    title: 'Change the pressure pad',
    parts: ['pad'],
    compare: ['diameter and thickness', 'softness: it gives under a finger nail and comes back'],
    when: { has: 'one-head' },
    steps: [
      step('off', 'Lift the old pad off, and its glue', 'A hard rest of glue presses the disk at one point.', 5, {
        tools: ['wooden stick', 'isopropyl alcohol'],
        cautions: ['alcohol'],
      }),
      step(
        'on',
        'Glue the new pad on, dead centre over the head',
        'Beside the centre it lifts the disk off the head.',
        5,
        {
          tools: ['glue', 'tweezers'],
          wait: { what: 'Glue of the pad', minutes: 1440, rests: ['disk'] },
          glue: { joins: 'felt', nearby: ['head'] },
        },
      ),
    ],
  },
]
