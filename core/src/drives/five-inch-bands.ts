import { fromMemory, sourced } from './provenance'
import type { SpeedLimits } from './types'

/** Speed bands that the 5.25-inch classes share. */
export const bands: Pick<SpeedLimits, 'narrow' | 'wide' | 'variation'> = {
  narrow: sourced(0.5, '%', fromMemory),
  wide: sourced(1.5, '%', fromMemory),
  variation: sourced(1.5, '%', fromMemory),
}
