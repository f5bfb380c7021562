import { ParameterError } from '../base/errors'
import { cartridge } from './cartridge'
import { eightInch } from './eight-inch'
import { fiveInch48 } from './five-inch-48'
import { fiveInch96 } from './five-inch-96'
import { fiveInchSerial } from './five-inch-serial'
import { quickDisk } from './quick-disk'
import { threeInch } from './three-inch'
import { threeHalfInch } from './three-half-inch'
import { threeHalfInchEject } from './three-half-inch-eject'
import { MECHANISM_IDS, type Mechanism, type MechanismId } from './types'

/** All nine mechanism classes, in the order of the Handbook. */
export const MECHANISMS: readonly Mechanism[] = [
  eightInch,
  fiveInch48,
  fiveInch96,
  fiveInchSerial,
  threeHalfInch,
  threeHalfInchEject,
  threeInch,
  quickDisk,
  cartridge,
]

export function isMechanismId(id: string): id is MechanismId {
  return (MECHANISM_IDS as readonly string[]).includes(id)
}

/** @throws ParameterError for an id that is not in the catalogue; the message lists those that are. */
export function findMechanism(id: string): Mechanism {
  const found = MECHANISMS.find(m => m.id === id)
  if (!found) {
    throw new ParameterError(`there is no drive type "${id}"`, `one of ${MECHANISM_IDS.join(', ')}`, {
      field: 'mechanism',
    })
  }
  return found
}

/** One thing of every class, by its id. */
export const byMechanism = <T>(of: (mechanism: Mechanism) => T): Readonly<Record<MechanismId, T>> =>
  Object.fromEntries(MECHANISMS.map(m => [m.id, of(m)])) as Record<MechanismId, T>
