export { DISK_FAMILIES, blameBench, classesOf, familyOf, type DriveOnBench } from './blame/bench-of'
export { BLAME_CAUSES, headName, whoIsToBlame, type BlameAnswer, type BlameCause, type Blamed } from './blame/blame'
export { readsOnLog } from './blame/from-log'
export { readBlameCsv, type BlameTable } from './blame/read-csv'
export {
  ZONE_NAMES,
  placeFails,
  poolReads,
  type BlameDisk,
  type BlameDrive,
  type BlameRead,
  type PlaceRead,
  type ZoneName,
} from './blame/reads'
export { CONFIDENCE } from './bound-said'
export { CLOSING_CHECKS, closingOf, type Closing, type ClosingCheck, type ClosingState } from './closing'
export { ladderOf, moreFor, planFor, type Ladder, type ProofPlan, type RungState } from './ladder'
export { type ProvedDrive, type TestState } from './test-states'
export {
  NEEDS,
  PROOF_TESTS,
  PROOF_TEST_IDS,
  RUNGS,
  RUNG_IDS,
  findProofTest,
  type NeedId,
  type ProofDisk,
  type ProofTest,
  type ProofTestId,
  type RungId,
} from './proof-tests'
export {
  PROOFS,
  chainOf,
  disagreements,
  diskWord,
  standingOf,
  type ChainLink,
  type Disagreement,
  type DiskEvent,
  type DiskReading,
  type DiskStanding,
  type Proof,
  type ReferenceDisk,
} from './reference-disks'
export { checksOf, judgeWriteTest, type JudgedWriteTest, type WriteCheck } from './write-test'
