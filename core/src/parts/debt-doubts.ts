import { lowerFirst } from '../base/observations'
import { standingEntries, type LogEntry } from '../log'
import { lentOut } from './there'
import { findPart } from './tree'

/** What a drive lent and has none of now, as sentences: a release that says nothing of it needs a written reason. */
export const debtDoubts = (log: readonly LogEntry[]): string[] =>
  [...lentOut(standingEntries(log)).values()].map(
    l => `Its ${lowerFirst(findPart(l.part)?.label ?? l.part)} is in ${l.to.tag}, and none is in its place.`,
  )
