import { listening, type Listening } from '../services/network'

let known: Listening | null = null

/** Where and how this server listens. */
export function theNetwork(): Listening {
  known ??= listening(process.env)
  return known
}

/** Its addresses in the network, as a browser takes them. */
export function networkAddresses(): string[] {
  const { encrypted, own, port } = theNetwork()
  return own.map(a => `${encrypted ? 'https' : 'http'}://${a.includes(':') ? `[${a}]` : a}:${port}`)
}
