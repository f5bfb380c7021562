/** What differs between drives of one class. `null` where nobody has said yet. */
export interface Features {
  readonly spindle: 'belt' | 'direct' | null
  readonly carriage: 'screw' | 'band' | 'spiral' | null
  readonly heads: 1 | 2 | null
  readonly loading: 'lever' | 'push-in' | null
  readonly ownProcessor: boolean | null
  readonly hardSectored: boolean | null
  /** The host drives the stepper's phases: no index, no track-zero sensor, a knock when homing is normal. */
  readonly phasesFromHost?: boolean | null
  /** One case with a picture tube: high voltage. */
  readonly pictureTube: boolean | null
}

export const FEATURE_TAGS = [
  'belt',
  'direct',
  'screw',
  'band',
  'spiral',
  'one-head',
  'two-heads',
  'lever',
  'push-in',
  'motorised-eject',
  'own-processor',
  'hard-sectored',
  'phases-from-host',
  'picture-tube',
  'servo',
] as const
export type FeatureTag = (typeof FEATURE_TAGS)[number]

export const NO_FEATURES: Features = {
  spindle: null,
  carriage: null,
  heads: null,
  loading: null,
  ownProcessor: null,
  hardSectored: null,
  phasesFromHost: null,
  pictureTube: null,
}

/** What a class can have; the usual one first (from memory). */
export interface FeatureRange {
  readonly spindle: readonly ('belt' | 'direct')[]
  readonly carriage: readonly ('screw' | 'band' | 'spiral')[]
  readonly heads: readonly (1 | 2)[]
  readonly loading: readonly ('lever' | 'push-in')[]
  readonly ownProcessor: readonly boolean[]
  readonly hardSectored: readonly boolean[]
  readonly phasesFromHost?: readonly boolean[]
  readonly pictureTube: readonly boolean[]
}
