import type { CheckNeed } from '../../diagnosis'
import type { GateState } from './gate-state'

/** What a closed safety gate keeps from being done. */
const KEEPS: Readonly<Record<string, readonly CheckNeed[]>> = {
  'first-power': ['power', 'disk'],
  'insert-disk': ['disk'],
}

/** Closed gates that keep something from being done, the first first. */
export const closedGates = (gates: readonly GateState[]): GateState[] =>
  gates.filter(g => !g.open && KEEPS[g.gate.id] !== undefined)

/** What cannot be done while gates are as they are. */
export const keptFrom = (gates: readonly GateState[]): CheckNeed[] => [
  ...new Set(closedGates(gates).flatMap(g => KEEPS[g.gate.id]!)),
]

/** The gate that keeps something with these needs from being done; null where none does. */
export const heldBy = (needs: readonly CheckNeed[], gates: readonly GateState[]): GateState | null =>
  closedGates(gates).find(g => KEEPS[g.gate.id]!.some(n => needs.includes(n))) ?? null
