import { beltSum, gearSum, motorSum, optionsSum } from '../drivetrain'
import { capacitorSum, leadSum, logicSum, polaritySum, sensorSum, supplySum, switchSum, wiggleSum } from '../electrics'
import { ParameterError } from '../errors'
import type { Sum } from '../sums'

/** Every instrument that is a sum, in the order of the stations. */
export const SUMS: readonly Sum[] = [beltSum, motorSum, gearSum, optionsSum, supplySum, polaritySum, leadSum, sensorSum, switchSum, capacitorSum, logicSum, wiggleSum]

/** @throws ParameterError where there is none of that id */
export function findSum(id: string): Sum {
  const sum = SUMS.find(s => s.id === id)
  if (!sum) throw new ParameterError(`there is no instrument “${id}”`, `one of ${SUMS.map(s => s.id).join(', ')}`, { field: 'instrument' })
  return sum
}
