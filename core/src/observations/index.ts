export { AS_FOUND_KINDS, type AsFoundItem, type AsFoundKind } from './as-found-item'
export { CALLS, type Call, type CallKind } from './call'
export type {
  Breakage,
  CountedSectors,
  EntryData,
  PartLeft,
  ReadTestEntryData,
  ReleaseEntryData,
  SpeedEntryData,
  StepEntryData,
  SweepCount,
  SweepEntryData,
  WriteTestResult,
} from './entry-data'
export { STATION_IDS, standingEntries, type EntryKind, type LogEntry, type StationId } from './log-entry'
export { formatObservation, type Observation } from './observation'
export { OUTCOMES, type Outcome } from './outcome'
