import { standingEntries, type LogEntry } from '../observations'

/** Waits that come up again and again, with the time they usually take (common practice). */
export const USUAL_WAITS: readonly { readonly what: string, readonly minutes: number }[] = [
  { what: 'Alcohol drying', minutes: 10 },
  { what: 'Vinegar on the crust', minutes: 15 },
  { what: 'Contact spray drying', minutes: 30 },
  { what: 'Running in', minutes: 240 },
  { what: 'Oil soaking in', minutes: 720 },
  { what: 'Lacquer or glue curing', minutes: 1440 },
  { what: 'Parts in the post', minutes: 5 * 1440 },
]

export interface Wait {
  readonly entry: LogEntry
  readonly what: string
  /** ISO 8601, UTC. */
  readonly endsAt: string
  /** Share of the time that has passed, 0 to 1. */
  readonly share: number
  readonly over: boolean
}

/**
 * Waits that nobody has ended yet, the next to run out first; one that ran out stays until a person says so.
 * @param nowMs milliseconds since 1970, UTC; passed in because core has no clock
 */
export function openWaits(log: readonly LogEntry[], nowMs: number): Wait[] {
  const standing = standingEntries(log)
  const ended = new Set(standing.map(e => e.data?.type === 'wait-ended' ? e.data.wait : null))
  return standing.flatMap((entry) => {
    if (entry.data?.type !== 'wait' || ended.has(entry.id)) return []
    const start = Date.parse(entry.at)
    const length = entry.data.minutes * 60_000
    const share = Math.min(1, Math.max(0, (nowMs - start) / length))
    return [{ entry, what: entry.title, endsAt: new Date(start + length).toISOString(), share, over: share >= 1 }]
  }).sort((a, b) => a.endsAt < b.endsAt ? -1 : 1)
}
