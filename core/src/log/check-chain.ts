import { linkHash, type ChainedEntry, type ChainLink, type Sha256 } from './chain'
import { isErased } from './erase'

/** An entry as it stands on its drive's log, with its link; null where it has none. */
export interface LinkedEntry {
  readonly entry: ChainedEntry
  readonly link: ChainLink | null
}

/** Where the chain of a drive ended when it was last written to. */
export interface ChainHead {
  readonly entries: number
  readonly hash: string
}

export type ChainFaultKind = 'edited' | 'not linked' | 'missing' | 'moved' | 'cut'

export interface ChainFault {
  readonly kind: ChainFaultKind
  /** The entry where it shows; null where it is the end of the log. */
  readonly entry: Pick<ChainedEntry, 'id' | 'at' | 'title'> | null
}

/**
 * Follows the chain of one drive, an entry at a time, so that a log of any length needs no memory for its entries.
 * @param sha where the surroundings have a faster SHA-256 of their own
 * @returns what `add` is called with for each entry in its order, and `end` once
 */
export function followChain(sha?: Sha256) {
  const faults: ChainFault[] = []
  const known = new Set<string>()
  /** Links that no later one has named. */
  const ends = new Set<string>()
  /** Those who name what has not come yet: it comes later, or it is not there. */
  const waiting = new Map<string, ChainFault['entry']>()
  let entries = 0
  return {
    add({ entry, link }: LinkedEntry): void {
      entries++
      const at = { id: entry.id, at: entry.at, title: entry.title }
      if (!link) return void faults.push({ kind: 'not linked', entry: at })
      if (!isErased(entry, link) || linkHash(entry, link.before, link.salt, link.erased, sha) !== link.hash)
        faults.push({ kind: 'edited', entry: at })
      for (const before of link.before) {
        if (!known.has(before)) waiting.set(before, at)
        ends.delete(before)
      }
      // A second entry without one before it: the log that it began was put in from elsewhere.
      if (link.before.length === 0 && known.size > 0) faults.push({ kind: 'missing', entry: at })
      known.add(link.hash)
      ends.add(link.hash)
    },
    /** @param head where the chain ended by the count that is kept beside it; null where none is */
    end(head: ChainHead | null): ChainFault[] {
      for (const [hash, entry] of waiting) faults.push({ kind: known.has(hash) ? 'moved' : 'missing', entry })
      for (const hash of waiting.keys()) ends.delete(hash)
      if (head && (head.entries !== entries || !ends.has(head.hash) || ends.size !== 1))
        faults.push({ kind: 'cut', entry: null })
      return faults
    },
  }
}

/** What a fault means, in a sentence. @param tag of the drive */
export function chainFaultText({ kind, entry }: ChainFault, tag: string): string {
  if (!entry) return `The log of ${tag} does not end as it did when it was last written to.`
  const which = `“${entry.title}” of ${entry.at}`
  const says: Readonly<Record<ChainFaultKind, string>> = {
    edited: `The entry ${which} on the log of ${tag} was changed after it was written.`,
    'not linked': `The entry ${which} on the log of ${tag} was not written by Wobrin.`,
    missing: `On the log of ${tag} an entry before ${which} is missing.`,
    moved: `The entry ${which} on the log of ${tag} does not stand where it was written.`,
    cut: '',
  }
  return says[kind]
}
