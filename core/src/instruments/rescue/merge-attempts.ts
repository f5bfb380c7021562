import { addTo } from '../../base/order'
import { combineReads, type MeasuredSector, type SectorState } from '../../signals/codes'
import { toReadings, type TrackReading } from '../interface'
import { sectorKey, type Attempt } from './attempt'
import { nameMissing } from './name-missing'

/** How a sector was won, or why it was not. */
export type RescueHow = 'read' | 'combined' | 'missing'

/** A sector over all attempts. */
export interface RescuedSector {
  readonly cylinder: number
  readonly head: number
  /** −1 where nothing tells which one it is. */
  readonly id: number
  readonly bytes: number
  readonly how: RescueHow
  /** State over all readings: what a missing one lacks. */
  readonly state: SectorState | 'missing'
  /** Null while it is missing. */
  readonly data: Uint8Array | null
  /** Recordings that it comes from: one that read it, or all whose readings were put together. */
  readonly files: readonly string[]
  /** Readings without error, and readings, over all attempts. */
  readonly whole: number
  readonly seen: number
  /** The same attempt by attempt. */
  readonly byAttempt: readonly { readonly whole: number; readonly seen: number; readonly margin: number | null }[]
  /** Readings without error that hold other data than the one taken: the disk was written between, or is two disks. */
  readonly others: number
}

/** All sectors, and the tracks that they are of. */
export interface Merged {
  readonly sectors: readonly RescuedSector[]
  readonly tracks: readonly TrackReading[]
}

interface Try extends MeasuredSector {
  readonly attempt: number
}

/**
 * Sectors of a disk from all attempts. A sector is taken from a reading whose check passed, the most usual data
 * first, then the largest timing margin; where none passed, all readings of it are weighed together.
 */
export function mergeAttempts(attempts: readonly Attempt[]): Merged {
  const tries = new Map<string, Try[]>()
  for (const [attempt, { tracks }] of attempts.entries())
    for (const t of tracks)
      for (const s of t.read?.sectors ?? []) {
        if (s.status === 'header check failed' || s.cylinder !== t.cylinder) continue
        const key = sectorKey(s.cylinder, s.head, s.sector, s.size)
        const own = { ...s, attempt }
        addTo(tries, key, own)
      }
  const asRead = toReadings(
    attempts.flatMap(a => a.tracks),
    { stepsPerCylinder: 1, offset: 0 },
  )
  const tracks = nameMissing(asRead)
  const sectors = tracks.flatMap(t =>
    t.sectors
      .filter(s => s.state !== 'foreign')
      .map(s => {
        const key = sectorKey(t.cylinder, t.head, s.id, s.bytes)
        return rescued({ cylinder: t.cylinder, head: t.head, ...s }, tries.get(key) ?? [], attempts, key)
      }),
  )
  return { sectors, tracks: tracks.map(t => asRescued(t, sectors)) }
}

/** A track with the state that its sectors have now: good where they were rescued. */
function asRescued(t: TrackReading, sectors: readonly RescuedSector[]): TrackReading {
  const own = sectors.filter(s => s.cylinder === t.cylinder && s.head === t.head)
  const saved = (id: number, bytes: number) => own.some(s => s.id === id && s.bytes === bytes && s.how !== 'missing')
  return {
    ...t,
    sectors: t.sectors.map(s => (s.state !== 'foreign' && saved(s.id, s.bytes) ? { ...s, state: 'good' } : s)),
  }
}

function rescued(
  s: { cylinder: number; head: number; id: number; bytes: number; state: SectorState | 'missing'; seen: number },
  tries: readonly Try[],
  attempts: readonly Attempt[],
  key: string,
): RescuedSector {
  const whole = tries.filter(t => t.status === 'good')
  const base = {
    cylinder: s.cylinder,
    head: s.head,
    id: s.id,
    bytes: s.bytes,
    state: s.state,
    whole: whole.length,
    seen: tries.length || s.seen,
    byAttempt: attempts.map((_, i) => {
      const own = tries.filter(t => t.attempt === i)
      const good = own.filter(t => t.status === 'good')
      return {
        whole: good.length,
        seen: own.length,
        margin: good.length ? Math.max(...good.map(t => t.margin)) : null,
      }
    }),
  }
  if (whole.length) {
    const chosen = mostUsual(whole)
    return {
      ...base,
      how: 'read',
      data: chosen[0]!.data,
      files: [attempts[chosen[0]!.attempt]!.file],
      others: whole.length - chosen.length,
    }
  }
  const combined = fromAllReads(attempts, key)
  return combined
    ? { ...base, how: 'combined', ...combined, others: 0 }
    : { ...base, how: 'missing', data: null, files: [], others: 0 }
}

/** Readings with the data that most of them have, the one with the largest margin first. */
function mostUsual(whole: readonly Try[]): Try[] {
  const groups = new Map<string, Try[]>()
  for (const t of whole) {
    const key = t.data!.join()
    addTo(groups, key, t)
  }
  const best = [...groups.values()].sort((a, b) => b.length - a.length)[0]!
  return best.sort((a, b) => b.margin - a.margin)
}

function fromAllReads(
  attempts: readonly Attempt[],
  key: string,
): { readonly data: Uint8Array; readonly files: readonly string[] } | null {
  const from = attempts.filter(a => a.soft.has(key))
  const found = combineReads(from.flatMap(a => [...a.soft.get(key)!]))
  return found?.data ? { data: found.data, files: from.map(a => a.file) } : null
}
