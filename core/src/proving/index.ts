export { buildCertificate, type Certificate, type CertificateMeasurement } from './certificate'
export type { DriveFacts } from './drive'
export { speedContextOf } from './speed-context'
export { chainOf, disagreements, PROOFS, standingOf, type ChainLink, type DiskEvent, type DiskReading, type DiskStanding, type Disagreement, type Proof, type ReferenceDisk } from './reference-disks'
