import { sealOf, type LogEntry } from '../log'

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
  /** Number of the last entry; 0 for an empty log. */
  readonly seq: number
  readonly entries: number
  /**
   * Each entry sealed together with the seal before it: it changes when any entry before it is changed, left out or
   * put in.
   */
  readonly hash: string
}

/** Head of a drive's log. @param log in the order in which it was written */
export function logHead(log: readonly LogEntry[]): LogHead {
  return {
    seq: log.at(-1)?.seq ?? 0,
    entries: log.length,
    hash: log.reduce((before, e) => sealOf([before, said(e)]), sealOf([])),
  }
}
