export { judgeTypedSpeed, type TypedSpeedContext } from './judge-typed-speed'
export { READINGS, findReading, usualUncertainty, type Reading, type ReadingKind, type ReadingWay } from './readings'
export { recordReading, type ReadingInput, type RecordedReading } from './record-reading'
