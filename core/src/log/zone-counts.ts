import { zoneOfCylinder } from '../drives'
import type { SurfaceBar } from './entry-data'

/** Sectors of one head in one zone, as a recording of a surface shows them. */
export interface ZoneCount {
  /** Head and zone: `lower.outer`. */
  readonly place: string
  readonly good: number
  readonly all: number
  /** Timing margins of its tracks, shares of half the window. */
  readonly margins: readonly number[]
}

/** The bars of a surface added up by head and zone; its last cylinder is taken to be the drive's last. */
export function zoneCounts(bars: readonly SurfaceBar[]): ZoneCount[] {
  const last = bars.reduce((most, b) => Math.max(most, b.cylinder), 0)
  const zones = new Map<string, { place: string; good: number; all: number; margins: number[] }>()
  for (const bar of bars) {
    const place = `${bar.head ? 'upper' : 'lower'}.${zoneOfCylinder(bar.cylinder, last + 1)}`
    const zone = zones.get(place) ?? { place, good: 0, all: 0, margins: [] }
    zone.good += bar.good
    zone.all += bar.good + bar.bad + bar.missing + bar.wrongCylinder
    if (bar.margin !== null) zone.margins.push(bar.margin)
    zones.set(place, zone)
  }
  return [...zones.values()]
}
