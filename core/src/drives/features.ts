import { byMechanism, findMechanism } from './catalogue'
import { NO_FEATURES, type Features, type FeatureTag } from './feature-range'
import type { MechanismId } from './types'

/** What each class can have. */
export const FEATURE_RANGES = byMechanism(m => m.features)

/** Heads of a drive as far as it was said; the most that its type has where nobody said. */
export const headsOf = (mechanism: MechanismId, said?: 1 | 2 | null): 1 | 2 =>
  said ?? (Math.max(...FEATURE_RANGES[mechanism].heads) as 1 | 2)

/**
 * What a drive surely has: what was said of it, and what its type has no choice in. A part that nobody said exists is
 * not among them.
 */
export function certainFeatures(mechanism: MechanismId, said: Features = NO_FEATURES): Set<FeatureTag> {
  const range = findMechanism(mechanism).features
  const only = <T>(value: T | null, all: readonly T[]): T | null => value ?? (all.length === 1 ? all[0]! : null)
  return possibleFeatures(
    mechanism,
    {
      ...said,
      spindle: only(said.spindle, range.spindle),
      carriage: only(said.carriage, range.carriage),
      heads: only(said.heads, range.heads),
      loading: only(said.loading, range.loading),
    },
    'certain',
  )
}

/**
 * Everything that a drive may have: what was said of it, and where nothing was said all that its class can have. A
 * step for belts is thus shown until somebody has seen that there is none. Hard sectors and picture tubes are taken
 * to be absent until said, for they are rare and plain to see.
 */
export function possibleFeatures(
  mechanism: MechanismId,
  said: Features = NO_FEATURES,
  how: 'possible' | 'certain' = 'possible',
): Set<FeatureTag> {
  const { features: range, tags: always } = findMechanism(mechanism)
  const tags = new Set<FeatureTag>(always)
  const add = <T>(value: T | null, all: readonly T[], tag: (v: T) => FeatureTag) => {
    for (const v of value === null ? (how === 'possible' ? all : []) : [value]) tags.add(tag(v))
  }
  add(said.spindle, range.spindle, v => v)
  add(said.carriage, range.carriage, v => v)
  add(said.heads, range.heads, v => (v === 1 ? 'one-head' : 'two-heads'))
  add(said.loading, range.loading, v => v)
  if (said.ownProcessor ?? range.ownProcessor[0]) tags.add('own-processor')
  if (said.hardSectored) tags.add('hard-sectored')
  if (said.phasesFromHost) tags.add('phases-from-host')
  if (said.pictureTube) tags.add('picture-tube')
  return tags
}
