import { networkInterfaces } from 'node:os'

const LOOPBACK_NAMES: ReadonlySet<string> = new Set(['localhost', '127.0.0.1', '[::1]'])
const EVERYWHERE: ReadonlySet<string> = new Set(['0.0.0.0', '::'])

/** Where and how this server is asked to listen; read from the surroundings once. */
export interface Listening {
  /** Whether other machines reach it. */
  readonly open: boolean
  readonly encrypted: boolean
  readonly port: number
  /** Addresses of this machine in its networks. */
  readonly own: readonly string[]
  /** Names by which it may be called, without port. */
  readonly names: ReadonlySet<string>
}

const bracketed = (address: string) => (address.includes(':') ? `[${address}]` : address)

/**
 * @param env HOST, PORT and WOBRIN_HOSTS: further names, separated by commas. Names of others could be pointed here; so
 *   only those that are said, and this machine's own addresses, are answered
 */
export function listening(env: Readonly<Record<string, string | undefined>>, addresses = ownAddresses()): Listening {
  const host = env.HOST || '127.0.0.1'
  const open = !LOOPBACK_NAMES.has(bracketed(host))
  const own = open ? (EVERYWHERE.has(host) ? addresses : [host]) : []
  const said = (env.WOBRIN_HOSTS ?? '').split(',').map(name => name.trim().toLowerCase())
  return {
    open,
    encrypted: Boolean(env.NITRO_SSL_CERT && env.NITRO_SSL_KEY),
    port: Number(env.PORT) || 3000,
    own,
    names: new Set([...LOOPBACK_NAMES, ...own.map(bracketed), ...said.filter(Boolean)]),
  }
}

/** Addresses of this machine in its networks. */
function ownAddresses(): string[] {
  return Object.values(networkInterfaces())
    .flatMap(list => list ?? [])
    .filter(a => !a.internal && !a.address.startsWith('fe80:'))
    .map(a => a.address)
}

/** The name in a Host header, without port. */
export const nameOf = (host: string): string => host.replace(/:\d+$/, '').toLowerCase()

/** Both ends of a request's connection. */
export interface Ends {
  readonly remoteAddress?: string
  readonly localAddress?: string
}

/**
 * Whether a request comes from this machine itself: over its loopback, or from one of its addresses to the same one;
 * and not passed on for somebody else.
 * @param host the Host header
 */
export function isOwn({ remoteAddress, localAddress }: Ends, host: string, forwarded: boolean): boolean {
  const remote = plain(remoteAddress)
  const name = nameOf(host)
  if (forwarded || !remote) return false
  const loopback = (remote === '::1' || remote.startsWith('127.')) && LOOPBACK_NAMES.has(name)
  return loopback || (remote === plain(localAddress) && name === bracketed(remote))
}

const plain = (address = ''): string => address.replace(/^::ffff:/, '')
