export {
  buildCertificate,
  CERTIFICATE_VERSION,
  type Certificate,
  type CertificateMeasurement,
  type DiskWord,
} from './certificate'
export { CERTIFICATE_SCHEMA } from './certificate-schema'
export { checkCertificate, type CheckedCertificate } from './check-certificate'
export { logHead, sealOf, type LogHead } from './seal'
export { nextService, type ServiceDate } from './next-service'
export { partsOf, type PartJudged } from './part-out'
export type { DriveFacts } from './drive'
export { speedContextOf } from './speed-context'
export {
  chainOf,
  diskWord,
  disagreements,
  PROOFS,
  standingOf,
  type ChainLink,
  type DiskEvent,
  type DiskReading,
  type DiskStanding,
  type Disagreement,
  type Proof,
  type ReferenceDisk,
} from './reference-disks'
export { CONFIDENCE } from './bound-said'
export { ladderOf, moreFor, planFor, type Ladder, type ProofPlan, type RungState, type TestState } from './ladder'
export {
  findProofTest,
  NEEDS,
  PROOF_TEST_IDS,
  PROOF_TESTS,
  RUNG_IDS,
  RUNGS,
  type NeedId,
  type ProofDisk,
  type ProofTest,
  type ProofTestId,
  type RungId,
} from './proof-tests'
export * from './blame'
export { checksOf, judgeWriteTest, type JudgedWriteTest, type WriteCheck } from './write-test'
export * from './sums'
export { CLOSING_CHECKS, closingOf, type Closing, type ClosingCheck, type ClosingState } from './closing'
