export { buildCertificate } from './certificate'
export {
  CERTIFICATE_SCHEMA,
  CERTIFICATE_VERSION,
  type Certificate,
  type CertificateMeasurement,
  type DiskWord,
} from './certificate-form'
export { certificateSources, checkCertificate, type CheckedCertificate } from './check-certificate'
export { nextService, type ServiceDate } from './next-service'
export { logHead, sealOf, type LogHead } from './seal'
