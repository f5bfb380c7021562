import {
  azimuthCalculator,
  flagCalculator,
  homeCalculator,
  indexBurstCalculator,
  lobesCalculator,
  offsetCalculator,
  quickStartCalculator,
  tabCalculator,
  writersCalculator,
} from '../alignment'
import { beltCalculator, beltRemainsCalculator, gearCalculator, motorCalculator, optionsCalculator } from '../mechanics'
import {
  boardCalculator,
  capacitorFitCalculator,
  capacitorCalculator,
  detectorCalculator,
  donorSwitchCalculator,
  hostSeesCalculator,
  jointCalculator,
  leadCalculator,
  logicCalculator,
  polarityCalculator,
  processorCalculator,
  sensorCalculator,
  serialBusCalculator,
  strapsCalculator,
  supplyCalculator,
  swapCalculator,
  switchCalculator,
  wiggleCalculator,
  wiresCalculator,
} from '../electronics'
import { ParameterError } from '../../base/errors'
import {
  beforeAfterCalculator,
  claimCalculator,
  loadCyclesCalculator,
  soakCalculator,
  warmUpCalculator,
} from '../proof'
import type { StationId } from '../../log'
import type { Calculator } from '../calculator'

/** Every instrument that is a sum, in the order of the stations; those of a group stand together. */
export const CALCULATORS: readonly Calculator[] = [
  beltCalculator,
  beltRemainsCalculator,
  motorCalculator,
  optionsCalculator,
  gearCalculator,
  supplyCalculator,
  polarityCalculator,
  sensorCalculator,
  detectorCalculator,
  switchCalculator,
  hostSeesCalculator,
  donorSwitchCalculator,
  capacitorCalculator,
  capacitorFitCalculator,
  boardCalculator,
  logicCalculator,
  serialBusCalculator,
  processorCalculator,
  swapCalculator,
  wiggleCalculator,
  jointCalculator,
  wiresCalculator,
  leadCalculator,
  strapsCalculator,
  lobesCalculator,
  azimuthCalculator,
  indexBurstCalculator,
  offsetCalculator,
  writersCalculator,
  tabCalculator,
  flagCalculator,
  homeCalculator,
  quickStartCalculator,
  claimCalculator,
  beforeAfterCalculator,
  loadCyclesCalculator,
  warmUpCalculator,
  soakCalculator,
]

/** The sums of a station by group, in their order. */
export function calculatorGroups(
  station: StationId,
): { readonly group: string; readonly sums: readonly Calculator[] }[] {
  const here = CALCULATORS.filter(s => s.station === station)
  return [...new Set(here.map(s => s.group))].map(group => ({ group, sums: here.filter(s => s.group === group) }))
}

/** @throws ParameterError where there is none of that id */
export function findCalculator(id: string): Calculator {
  const sum = CALCULATORS.find(s => s.id === id)
  if (!sum)
    throw new ParameterError(`there is no instrument “${id}”`, `one of ${CALCULATORS.map(s => s.id).join(', ')}`, {
      field: 'instrument',
    })
  return sum
}
