/** The published form of a certificate. It stands by itself, as what builds schemas takes long to load. */
export { CERTIFICATE_SCHEMA, type Certificate, type CertificateMeasurement, type DiskWord } from './certificate-form'
