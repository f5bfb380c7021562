import type { Material, Soil } from '../../drives'
import type { StandingFinding } from '../../findings'

/** Where the cleaning adviser begins. */
export interface ToClean {
  readonly soils: readonly Soil[]
  readonly materials: readonly Material[]
}

/** Every drive has dust, steel and a head. */
const ALWAYS: ToClean = { soils: ['dust'], materials: ['steel', 'head'] }

/** What has to come off a drive, and what is there or close by, as the findings on its log say. */
export function cleaningFrom(found: readonly Pick<StandingFinding, 'finding'>[]): ToClean {
  const hints = found.flatMap(f => f.finding.cleaning ?? [])
  return {
    soils: [...new Set([...ALWAYS.soils, ...hints.flatMap(h => h.soils ?? [])])],
    materials: [...new Set([...ALWAYS.materials, ...hints.flatMap(h => h.materials ?? [])])],
  }
}
