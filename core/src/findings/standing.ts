import { standingEntries, type LogEntry } from '../log'
import type { Finding, Question } from './types'
import { findFinding } from './vocabulary'

/** A finding that holds now. */
export interface StandingFinding {
  readonly entry: LogEntry
  readonly finding: Finding
  readonly question: Question
  /** Where on the drive; null for the drive as a whole. */
  readonly place: string | null
}

/**
 * What holds of all that was found, oldest first. A later answer to the same question replaces the earlier one at the
 * same place; where several may hold they add up, until a clean one is found or another finding clears them. Saying
 * where a thing is replaces having said only that it is, and a clean answer without a place clears all places.
 */
export const standingFindings = (log: readonly LogEntry[]): StandingFinding[] => findingsAmong(standingEntries(log))

/** The same, where the entries that still hold are known already. */
export function findingsAmong(entries: readonly LogEntry[]): StandingFinding[] {
  let standing: StandingFinding[] = []
  for (const entry of entries) {
    const said = foundBy(entry)
    if (!said) continue
    const { finding, question } = findFinding(said.finding)
    const now: StandingFinding = { entry, finding, question, place: said.place }
    standing = [...standing.filter(old => !ends(now, old)), now]
  }
  return standing
}

/** What an entry found: by looking, by a calculator whose call answers a question, or by a part that was fitted. */
function foundBy({ data }: LogEntry): { readonly finding: string; readonly place: string | null } | null {
  if (data?.type === 'finding') return data
  if (data?.type === 'part-fitted' || data?.type === 'part-used')
    return data.finding ? { finding: data.finding, place: data.place ?? null } : null
  return data?.type === 'sum' && data.finding ? { finding: data.finding, place: null } : null
}

function ends(now: StandingFinding, old: StandingFinding): boolean {
  if (now.finding.clears?.includes(old.finding.id)) return true
  if (now.question !== old.question) return false
  const samePlace = now.place === old.place
  const placed = old.place === null && old.finding === now.finding
  // What is clean at one place says nothing of another; what is not clean ends a clean answer for the whole.
  if (now.finding.clean) return samePlace || now.place === null
  if (now.question.several)
    return (
      placed ||
      (samePlace && (old.finding === now.finding || old.finding.clean === true)) ||
      (old.finding.clean === true && old.place === null)
    )
  return samePlace || placed || now.place === null
}

/** Ids of the findings that hold. */
export const foundIds = (log: readonly LogEntry[]): Set<string> => new Set(standingFindings(log).map(f => f.finding.id))
