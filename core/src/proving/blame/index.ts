export { BLAME_CAUSES, headName, whoIsToBlame, type BlameAnswer, type BlameCause, type Blamed } from './blame'
export {
  placeFails,
  poolReads,
  ZONE_NAMES,
  type BlameDisk,
  type BlameDrive,
  type BlameRead,
  type PlaceRead,
  type ZoneName,
} from './reads'
export { readBlameCsv, type BlameTable } from './read-csv'
export { readsOnLog } from './from-log'
export { blameBench, classesOf, DISK_FAMILIES, familyOf, type DriveOnBench } from './bench-of'
