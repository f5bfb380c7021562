import type { Question } from './types'

/** Damage that a photo shows best. */
export const damage: readonly Question[] = [
  {
    id: 'damage',
    ask: 'What is damaged? A photo says the rest.',
    topic: 'Damage',
    sense: 'seen',
    several: true,
    places: ['housing or bezel', 'chassis', 'board', 'cable or plug', 'head arm', 'carriage', 'spindle or hub'],
    findings: [
      {
        id: 'damage.none',
        label: 'Nothing that can be seen',
        clean: true,
        call: 'leave',
        means: 'No damage shows from outside.',
        next: 'Continue with the next step.',
      },
      {
        id: 'damage.cracked',
        label: 'Cracked or broken plastic',
        call: 'mend',
        also: 'crack split shattered bezel',
        means: 'What it guided or held is no longer where it was.',
        next: 'Take a photo, keep every piece, and look for one in a donor.',
      },
      {
        id: 'damage.bent',
        label: 'Bent metal',
        call: 'mend',
        also: 'dropped deformed dent warped frame',
        means: 'The drive was dropped or pressed: carriage and spindle may no longer be square.',
        next: 'Take a photo; turn spindle and carriage by hand before any power.',
      },
      {
        id: 'damage.burn',
        label: 'Burn mark',
        call: 'stop',
        also: 'scorched charred blackened soot smoke',
        means: 'A part burnt here; power would burn what is left.',
        next: 'Take a photo; find the part and measure the supply pins for a short.',
      },
      {
        id: 'damage.cut',
        label: 'Cut or chafed lead',
        call: 'mend',
        also: 'torn wire broken wire ribbon split insulation',
        means: 'A line is open, or will touch the chassis.',
        next: 'Take a photo; check continuity, then splice with heat-shrink.',
      },
      {
        id: 'damage.trace',
        label: 'Trace cut or lifted',
        call: 'mend',
        also: 'scratch pad lifted eaten track board track',
        means: 'A connection of the board is open.',
        next: 'Take a photo; check continuity from part to part and bridge it with thin wire.',
      },
      {
        id: 'damage.liquid',
        label: 'Marks of liquid or salt',
        call: 'mend',
        also: 'water spill flood stain residue',
        means: 'Salts conduct when damp and go on eating metal.',
        next: 'Rinse with deionised water, then alcohol, and let it dry for a day before any power.',
      },
    ],
  },
]
