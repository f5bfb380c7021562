import { differenceInCalendarDays, format } from 'date-fns'

/** Names of those that are made by themselves and give way to later ones. */
export const AUTOMATIC = /^(?:daily|before-import|before-migration)-/

/** An automatic backup: its name and when it was made. */
export interface MadeBackup {
  readonly name: string
  readonly at: Date
}

/** How many days, weeks and months keep their latest backup. */
const KEPT = [
  { of: (at: Date) => format(at, 'yyyy-MM-dd'), most: 7 },
  { of: (at: Date) => format(at, "RRRR-'W'II"), most: 4 },
  { of: (at: Date) => format(at, 'yyyy-MM'), most: 12 },
] as const

/**
 * Names of automatic backups that are no longer needed: kept are the latest of each of the last 7 days, 4 weeks and 12
 * months that have one.
 */
export function superseded(backups: readonly MadeBackup[]): string[] {
  const latestFirst = [...backups].sort((a, b) => b.at.getTime() - a.at.getTime())
  const kept = new Set<string>()
  for (const { of, most } of KEPT) {
    const seen = new Set<string>()
    for (const { name, at } of latestFirst) {
      const span = of(at)
      if (seen.has(span)) continue
      if (seen.size === most) break
      seen.add(span)
      kept.add(name)
    }
  }
  return latestFirst.filter(b => !kept.has(b.name)).map(b => b.name)
}

/** Whether a day has passed, by the calendar, since the latest one. */
export const isDue = (backups: readonly MadeBackup[], now: Date): boolean =>
  backups.every(b => differenceInCalendarDays(now, b.at) >= 1)
