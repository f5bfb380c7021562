export { alignOrder, beforeSweep, type AlignOrder, type OrderItem } from './align-order'
export { bestNext, isUrgent, nextOf, ranked, type NextThing, type OnBench, type RankedThing } from './best-next'
export { CAUTIONS, type Caution, type CautionId } from './cautions'
export { gateStates, type GateState, type Missing } from './gate-state'
export { closedGates, heldBy, keptFrom } from './held-by'
export { GATES, findGate, isGateId, type Gate, type GateCondition, type GateId } from './gates'
export { USUAL_GOAL, type Aim } from './needed'
export { mayMoveOutcome, progressOf, type Progress } from './progress'
export { isAcknowledged } from './sitting'
export { usedUpBy } from './used-up'
export { stillUntil } from './still-until'
export { claimable, safetySheet, type SafetyLook, type SafetySheet } from './safety-looks'
export type { StepRecord, StepSetting, Station, Step } from './station'
export { STATIONS, findStation, findStep, stationAsking } from './stations'
export { USUAL_WAITS, heldByDefault, heldByRests, openWaits, waitShare, type Wait } from './waits'
export {
  mayHaveHurtDisks,
  mayLoadGoodDisk,
  consequencesOf,
  minutesForGoal,
  minutesToGo,
  stationForGoal,
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
export { likelyCure, minutesForCure, minutesToProve } from './likely-cure'
