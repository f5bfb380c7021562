import {
  hasFreeTitle,
  NO_SALT,
  photoOf,
  photoSeal,
  SALT_HALF,
  wordsSeal,
  type ChainedEntry,
  type ChainLink,
  type Sha256,
} from './chain'
import type { LogEntry } from './log-entry'

/** What can be erased of an entry. */
export const ERASABLE = ['words', 'photo'] as const
export type Erasable = (typeof ERASABLE)[number]

/** What stands in the place of a title that a person wrote. */
const ERASED_TITLE = 'Words erased'

const hasWords = (entry: ChainedEntry): boolean =>
  entry.detail !== '' || (hasFreeTitle(entry) && entry.title !== ERASED_TITLE)

/** Whether an entry has words that a person may have written, or a photo, that can be erased. */
export function canErase(entry: LogEntry, what: Erasable): boolean {
  if (entry.kind === 'erased') return false
  return what === 'photo' ? photoOf(entry) !== null : hasWords(entry)
}

/**
 * An entry without its words or its photo, and its link with the seal of what was there in their place: the chain
 * holds, and nobody can try what stood there, as the salt went along.
 * @param sha where the surroundings have a faster SHA-256 of their own
 */
export function erase<E extends ChainedEntry>(
  entry: E,
  link: ChainLink,
  what: Erasable,
  sha?: Sha256,
): { readonly entry: E; readonly link: ChainLink } {
  if (link.erased?.[what]) return { entry, link }
  const [words, photo] = [link.salt.slice(0, SALT_HALF), link.salt.slice(SALT_HALF)]
  if (what === 'words')
    return {
      entry: { ...entry, title: hasFreeTitle(entry) ? ERASED_TITLE : entry.title, detail: '' },
      link: { ...link, salt: NO_SALT + photo, erased: { ...link.erased, words: wordsSeal(entry, link.salt, sha) } },
    }
  const seal = photoSeal(entry, link.salt, sha)
  if (seal === null || entry.data?.type !== 'photo') return { entry, link }
  return {
    entry: { ...entry, data: { ...entry.data, sha: null } },
    link: { ...link, salt: words + NO_SALT, erased: { ...link.erased, photo: seal } },
  }
}

/** Whether nothing stands where a link says that something was erased: what stands there was put there by hand. */
export function isErased(entry: ChainedEntry, { erased }: Pick<ChainLink, 'erased'>): boolean {
  return !(erased?.words && hasWords(entry)) && !(erased?.photo && photoOf(entry) !== null)
}

/** When something of an entry was erased, by the entry's id. */
export function erasedOn(log: readonly LogEntry[]): Map<string, { readonly what: Erasable[]; readonly at: string }> {
  const erased = new Map<string, { what: Erasable[]; at: string }>()
  for (const { data, at } of log) {
    if (data?.type !== 'erased') continue
    for (const id of data.entries) {
      const before = erased.get(id)?.what ?? []
      erased.set(id, { what: [...new Set([...before, data.what])], at })
    }
  }
  return erased
}
