import { STATION_IDS, type StationId } from '../observations'
import { earlyStations } from './early-stations'
import { lateStations } from './late-stations'

/** One thing to do at a station. */
export interface Step {
  readonly id: string
  readonly title: string
  /** Why, or how, in a sentence or two. */
  readonly why: string
}

export interface Station {
  readonly id: StationId
  readonly label: string
  /** What the station is for. */
  readonly purpose: string
  readonly steps: readonly Step[]
  /** What can hurt a person, a disk or the drive here. */
  readonly mind: readonly string[]
}

const all: Readonly<Record<StationId, Station>> = { ...earlyStations, ...lateStations }

/** The stations in the order of the work. */
export const STATIONS: readonly Station[] = STATION_IDS.map(id => all[id])

export const findStation = (id: StationId): Station => all[id]
