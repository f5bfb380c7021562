export { CALLS, type Call, type CallKind } from './call'
export {
  STATION_IDS, standingEntries, type EntryData, type EntryKind, type LogEntry, type ReleaseEntryData, type SpeedEntryData,
  type StationId, type StepEntryData,
} from './log-entry'
export { formatObservation, type Observation } from './observation'
export { OUTCOMES, type Outcome } from './outcome'
