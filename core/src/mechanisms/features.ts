import type { MechanismId } from './types'

/** What differs between drives of one class. `null` where nobody has said yet. */
export interface Features {
  readonly spindle: 'belt' | 'direct' | null
  readonly carriage: 'screw' | 'band' | 'spiral' | null
  readonly heads: 1 | 2 | null
  readonly loading: 'lever' | 'push-in' | null
  readonly ownProcessor: boolean | null
  readonly hardSectored: boolean | null
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
  readonly pictureTube: readonly boolean[]
}

export const FEATURE_RANGES: Readonly<Record<MechanismId, FeatureRange>> = {
  '8in': {
    spindle: ['belt', 'direct'],
    carriage: ['screw', 'band'],
    heads: [1, 2],
    loading: ['lever'],
    ownProcessor: [false],
    hardSectored: [false, true],
    pictureTube: [false, true],
  },
  '5.25in-48': {
    spindle: ['belt', 'direct'],
    carriage: ['band', 'spiral'],
    heads: [1, 2],
    loading: ['lever'],
    ownProcessor: [false],
    hardSectored: [false, true],
    pictureTube: [false, true],
  },
  '5.25in-96': {
    spindle: ['direct', 'belt'],
    carriage: ['band'],
    heads: [2],
    loading: ['lever'],
    ownProcessor: [false],
    hardSectored: [false],
    pictureTube: [false, true],
  },
  '5.25in-serial': {
    spindle: ['belt', 'direct'],
    carriage: ['band', 'spiral'],
    heads: [1, 2],
    loading: ['lever'],
    ownProcessor: [true],
    hardSectored: [false],
    pictureTube: [false, true],
  },
  '3.5in': {
    spindle: ['direct'],
    carriage: ['screw', 'band'],
    heads: [2, 1],
    loading: ['push-in'],
    ownProcessor: [false],
    hardSectored: [false],
    pictureTube: [false, true],
  },
  '3.5in-eject': {
    spindle: ['direct'],
    carriage: ['screw'],
    heads: [2, 1],
    loading: ['push-in'],
    ownProcessor: [false],
    hardSectored: [false],
    pictureTube: [false, true],
  },
  '3in': {
    spindle: ['belt', 'direct'],
    carriage: ['screw', 'band'],
    heads: [1, 2],
    loading: ['push-in', 'lever'],
    ownProcessor: [false],
    hardSectored: [false],
    pictureTube: [false, true],
  },
  'quick-disk': {
    spindle: ['belt'],
    carriage: ['spiral'],
    heads: [1],
    loading: ['push-in', 'lever'],
    ownProcessor: [false],
    hardSectored: [false],
    pictureTube: [false],
  },
  cartridge: {
    spindle: ['direct'],
    carriage: [],
    heads: [2],
    loading: ['push-in'],
    ownProcessor: [true],
    hardSectored: [false],
    pictureTube: [false],
  },
}

/**
 * Everything that a drive may have: what was said of it, and where nothing was said all that its class can have. A
 * step for belts is thus shown until somebody has seen that there is none. Hard sectors and picture tubes are taken
 * to be absent until said, for they are rare and plain to see.
 */
export function possibleFeatures(mechanism: MechanismId, said: Features = NO_FEATURES): Set<FeatureTag> {
  const range = FEATURE_RANGES[mechanism]
  const tags = new Set<FeatureTag>()
  const add = <T>(value: T | null, all: readonly T[], tag: (v: T) => FeatureTag) => {
    for (const v of value === null ? all : [value]) tags.add(tag(v))
  }
  add(said.spindle, range.spindle, v => v)
  add(said.carriage, range.carriage, v => v)
  add(said.heads, range.heads, v => (v === 1 ? 'one-head' : 'two-heads'))
  add(said.loading, range.loading, v => v)
  if (mechanism === '3.5in-eject') tags.add('motorised-eject')
  if (mechanism === 'cartridge') tags.add('servo')
  if (said.ownProcessor ?? range.ownProcessor[0]) tags.add('own-processor')
  if (said.hardSectored) tags.add('hard-sectored')
  if (said.pictureTube) tags.add('picture-tube')
  return tags
}
