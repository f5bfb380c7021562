import { sha256 } from '@noble/hashes/sha2'
import { bytesToHex, utf8ToBytes } from '@noble/hashes/utils'
import canonicalize from 'canonicalize'
import type { LogEntry } from '../log'

/** SHA-256 of a value's canonical JSON (RFC 8785: keys in order, numbers as ECMAScript writes them), hexadecimal. */
export const sealOf = (value: unknown): string => bytesToHex(sha256(utf8ToBytes(canonicalize(value) ?? 'null')))

/**
 * What of an entry is sealed: all that it says. Its driveId stays out, as a drive may come to another workshop under
 * another.
 */
const said = ({
  seq,
  id,
  at,
  kind,
  station,
  title,
  detail,
  call,
  observations,
  evidence,
  data,
  takesBack,
}: LogEntry) => ({
  seq,
  id,
  at,
  kind,
  station,
  title,
  detail,
  call,
  observations,
  evidence,
  data,
  takesBack,
})

export interface LogHead {
  /** Highest sequence number; 0 for an empty log. */
  readonly seq: number
  readonly entries: number
  /**
   * Each entry sealed together with the seal before it: it changes when any entry before it is changed, left out or
   * put in.
   */
  readonly hash: string
}

/** Head of a drive's log, up to and with an entry. */
export function logHead(log: readonly LogEntry[], upToSeq = Infinity): LogHead {
  const own = log.filter(e => e.seq <= upToSeq).sort((a, b) => a.seq - b.seq)
  return {
    seq: own.at(-1)?.seq ?? 0,
    entries: own.length,
    hash: own.reduce((before, e) => sealOf([before, said(e)]), sealOf([])),
  }
}
