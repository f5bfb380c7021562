import { diskImage, type DiskImage } from '../../signals/codes'
import type { TrackReading } from '../interface'
import type { Attempt } from './attempt'
import { mergeAttempts, type Merged, type RescuedSector } from './merge-attempts'
import { nextAttempts, type NextAttempt } from './next-attempt'
import { wearOf, type Wear } from './wear'

/** What several recordings of one disk come to. */
export interface Rescue {
  readonly sectors: readonly RescuedSector[]
  /** The same as tracks, a rescued sector good. */
  readonly tracks: readonly TrackReading[]
  readonly totals: {
    /** Sectors in the image, read or put together. */
    readonly good: number
    /** Of these, put together from readings of which none was without error. */
    readonly combined: number
    /** Of the good ones, those of which some reading without error holds other data. */
    readonly disputed: number
    readonly missing: number
    /** What the best single recording read. */
    readonly bestFile: number
  }
  readonly attempts: readonly { readonly file: string; readonly read: number; readonly won: number }[]
  readonly wear: Wear | null
  /** What promises most first. */
  readonly next: readonly NextAttempt[]
}

/**
 * Merges the attempts, in the order in which they were made.
 * @param merged what they come to, where it is known: what is said of an attempt changes the advice alone
 */
export function rescue(attempts: readonly Attempt[], merged: Merged = mergeAttempts(attempts)): Rescue {
  const { sectors, tracks } = merged
  const good = sectors.filter(s => s.how !== 'missing')
  const wear = wearOf(attempts, sectors)
  const of = attempts.map((a, i) => ({
    file: a.file,
    read: sectors.filter(s => s.byAttempt[i]!.whole > 0).length,
    won: sectors.filter(s => s.byAttempt[i]!.whole > 0 && s.byAttempt.slice(0, i).every(t => t.whole === 0)).length,
  }))
  return {
    sectors,
    tracks,
    totals: {
      good: good.length,
      combined: good.filter(s => s.how === 'combined').length,
      disputed: good.filter(s => s.others > 0).length,
      missing: sectors.length - good.length,
      bestFile: Math.max(0, ...of.map(a => a.read)),
    },
    attempts: of,
    wear,
    next: nextAttempts(attempts, sectors, wear),
  }
}

/** Missing sectors by track, in the order of the tracks; −1 where nothing tells which one it is. */
export function missingByTrack(
  sectors: readonly Pick<RescuedSector, 'cylinder' | 'head' | 'id' | 'how'>[],
): { readonly cylinder: number; readonly head: number; readonly ids: readonly number[] }[] {
  const tracks = new Map<string, { cylinder: number; head: number; ids: number[] }>()
  for (const { cylinder, head, id, how } of sectors) {
    if (how !== 'missing') continue
    const key = `${cylinder} ${head}`
    const track = tracks.get(key) ?? { cylinder, head, ids: [] }
    track.ids.push(id)
    tracks.set(key, track)
  }
  return [...tracks.values()]
}

/** The image of what was rescued: sectors in order of cylinder, head and id; what is missing is filled and listed. */
export const rescueImage = (r: Pick<Rescue, 'sectors'>): DiskImage =>
  diskImage(
    r.sectors.map(({ cylinder, head, id, bytes, how, state, data }) => ({
      cylinder,
      head,
      id,
      bytes,
      state: how === 'missing' ? state : 'good',
      data,
    })),
  )

/** Every sector with its place in the image and where it comes from, as a table for a CSV file. */
export function rescueTable(r: Pick<Rescue, 'sectors'>): {
  readonly columns: readonly string[]
  readonly rows: readonly (readonly (string | number)[])[]
} {
  const by = new Map(r.sectors.map(s => [`${s.cylinder} ${s.head} ${s.id}`, s]))
  return {
    columns: ['cylinder', 'head', 'id', 'offset', 'bytes', 'how', 'state', 'whole', 'seen', 'files'],
    rows: rescueImage(r).map.map(m => {
      const s = by.get(`${m.cylinder} ${m.head} ${m.id}`)!
      return [m.cylinder, m.head, m.id, m.offset, m.bytes, s.how, s.state, s.whole, s.seen, s.files.join(' ')]
    }),
  }
}

/** The rescue as plain JSON, without data. */
export const rescueJson = (r: Rescue): Record<string, unknown> => ({
  totals: r.totals,
  attempts: r.attempts,
  from: r.sectors
    .filter(s => s.how !== 'missing')
    .map(s => ({
      cylinder: s.cylinder,
      head: s.head,
      id: s.id,
      file: s.files[0],
      ...(s.how === 'combined' ? { combined: s.files } : {}),
      ...(s.others ? { others: s.others } : {}),
    })),
  missing: r.sectors
    .filter(s => s.how === 'missing')
    .map(s => ({ cylinder: s.cylinder, head: s.head, id: s.id, state: s.state, seen: s.seen })),
  wear: r.wear,
  next: r.next[0],
  alternatives: r.next.slice(1),
})
