import type { Mechanism } from './types'
import type { Source, Sourced } from './provenance'

/** A band of speeds, in r/min, both ends inside. */
export interface SpeedBand {
  readonly low: number
  readonly high: number
  readonly source: Source
}

function band(nominal: number, half: Sourced | null): SpeedBand | null {
  if (!half) return null
  const r = half.unit === '%' ? (nominal * half.value) / 100 : half.value
  return { low: nominal - r, high: nominal + r, source: half.source }
}

/** Both bands about one nominal speed; null where the mechanism's servo leaves nothing to set. */
export function speedBands(
  mechanism: Mechanism,
  nominal: number,
): { narrow: SpeedBand | null; wide: SpeedBand | null } {
  return { narrow: band(nominal, mechanism.speed.narrow), wide: band(nominal, mechanism.speed.wide) }
}

/** The mechanism's nominal speed nearest, by ratio, to a measured one. */
export function nearestNominal(mechanism: Mechanism, rpm: number): number {
  const speeds = mechanism.speed.nominal.map(s => s.value)
  return speeds.reduce((best, s) => (Math.abs(Math.log(rpm / s)) < Math.abs(Math.log(rpm / best)) ? s : best))
}
