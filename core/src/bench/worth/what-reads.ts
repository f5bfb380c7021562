import { evidenceWords } from '../../base/observations'
import { headsOf } from '../../drives'
import { countedEverywhere, supportingEntries, surfaceState, surfaceTotals } from '../../log'
import type { DriveFacts, LogEntry } from '../../log'

/** That a disk reads in a drive, and how much of the doubt about it that leaves. */
export interface WhatReads {
  readonly label: string
  /** Share of the doubt that is left; a count leaves more of it than a recording. */
  readonly doubt: number
}

/** Shares of the doubt that are left when a disk read without error (from memory of what comes across a bench). */
const DOUBT_LEFT = { recording: 0.2, count: 0.35, boots: 0.5 } as const

/**
 * The strongest sign on a log that the drive reads: a read test or counts without one failed sector, or a host that
 * starts from it.
 * @returns null where nothing was read, or something failed since
 */
export function whatReads(
  drive: Pick<DriveFacts, 'mechanism' | 'simulated' | 'features'>,
  log: readonly LogEntry[],
): WhatReads | null {
  const standing = supportingEntries(log, drive)
  const { test, counts } = surfaceState(standing)
  if (counts.some(c => c.good < c.sectors)) return null
  const heads = headsOf(drive.mechanism, drive.features?.heads)
  if (test?.data?.type === 'read-test') {
    const { good, sectors } = surfaceTotals(test.data.bars)
    return sectors > 0 && good === sectors
      ? { label: `a disk read without error, ${evidenceWords(test.evidence!)}`, doubt: DOUBT_LEFT.recording }
      : null
  }
  const last = counts.at(-1)
  if (last && countedEverywhere(counts, heads))
    return {
      label: `all sectors counted, ${evidenceWords(last.entry.evidence!)}`,
      doubt: DOUBT_LEFT.count,
    }
  const boots = standing.findLast(e => e.data?.type === 'reading' && e.data.key === 'host.boots')
  return boots?.data?.type === 'reading' && boots.data.value === 'at once'
    ? { label: `the host starts from it, ${evidenceWords(boots.evidence!)}`, doubt: DOUBT_LEFT.boots }
    : null
}
