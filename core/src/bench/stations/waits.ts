import { standingEntries, type LogEntry } from '../../log'

/**
 * Waits that come up again and again, with the time they usually take (common practice), and the steps that must not
 * be done before they are over.
 */
export const USUAL_WAITS: readonly {
  readonly what: string
  readonly minutes: number
  readonly holds: readonly string[]
}[] = [
  { what: 'Alcohol drying', minutes: 10, holds: ['clean.heads', 'drive-train.belt', 'first-power.bare'] },
  { what: 'Vinegar on the crust', minutes: 15, holds: ['clean.caps', 'first-power.bare'] },
  { what: 'Contact spray drying', minutes: 30, holds: ['clean.dry', 'first-power.bare'] },
  { what: 'Running in', minutes: 240, holds: ['speed.again', 'prove.closed', 'release.read'] },
  { what: 'Oil soaking in', minutes: 720, holds: ['clean.grease', 'drive-train.carriage', 'first-power.bare'] },
  { what: 'Lacquer or glue curing', minutes: 1440, holds: ['prove.close', 'prove.closed'] },
  { what: 'Parts in the post', minutes: 5 * 1440, holds: ['drive-train.belt', 'drive-train.gears', 'clean.caps'] },
]

export interface Wait {
  readonly entry: LogEntry
  readonly what: string
  /** ISO 8601, UTC. */
  readonly endsAt: string
  /** Share of the time that has passed, 0 to 1. */
  readonly share: number
  readonly over: boolean
  /** Id of the step that it holds, or null. */
  readonly holds: string | null
}

/**
 * Waits that nobody has ended yet, the next to run out first; one that ran out stays until a person says so.
 * @param nowMs milliseconds since 1970, UTC; passed in because core has no clock
 */
export const openWaits = (log: readonly LogEntry[], nowMs: number): Wait[] => waitsAmong(standingEntries(log), nowMs)

/** The same, where the entries that still hold are known already. */
export function waitsAmong(standing: readonly LogEntry[], nowMs: number): Wait[] {
  const ended = new Set(standing.map(e => (e.data?.type === 'wait-ended' ? e.data.wait : null)))
  return standing
    .flatMap(entry => {
      if (entry.data?.type !== 'wait' || ended.has(entry.id)) return []
      const start = Date.parse(entry.at)
      const length = entry.data.minutes * 60_000
      const share = Math.min(1, Math.max(0, (nowMs - start) / length))
      return [
        {
          entry,
          what: entry.title,
          endsAt: new Date(start + length).toISOString(),
          share,
          over: share >= 1,
          holds: entry.data.holds ?? null,
        },
      ]
    })
    .sort((a, b) => (a.endsAt < b.endsAt ? -1 : 1))
}

/**
 * The step that a usual wait holds on a drive: the first of its steps that is there and undone, else the next undone
 * step.
 */
export function heldByDefault(
  holds: readonly string[],
  undone: readonly string[],
  current: string | null,
): string | null {
  return holds.find(id => undone.includes(id) && id !== current) ?? undone.find(id => id !== current) ?? null
}
