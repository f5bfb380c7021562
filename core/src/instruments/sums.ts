import { azimuthSum, flagSum, homeSum, indexBurstSum, lobesSum, offsetSum, quickStartSum, tabSum } from '../carriage'
import { beltSum, gearSum, motorSum, optionsSum } from '../drivetrain'
import {
  boardSum,
  capacitorFitSum,
  capacitorSum,
  detectorSum,
  donorSwitchSum,
  hostSeesSum,
  jointSum,
  leadSum,
  logicSum,
  polaritySum,
  processorSum,
  sensorSum,
  serialBusSum,
  supplySum,
  swapSum,
  switchSum,
  wiggleSum,
  wiresSum,
} from '../electrics'
import { ParameterError } from '../errors'
import { beforeAfterSum, claimSum, loadCyclesSum, soakSum, warmUpSum } from '../proving'
import type { StationId } from '../observations'
import type { Sum } from '../sums'

/** Every instrument that is a sum, in the order of the stations; those of a group stand together. */
export const SUMS: readonly Sum[] = [
  beltSum,
  motorSum,
  optionsSum,
  gearSum,
  supplySum,
  polaritySum,
  sensorSum,
  detectorSum,
  switchSum,
  hostSeesSum,
  donorSwitchSum,
  capacitorSum,
  capacitorFitSum,
  boardSum,
  logicSum,
  serialBusSum,
  processorSum,
  swapSum,
  wiggleSum,
  jointSum,
  wiresSum,
  leadSum,
  lobesSum,
  azimuthSum,
  indexBurstSum,
  offsetSum,
  tabSum,
  flagSum,
  homeSum,
  quickStartSum,
  claimSum,
  beforeAfterSum,
  loadCyclesSum,
  warmUpSum,
  soakSum,
]

/** The sums of a station by group, in their order. */
export function sumGroups(station: StationId): { readonly group: string; readonly sums: readonly Sum[] }[] {
  const here = SUMS.filter(s => s.station === station)
  return [...new Set(here.map(s => s.group))].map(group => ({ group, sums: here.filter(s => s.group === group) }))
}

/** @throws ParameterError where there is none of that id */
export function findSum(id: string): Sum {
  const sum = SUMS.find(s => s.id === id)
  if (!sum)
    throw new ParameterError(`there is no instrument “${id}”`, `one of ${SUMS.map(s => s.id).join(', ')}`, {
      field: 'instrument',
    })
  return sum
}
