import { standingEntries, type LogEntry, type Rests } from '../../log'

export interface UsualWait {
  readonly what: string
  readonly minutes: number
  /** Steps that must not be done before it is over; it holds the first that is there, or all of them. */
  readonly holds: readonly string[]
  readonly holdsAll?: true
  /** What is wet, soaking or setting: no power, and nothing that power moves, before it is over. */
  readonly forbidsPower?: true
}

/**
 * Waits that come up again and again, with the time they usually take (common practice; the hours of glue and oil are
 * a guess that depends on the product), and the steps that must not be done before they are over.
 */
export const USUAL_WAITS: readonly UsualWait[] = [
  { what: 'Vinegar on the crust', minutes: 5, holds: ['clean.caps', 'first-power.bare'], forbidsPower: true },
  {
    what: 'Alcohol drying',
    minutes: 10,
    holds: ['clean.heads', 'drive-train.belt', 'first-power.bare'],
    forbidsPower: true,
  },
  { what: 'Contact spray drying', minutes: 30, holds: ['clean.dry', 'first-power.bare'], forbidsPower: true },
  { what: 'Running in', minutes: 240, holds: ['speed.again', 'prove.closed', 'release.read'] },
  {
    what: 'Oil soaking in',
    minutes: 720,
    holds: ['clean.grease', 'drive-train.carriage', 'first-power.bare'],
    forbidsPower: true,
  },
  {
    // A joint that sets is disturbed by a carriage that moves, by power that moves it, and by a cover.
    what: 'Lacquer or glue curing',
    minutes: 1440,
    holds: ['clean.free', 'clean.grease', 'drive-train.carriage', 'drive-train.loading', 'prove.close', 'prove.closed'],
    holdsAll: true,
    forbidsPower: true,
  },
  { what: 'Parts in the post', minutes: 5 * 1440, holds: ['drive-train.belt', 'drive-train.gears', 'clean.caps'] },
]

/** Words by which a wait that a person named is taken for something wet or setting. */
const WET = /alcohol|vinegar|water|spray|oil|soak|dry|glue|epoxy|resin|lacquer|cur(?:e|ing)|\bset(?:s|ting)?\b/i

const usualOf = (what: string): UsualWait | undefined => USUAL_WAITS.find(w => w.what === what)

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
  /** Other steps that it holds as well. */
  readonly holdsToo: readonly string[]
  /** No power, and nothing that power moves, before it is over. */
  readonly forbidsPower: boolean
  /** No disk, and nothing that touches the heads, before it is over. */
  readonly forbidsDisk: boolean
}

const moves = (rests: readonly Rests[]) => rests.includes('power') || rests.includes('carriage')
const touches = (rests: readonly Rests[]) => rests.includes('heads') || rests.includes('disk')

/** Share of a wait's time that has passed, 0 to 1; times in milliseconds since 1970, UTC. */
export const waitShare = (startMs: number, endMs: number, nowMs: number): number =>
  Math.min(1, Math.max(0, (nowMs - startMs) / (endMs - startMs)))

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
      const usual = usualOf(entry.title)
      const { rests } = entry.data
      const share = waitShare(start, start + length, nowMs)
      return [
        {
          entry,
          what: entry.title,
          endsAt: new Date(start + length).toISOString(),
          share,
          over: share >= 1,
          holds: entry.data.holds ?? null,
          holdsToo: usual?.holdsAll ? usual.holds : [],
          forbidsPower: rests ? moves(rests) : usual ? Boolean(usual.forbidsPower) : WET.test(entry.title),
          forbidsDisk: rests !== undefined && touches(rests),
        },
      ]
    })
    .sort((a, b) => (a.endsAt < b.endsAt ? -1 : 1))
}

/**
 * The step that a wait holds where nobody said: the first step of a usual wait that is there, undone and not at hand.
 * Where none is, the whole drive is held, which is null: what is wet or away lets nothing go on. A wait that a person
 * named holds the step at hand, for which it was started.
 */
export function heldByDefault(
  usual: readonly string[] | null,
  undone: readonly string[],
  current: string | null,
): string | null {
  if (usual === null) return current !== null && undone.includes(current) ? current : null
  return usual.find(id => undone.includes(id) && id !== current) ?? null
}

/** Steps that a wait holds by what rests meanwhile: under power or moving, and with a disk in. */
const HELD: Readonly<Record<Rests, readonly string[]>> = {
  power: ['first-power.bare'],
  carriage: ['clean.free', 'drive-train.carriage', 'first-power.bare'],
  heads: ['clean.heads', 'first-power.sacrifice'],
  disk: ['first-power.sacrifice'],
}

/**
 * The first undone step that a wait of a procedure holds; null, the whole drive, where none is left: its safety gates
 * are closed by it anyway.
 */
export const heldByRests = (rests: readonly Rests[], undone: readonly string[]): string | null =>
  rests.flatMap(r => HELD[r]).find(id => undone.includes(id)) ?? null
