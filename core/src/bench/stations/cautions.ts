import type { Condition } from '../../findings'

export type CautionId =
  | 'tube'
  | 'mains'
  | 'alcohol'
  | 'solder'
  | 'leakage'
  | 'acid'
  | 'springs'
  | 'spinning'
  | 'infrared'
  | 'heavy'
  | 'belt-oil'
  | 'plastic-only'
  | 'last-good'
  | 'pin-falls'
  | 'carrier'

/** What can hurt a person, a disk or the drive. */
export interface Caution {
  readonly id: CautionId
  readonly text: string
  /** High voltage and mains: to be acknowledged once a sitting before the work goes on. */
  readonly acknowledge?: true
  readonly when?: Condition
}

/** Worded in the sense of general workshop safety rules; local rules prevail everywhere. */
export const CAUTIONS: Readonly<Record<CautionId, Caution>> = {
  tube: {
    id: 'tube',
    acknowledge: true,
    when: { has: 'picture-tube' },
    text: 'A picture tube holds high voltage long after switch-off. Leave it to qualified people; local rules prevail.',
  },
  mains: {
    id: 'mains',
    acknowledge: true,
    when: { any: [{ has: 'picture-tube' }, { mechanism: ['8in'] }] },
    text: 'Open supplies and mains motors carry mains voltage. Plug out, and let a qualified person do what your local rules ask for.',
  },
  alcohol: { id: 'alcohol', text: 'Alcohol vapour burns: ventilate, no flame, no iron until it is dry.' },
  solder: {
    id: 'solder',
    text: 'Solder holds lead and flux fumes irritate: ventilate, wash your hands, eat elsewhere.',
  },
  leakage: { id: 'leakage', text: 'Leaked electrolyte and corrosion dust: gloves, eyes covered, wash afterwards.' },
  acid: { id: 'acid', text: 'Acid and alkali in small amounts, and never mixed with other cleaners.' },
  springs: { id: 'springs', text: 'Springs and sharp blades: keep your eyes out of their way.' },
  spinning: { id: 'spinning', text: 'Keep sleeves and hair off what turns.' },
  infrared: { id: 'infrared', text: 'Never look for infrared by eye: use a camera.' },
  heavy: { id: 'heavy', when: { mechanism: ['8in'] }, text: 'It is heavy: two hands, no fingers under.' },
  'belt-oil': { id: 'belt-oil', when: { has: 'belt' }, text: 'No oil near belt and pulleys.' },
  'plastic-only': { id: 'plastic-only', text: 'A metal blade across the board shorts it: plastic only.' },
  'last-good': { id: 'last-good', text: 'A disk that matters goes in last, never first.' },
  'pin-falls': {
    id: 'pin-falls',
    when: { mechanism: ['3in'] },
    text: 'Do not turn it over with its board lifted: the write-protect pin falls out.',
  },
  carrier: {
    id: 'carrier',
    when: { has: 'two-heads' },
    text: 'Never lift a carrier straight up when the upper head hangs from it.',
  },
}
