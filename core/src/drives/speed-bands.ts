import type { Mechanism, SpeedZone } from './types'
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

/** The zone whose speed this is, inside the wide band; null where it is none, or the mechanism has no zones. */
export function zoneAt(mechanism: Mechanism, rpm: number): SpeedZone | null {
  const { zones = [], wide } = mechanism.speed
  return zones.find(z => Math.abs(rpm / z.rpm - 1) * 100 <= (wide?.value ?? 0)) ?? null
}

/**
 * The nominal speed that a measured one is judged by: the one that was chosen for the drive, else the nearest. Where
 * the speed goes by zone, a zone's own speed is right whatever was chosen: nothing on file says which cylinder it was.
 */
export const nominalFor = (mechanism: Mechanism, rpm: number, chosen?: number | null): number =>
  zoneAt(mechanism, rpm)?.rpm ?? chosen ?? nearestNominal(mechanism, rpm)

/** What a speed that belongs to a zone leaves open; null where it belongs to none. */
export function zoneSays(mechanism: Mechanism, rpm: number): string | null {
  const zone = zoneAt(mechanism, rpm)
  return (
    zone &&
    `${zone.rpm} r/min is right on cylinders ${zone.from} to ${zone.to} where the speed goes by zone; in an MFM mode it should be ${mechanism.speed.nominal[0]!.value} r/min.`
  )
}
