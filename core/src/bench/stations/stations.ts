import { STATION_IDS, type StationId } from '../observations'
import { clean, look, open, receive } from './early-stations'
import { align, prove, release } from './last-stations'
import { driveTrain, electronics, firstPower, speed } from './late-stations'
import type { Station, Step } from './station'

const all: Readonly<Record<StationId, Station>> = {
  receive: receive,
  look: look,
  open: open,
  clean: clean,
  'drive-train': driveTrain,
  electronics: electronics,
  'first-power': firstPower,
  speed: speed,
  align: align,
  prove: prove,
  release: release,
}

/** The stations in the order of the work. */
export const STATIONS: readonly Station[] = STATION_IDS.map(id => all[id])

export const findStation = (id: StationId): Station => all[id]

const steps = new Map(STATIONS.flatMap(station => station.steps.map(step => [step.id, { step, station }] as const)))

/** A step and its station; null where there is none of that id. */
export const findStep = (id: string): { readonly step: Step; readonly station: Station } | null => steps.get(id) ?? null
