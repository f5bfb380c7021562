/** What a strap may decide, as a person sees it: the first answer is right, the others are not. */
export const ASPECTS = {
  select: {
    label: 'Answering',
    meaning: 'the number that the drive answers to',
    answers: { right: 'right', never: 'never', always: 'always' },
    governed: 0.85,
    sound: 0.5,
    // A drive number is chosen by the strap that is set (common practice).
    whileSet: 0.9,
  },
  motor: {
    label: 'Motor',
    meaning: 'when the motor turns',
    answers: { right: 'right', 'runs on': 'runs on', still: 'still' },
    governed: 0.5,
    sound: 0.7,
  },
  ready: {
    label: 'Ready',
    meaning: 'whether READY is on its pin',
    answers: { right: 'comes', missing: 'missing' },
    governed: 0.5,
    sound: 0.5,
  },
  change: {
    label: 'Disk change',
    meaning: 'whether DISK CHANGE is on its pin',
    answers: { right: 'noticed', missing: 'unseen' },
    governed: 0.5,
    sound: 0.5,
  },
  density: {
    label: 'Density',
    meaning: 'what the density follows',
    answers: { right: 'right', wrong: 'wrong' },
    governed: 0.35,
    sound: 0.8,
  },
  heads: {
    label: 'Heads',
    meaning: 'when the heads load',
    answers: { right: 'right', always: 'always', never: 'never' },
    governed: 0.25,
    sound: 0.8,
  },
  lines: {
    label: 'Errors',
    meaning: 'whether the terminator is fitted',
    answers: { right: 'few', some: 'many' },
    governed: 0.35,
    sound: 0.7,
  },
} as const satisfies Readonly<
  Record<
    string,
    {
      readonly label: string
      /** What a strap of this kind decides, as a clause. */
      readonly meaning: string
      readonly answers: Readonly<Record<string, string>>
      /** How often a strap decides it (from memory), and how often it is right where none does. */
      readonly governed: number
      readonly sound: number
      /** How often it is right while its strap is set; half of the time where left out. */
      readonly whileSet?: number
    }
  >
>
export type AspectId = keyof typeof ASPECTS
export const ASPECT_IDS = Object.keys(ASPECTS) as readonly AspectId[]
