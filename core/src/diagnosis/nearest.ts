import Fuse from 'fuse.js'
import { ParameterError } from '../base/errors'

/** The ids most like one that does not exist, the likest first. */
export function nearestIds(id: string, known: readonly string[], most = 3): string[] {
  const found = new Fuse(known, { threshold: 0.6, ignoreLocation: true }).search(id.slice(0, 60), { limit: most })
  return found.length ? found.map(f => f.item) : known.slice(0, most)
}

/**
 * The id itself where it is known.
 * @throws ParameterError that names the nearest known ones
 */
export function knownId(id: unknown, what: string, known: readonly string[], field: string): string {
  if (typeof id === 'string' && known.includes(id)) return id
  const near = typeof id === 'string' ? nearestIds(id, known) : known.slice(0, 3)
  throw new ParameterError(`there is no ${what} ${JSON.stringify(id)}`, `one such as ${near.join(', ')}`, { field })
}
