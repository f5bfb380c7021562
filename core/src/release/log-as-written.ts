import type { ChainLink, LogEntry } from '../log'

/** An entry with the link that holds it in its drive's chain, where it has one. */
export type OwnEntry = LogEntry & { readonly link?: ChainLink | null }

/** Entries as they were numbered where they were written; another workshop counts for itself. */
export const asNumbered = (log: readonly OwnEntry[]): LogEntry[] =>
  log.map(({ link, ...entry }) => ({ ...entry, seq: link?.firstSeq ?? entry.seq }))

/**
 * The part of a log that ends with an entry of this number, and what came before that: where logs of two workshops were
 * made one, what the other one entered is left out.
 * @param log in the order in which it stands here
 * @param end number of the last entry where it was written, and how many entries there are with it
 * @returns null where the log has no such part
 */
export function logUpTo(
  log: readonly OwnEntry[],
  end: { readonly seq: number; readonly entries: number },
): readonly OwnEntry[] | null {
  if (end.entries === 0) return []
  const byHash = new Map(log.map(e => [e.link?.hash, e]))
  for (const last of log) {
    if ((last.link?.firstSeq ?? last.seq) !== end.seq) continue
    // Without links the order is all that is known.
    const part = last.link ? before(last, byHash) : new Set(log.slice(0, log.indexOf(last) + 1))
    if (part.size === end.entries) return log.filter(e => part.has(e))
  }
  return null
}

function before(last: OwnEntry, byHash: ReadonlyMap<string | undefined, OwnEntry>): Set<OwnEntry> {
  const part = new Set<OwnEntry>()
  const open = [last]
  for (let entry = open.pop(); entry; entry = open.pop()) {
    if (part.has(entry)) continue
    part.add(entry)
    for (const hash of entry.link?.before ?? []) {
      const found = byHash.get(hash)
      if (found) open.push(found)
    }
  }
  return part
}
