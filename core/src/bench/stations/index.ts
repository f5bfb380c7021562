export { alignOrder, beforeSweep, type AlignOrder, type OrderItem } from './align-order'
export { bestNext, nextOf, ranked, type NextThing, type OnBench, type RankedThing } from './best-next'
export { CAUTIONS, type Caution, type CautionId } from './cautions'
export { gateStates, type GateState, type Missing } from './gate-state'
export { GATES, findGate, isGateId, type Gate, type GateCondition, type GateId } from './gates'
export { mayMoveOutcome, progressOf, type Progress } from './progress'
export { isAcknowledged } from './sitting'
export type { StepRecord, Station, Step } from './station'
export { STATIONS, findStation, findStep } from './stations'
export { USUAL_WAITS, heldByDefault, openWaits, type Wait } from './waits'
export {
  mayHaveHurtDisks,
  mayLoadGoodDisk,
  consequencesOf,
  minutesToGo,
  releaseDoubts,
  nextAt,
  stationOf,
  walk,
  type Hold,
  type StationState,
  type StepState,
  type Walk,
  type Walked,
} from './walk'
export { likelyCure, minutesForCure } from './likely-cure'
