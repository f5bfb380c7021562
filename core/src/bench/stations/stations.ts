import { STATION_IDS, type StationId } from '../../log'
import { align } from './each/align'
import { clean } from './each/clean'
import { driveTrain } from './each/drive-train'
import { electronics } from './each/electronics'
import { firstPower } from './each/first-power'
import { look } from './each/look'
import { open } from './each/open'
import { prove } from './each/prove'
import { receive } from './each/receive'
import { release } from './each/release'
import { speed } from './each/speed'
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

/** The first station that asks a question: where it belongs, wherever it is answered; null where no step asks it. */
export const stationAsking = (question: string): StationId | null =>
  STATIONS.find(s => s.steps.some(step => step.asks?.includes(question)))?.id ?? null
