/**
 * What a hand can move to align a drive, in the order in which it is moved: one at a time, the sensor before the
 * heads.
 */
export const ADJUSTER_IDS = ['sensor', 'tab', 'stepper', 'lower', 'upper'] as const
export type AdjusterId = (typeof ADJUSTER_IDS)[number]

export const ADJUSTER_NAMES: Readonly<Record<AdjusterId, string>> = {
  sensor: 'track-zero sensor',
  tab: 'sensor tab',
  stepper: 'stepper body',
  lower: 'lower head',
  upper: 'upper head',
}

/** The heads that an adjuster moves: what carries or stops the carriage moves both, a head's own screws only one. */
export const ADJUSTER_MOVES: Readonly<Record<AdjusterId, readonly ('lower' | 'upper')[]>> = {
  sensor: ['lower', 'upper'],
  tab: ['lower', 'upper'],
  stepper: ['lower', 'upper'],
  lower: ['lower'],
  upper: ['upper'],
}

/** Place of an adjuster in the vocabulary of findings, where its lacquer is looked at. */
export const ADJUSTER_PLACES: Readonly<Record<AdjusterId, string>> = {
  sensor: 'track-zero sensor',
  tab: 'track-zero sensor',
  stepper: 'stepper body',
  lower: 'lower head screws',
  upper: 'upper head screws',
}

/** Scales that adjusters have or are given: what stands at the mark, what a screw has turned, what calipers say. */
export const SCALES = { marks: 'marks', degrees: '°', turns: 'turns', tenths: '0.1 mm' } as const
export type ScaleId = keyof typeof SCALES
