export { buildCertificate, type Certificate, type CertificateMeasurement } from './certificate'
export type { DriveFacts } from './drive'
export { speedContextOf } from './speed-context'
