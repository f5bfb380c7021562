import { STATION_IDS, type StationId } from '../observations'
import { earlyStations } from './early-stations'
import { lateStations } from './late-stations'
import type { Station } from './station'

const all: Readonly<Record<StationId, Station>> = { ...earlyStations, ...lateStations }

/** The stations in the order of the work. */
export const STATIONS: readonly Station[] = STATION_IDS.map(id => all[id])

export const findStation = (id: StationId): Station => all[id]
