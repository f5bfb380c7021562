export { NO_ACCOUNT, type Account } from './account'
export { AS_FOUND_KINDS, type AsFoundItem, type AsFoundKind } from './as-found-item'
export { GOAL_IDS, ROUTE_IDS, type DriveFacts, type GoalId, type RouteId } from './drive-facts'
export type {
  Breakage,
  CountedPlace,
  CountedSectors,
  DriveRef,
  EntryData,
  PartEntryData,
  PartFittedEntryData,
  PartKnown,
  PartLeft,
  PartOrigin,
  ReadTestEntryData,
  ReadingEntryData,
  ReleaseEntryData,
  Rests,
  SpeedEntryData,
  StepEntryData,
  SurfaceBar,
  ShownReading,
  SurfaceFacts,
  SurfaceSwing,
  SweepCount,
  SweepEntryData,
  WriteTestResult,
  ZoneRead,
} from './entry-data'
export {
  linkHash,
  photoOf,
  sealOf,
  wordsSeal,
  type ChainedEntry,
  type ChainLink,
  type ErasedParts,
  type Sha256,
} from './chain'
export { chainFaultText, followChain, type ChainFault, type ChainHead, type LinkedEntry } from './check-chain'
export { ENTRY_DATA_TYPES, PART_KNOWN, PART_SAID, RESTS } from './entry-data'
export { canErase, ERASABLE, erase, erasedOn, type Erasable } from './erase'
export {
  ENTRY_KINDS,
  mayTakeBack,
  STATION_IDS,
  standingEntries,
  supportingEntries,
  supports,
  type EntryKind,
  type LogEntry,
  type NewEntry,
  type StationId,
} from './log-entry'
export { AWAY_MINUTES, handsTime, type HandsTime, type TimedEntry } from './hands-time'
export { inMachine, type InMachine } from './in-machine'
export { SPEED_KEY, lastSpeed, speedOf, speedsAmong, type SpeedOnLog } from './speed-on-log'
export { countedEverywhere, surfaceState, type PlaceOnLog, type SurfaceState } from './surface-state'
export { surfaceTotals, type SurfaceTotals } from './surface-totals'
export { upgradeEntry, type EarlierEntry } from './upgrade-entry'
export { OUTCOMES, type Outcome } from './outcome'
export { zoneCounts, type ZoneCount } from './zone-counts'
