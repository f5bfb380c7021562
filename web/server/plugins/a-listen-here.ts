import { readFileSync } from 'node:fs'

/** The certificate is read by the runtime before any plugin runs, so its files are read when this file is. */
function useCertificate(): void {
  const { WOBRIN_TLS_CERT: cert, WOBRIN_TLS_KEY: key } = process.env
  if (!cert && !key) return
  try {
    if (!cert || !key) throw new Error('both WOBRIN_TLS_CERT and WOBRIN_TLS_KEY are needed')
    process.env.NITRO_SSL_CERT = readFileSync(cert, 'utf8')
    process.env.NITRO_SSL_KEY = readFileSync(key, 'utf8')
  } catch (error) {
    console.error(`Wobrin does not start: the TLS certificate cannot be used: ${(error as Error).message}.`)
    process.exit(1)
  }
}
useCertificate()

/**
 * Without a word from the person the server listens to this machine alone. The runtime reads HOST after the plugins
 * have run and would listen to every address where it is unset or empty.
 */
export default defineNitroPlugin(() => {
  process.env.HOST ||= '127.0.0.1'
})
