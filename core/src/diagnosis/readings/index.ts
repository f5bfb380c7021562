export { judgeTypedSpeed, type TypedSpeedContext } from './judge-typed-speed'
export { CASE_READINGS, findReading, UNTRIED } from './derived'
export { READINGS, usualUncertainty, type Reading, type ReadingKind, type ReadingWay } from './readings'
export { recordReading, type ReadingInput, type RecordedReading } from './record-reading'
