import { sha256 } from '@noble/hashes/sha2'
import { bytesToHex, utf8ToBytes } from '@noble/hashes/utils'
import canonicalize from 'canonicalize'
import type { EntryKind, LogEntry } from './log-entry'

/** SHA-256 of a text in UTF-8, hexadecimal. */
export type Sha256 = (text: string) => string

const ownSha: Sha256 = text => bytesToHex(sha256(utf8ToBytes(text)))

/**
 * SHA-256 of a value's canonical JSON (RFC 8785: keys in order, numbers as ECMAScript writes them), hexadecimal.
 * @param sha where the surroundings have a faster one of their own
 */
export const sealOf = (value: unknown, sha: Sha256 = ownSha): string => sha(canonicalize(value) ?? 'null')

/** Form of what a link seals. */
const LINK_FORM = 1

/**
 * The link that holds an entry in the chain of its drive. Each carries the hashes of the links before it, so that no
 * entry can be changed, left out, put in or moved without its showing.
 */
export interface ChainLink {
  /** Id of the entry. */
  readonly entry: string
  /** Hash of the link before it; none for the first, two where two logs of one drive became one. */
  readonly before: readonly string[]
  readonly hash: string
  /**
   * 64 hexadecimal digits: the first half goes with the words, the second with the photo. Without them nobody can try
   * what stood there once it was erased; a half that went with what it hid is zeros.
   */
  readonly salt: string
  /** Seals of what was erased. */
  readonly erased: ErasedParts | null
  /** Its number in the workshop where it was written; another workshop counts for itself. */
  readonly firstSeq: number
}

export interface ErasedParts {
  readonly words?: string
  readonly photo?: string
}

/** What a link seals of an entry; `driveId` and `seq` stay out, as another workshop may give others. */
export type ChainedEntry = Omit<LogEntry, 'driveId' | 'seq'>

/** Digits of each half of a salt. */
export const SALT_HALF = 32
export const NO_SALT = '0'.repeat(SALT_HALF)

/** SHA-256 of the photo that an entry shows; null where it shows none, or none any more. */
export const photoOf = ({ data }: Pick<LogEntry, 'data'>): string | null => (data?.type === 'photo' ? data.sha : null)

/** Entries whose title a person wrote, or that repeat such a title; the program words all others. */
const FREE_TITLES: ReadonlySet<EntryKind> = new Set(['note', 'wait', 'wait-ended', 'photo', 'taken-back'])
export const hasFreeTitle = (entry: Pick<LogEntry, 'kind'>): boolean => FREE_TITLES.has(entry.kind)

/** Seal of an entry's words: what a person may have written freely. */
export const wordsSeal = (entry: ChainedEntry, salt: string, sha?: Sha256): string =>
  sealOf([salt.slice(0, SALT_HALF), hasFreeTitle(entry) ? entry.title : null, entry.detail], sha)

/** Seal of the photo that an entry names, null where it names none. */
export const photoSeal = (entry: ChainedEntry, salt: string, sha?: Sha256): string | null => {
  const photo = photoOf(entry)
  return photo === null ? null : sealOf([salt.slice(SALT_HALF), photo], sha)
}

/**
 * Hash of the link of an entry.
 * @param before hashes of the links before it @param salt 64 hexadecimal digits
 * @param erased seals of what is no longer there, in place of those of what stands there now
 */
export function linkHash(
  entry: ChainedEntry,
  before: readonly string[],
  salt: string,
  erased: ErasedParts | null = null,
  sha?: Sha256,
): string {
  const { id, at, kind, station, call, observations, evidence, takesBack } = entry
  const data = entry.data?.type === 'photo' ? { ...entry.data, sha: null } : entry.data
  const title = hasFreeTitle(entry) ? null : entry.title
  const said = { id, at, kind, station, title, call, observations, evidence, data, takesBack }
  const words = erased?.words ?? wordsSeal(entry, salt, sha)
  const photo = erased?.photo ?? photoSeal(entry, salt, sha)
  return sealOf([LINK_FORM, before, said, words, photo], sha)
}
