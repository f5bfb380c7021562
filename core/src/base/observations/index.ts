export { SOURCES, SOURCE_IDS, evidenceBy, evidenceWords, sourceName, type Evidence, type SourceId } from './evidence'
export { CALLS, type Call, type CallKind } from './call'
export { formatObservation, type Observation } from './observation'
export { GRAVITY, gravestOf, lowerFirst, plain, upperFirst, type Point } from './points'
