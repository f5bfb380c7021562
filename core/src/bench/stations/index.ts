export { alignOrder, beforeSweep, surfaceOf, type AlignOrder, type OrderItem } from './align-order'
export { bestNext, nextOf, ranked, type NextThing, type OnBench, type RankedThing } from './best-next'
export { CAUTIONS, type Caution, type CautionId } from './cautions'
export { gateStates, type GateState, type Missing } from './gate-state'
export { findGate, GATES, isGateId, type Gate, type GateCondition, type GateId } from './gates'
export { mayMoveOutcome, progressOf, type Progress } from './progress'
export { isAcknowledged } from './sitting'
export type { Recording, Station, Step } from './station'
export { findStation, findStep, STATIONS } from './stations'
export { speedEntries, trimmerHistory } from './trimmer-history'
export { heldByDefault, openWaits, USUAL_WAITS, type Wait } from './waits'
export {
  consequencesOf,
  minutesToGo,
  nextAt,
  stationOf,
  walk,
  type Hold,
  type StationState,
  type StepState,
  type Walk,
  type Walked,
} from './walk'
