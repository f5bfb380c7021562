import { step, type Procedure } from '../procedure'

/** Motor, leads, belt (common practice; minutes from memory). */
export const TURNING: readonly Procedure[] = [
  {
    id: 'change-motor',
    title: 'Change the spindle motor',
    parts: ['motor', 'pulley'],
    compare: [
      'voltage and speed on the plate; a suffix letter may hide another motor',
      'shaft: diameter and free length',
      'mounting holes, and height over the plate',
      'wiring: which lead is which, and the tachometer',
    ],
    steps: [
      step('belt', 'Take the belt off by hand', 'Never with a blade: a nick tears.', 3, { when: { has: 'belt' } }),
      step('leads', 'Note where each lead goes, then unsolder or unplug', 'Colours are not evidence.', 8, {
        tools: ['marker', 'soldering iron'],
        cautions: ['solder'],
      }),
      step(
        'pulley',
        'Bring the pulley over to the new shaft at the same height',
        'The belt climbs where its pulley stands higher than the old one.',
        8,
        {
          tools: ['calipers'],
          when: { has: 'belt' },
        },
      ),
      step('in', 'Fit it, screws crosswise', 'A motor that stands askew throws its belt.', 8, {
        tools: ['screwdriver that fits'],
      }),
      step(
        'length',
        'Extend leads that are too short, and tie them clear',
        'A lead in the belt is the end of both. 20 AWG is usual.',
        12,
        {
          tools: ['soldering iron', 'heat-shrink', 'ties'],
          cautions: ['solder'],
        },
      ),
      step('hand', 'Turn it by hand twenty turns', 'Free, quiet, nothing touched.', 2),
    ],
  },
  {
    id: 'mend-leads',
    title: 'Mend the leads of the spindle motor',
    parts: ['spindle-motor-lead'],
    compare: [],
    steps: [
      step(
        'find',
        'Find the break with an ohmmeter while you bend the lead',
        'It breaks where it bends: at the motor or behind a clip.',
        10,
        {
          tools: ['multimeter'],
        },
      ),
      step(
        'splice',
        'Cut the break out, splice, heat-shrink over it',
        'A twisted joint without heat-shrink shorts on the chassis.',
        12,
        {
          tools: ['soldering iron', 'heat-shrink'],
          cautions: ['solder'],
        },
      ),
      step('tie', 'Tie it well clear of belt and flywheel', 'It is pulled again at the next opening.', 3, {
        tools: ['ties'],
      }),
    ],
  },
  {
    id: 'change-belt',
    title: 'Change the belt',
    parts: ['belt'],
    compare: ['inside length and section', 'kind: square, flat, reinforced'],
    when: { has: 'belt' },
    steps: [
      step('off', 'Take the old one off, with every rest of it', 'What is left of it winds round the spindle.', 8, {
        tools: ['gloves', 'wooden stick', 'paper'],
      }),
      step(
        'clean',
        'Clean pulley, flywheel and idlers until the swab stays clean',
        'A new belt slips on what the old one left.',
        12,
        {
          tools: ['swabs', 'isopropyl alcohol'],
          cautions: ['alcohol'],
          wait: { what: 'Pulleys dry to the bone', minutes: 15, rests: ['power'] },
        },
      ),
      step('on', 'Lay it on with dry hands, flywheel first', 'Skin oil makes it slip.', 4, { tools: ['dry hands'] }),
      step('hand', 'Turn it by hand twenty turns', 'It must stay in the middle of its pulleys.', 3),
    ],
  },
]
