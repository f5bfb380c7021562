export { AS_FOUND_KINDS, type AsFoundItem, type AsFoundKind } from './as-found-item'
export { CALLS, type Call, type CallKind } from './call'
export {
  STATION_IDS, standingEntries, type Breakage, type CountedSectors, type EntryData, type EntryKind, type LogEntry, type PartLeft, type ReadTestEntryData, type ReleaseEntryData, type SpeedEntryData,
  type StationId, type StepEntryData, type SweepCount, type SweepEntryData, type WriteTestResult,
} from './log-entry'
export { formatObservation, type Observation } from './observation'
export { OUTCOMES, type Outcome } from './outcome'
