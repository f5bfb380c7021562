import type { CallKind } from '@wobrin/core/base/observations'
import { speedsAmong, standingEntries, type LogEntry } from '@wobrin/core/log'

const plural = new Intl.PluralRules('en', { type: 'ordinal' })
const SUFFIX: Readonly<Record<string, string>> = { one: 'st', two: 'nd', few: 'rd', other: 'th' }
const ordinal = (n: number) => `${n}${SUFFIX[plural.select(n)]}`

/** Readings on a log for the ruler, latest first, each with a word for when it was. */
export function earlierReadings(log: readonly LogEntry[]): { rpm: number; label: string; kind: CallKind }[] {
  const all = speedsAmong(standingEntries(log))
  return all
    .map(({ entry, rpm }, i) => ({
      rpm,
      kind: entry.call?.kind ?? ('unknown' as const),
      label: i === 0 ? 'as found' : ordinal(i + 1),
    }))
    .reverse()
}
