import { addTo } from '../../base/order'
import {
  isQuick,
  speedZoneOf,
  mergeTurns,
  mostNamed,
  type Format,
  type MeasuredSector,
  type ReadTrack,
  type SectorState,
} from '../../signals/codes'
import { PHASE_BINS } from '../../signals/separator'

/** A stretch of flux from one place of the heads, as it was read, before turns and visits are put together. */
export interface RawTrack {
  /** By the count of steps; null where home was never seen. */
  readonly cylinder: number | null
  readonly head: 0 | 1
  readonly fromS: number
  readonly toS: number
  /** Turns by the index, 0 without it. */
  readonly turns: number
  /** Flux transitions in it. */
  readonly transitions: number
  /** A piece of it from its middle, for the eye: seconds from the piece's first transition. */
  readonly sample: Float64Array
  readonly read: ReadTrack | null
  /** Index falls from the turn before it to the one after it, seconds; left out where the line is not known. */
  readonly index?: Float64Array
}

const SAMPLE = 600

/** A piece from the middle of some flux. */
export function sampleOf(times: Float64Array): Float64Array {
  const from = Math.max(0, (times.length - SAMPLE) >> 1)
  const first = times[from] ?? 0
  return times.slice(from, from + SAMPLE).map(t => t - first)
}

export interface SectorReading {
  readonly id: number
  readonly bytes: number
  readonly state: SectorState | 'missing'
  /** Cylinder that its header names. */
  readonly names: number
  /** Share of the window; null where there was nothing to measure. */
  readonly margin: number | null
  readonly whole: number
  readonly seen: number
  readonly weakBytes: number
  readonly data: Uint8Array | null
}

/** One cylinder of one head over all its turns and visits. */
export interface TrackReading {
  readonly cylinder: number
  readonly head: 0 | 1
  readonly fromS: number
  readonly toS: number
  readonly turns: number
  /** How long it was read in all. */
  readonly seconds: number
  readonly transitions: number
  readonly sample: Float64Array
  readonly format: Format | null
  readonly margin: number | null
  /** Peak shift, half cells. */
  readonly shift: number
  /** How much later transitions of one polarity come than those of the other, half cells. */
  readonly asymmetry: number
  readonly rateOff: number | null
  /** Transitions by phase over the window, in equal bins. */
  readonly histogram: readonly number[]
  readonly sectors: readonly SectorReading[]
}

/** How the headers' cylinders go with the count of steps. */
export interface Naming {
  /** Steps for each cylinder of the disk: 2 where a disk of half as many tracks was stepped over twice. */
  readonly stepsPerCylinder: 1 | 2
  /** What headers name less what the count says, where it is the same nearly everywhere. */
  readonly offset: number
}

/** The shortest usual turn with the gap after it, s: at 360 r/min. */
const WHOLE_TURN_S = 0.175

/** Fewer transitions than this in a turn are no track, but silence or noise. */
export const SILENCE = 2000

/** How headers and count go together, by most of the tracks that name anything. */
export function namingOf(raw: readonly RawTrack[]): Naming {
  const pairs = raw.flatMap(t => {
    const names = t.read ? mostNamed(t.read.sectors.filter(s => s.status === 'good')) : undefined
    return t.cylinder === null || names === undefined || isQuick(t.read!.format.code)
      ? []
      : [{ cylinder: t.cylinder, names }]
  })
  const [single, double] = [1, 2].map(k => pairs.filter(p => p.cylinder === p.names * k).length) as [number, number]
  if (double > single && pairs.some(p => p.names > 2)) return { stepsPerCylinder: 2, offset: 0 }
  const offsets = new Map<number, number>()
  for (const p of pairs) offsets.set(p.names - p.cylinder, (offsets.get(p.names - p.cylinder) ?? 0) + 1)
  const [offset, votes] = [...offsets].sort((a, b) => b[1] - a[1])[0] ?? [0, 0]
  return { stepsPerCylinder: 1, offset: votes >= 2 && votes > pairs.length * 0.8 ? offset : 0 }
}

/** Headers of both heads in one stretch: without a side line they tell the heads apart. */
function byHeader(t: RawTrack): RawTrack[] {
  if (!t.read) return [t]
  const heads = [0, 1].map(h => t.read!.sectors.filter(s => s.head === h))
  return heads.flatMap((sectors, h) =>
    sectors.length ? [{ ...t, head: h as 0 | 1, read: { ...t.read!, sectors } }] : [],
  )
}

/** A stretch whose cylinder on the disk is known. */
export type DiskTrack = RawTrack & { readonly cylinder: number }

/**
 * Stretches by the cylinder of the disk that they are of; those between its tracks, and those that nothing names, are
 * left out.
 * @param sided whether a side line said which head was chosen
 */
export function onDisk(raw: readonly RawTrack[], naming: Naming, sided = true): DiskTrack[] {
  return (sided ? raw : raw.flatMap(byHeader)).flatMap(t => {
    const names = t.read ? mostNamed(t.read.sectors.filter(s => s.status === 'good')) : undefined
    const cylinder = t.cylinder !== null ? t.cylinder / naming.stepsPerCylinder : names
    // Between two tracks of a disk that is stepped over twice there is nothing to read.
    return cylinder === undefined || !Number.isInteger(cylinder) || cylinder < 0 ? [] : [{ ...t, cylinder }]
  })
}

/**
 * Tracks of a disk from raw stretches: visits and turns are put together, and sectors that tracks of the same layout
 * have but this one
 * has not are listed as missing. In order of cylinder and head.
 * @param sided whether a side line said which head was chosen
 */
export function toReadings(raw: readonly RawTrack[], naming: Naming = namingOf(raw), sided = true): TrackReading[] {
  const groups = new Map<string, DiskTrack[]>()
  for (const t of onDisk(raw, naming, sided)) {
    const key = `${t.cylinder} ${t.head}`
    addTo(groups, key, t)
  }
  const readings = [...groups.values()]
    .map(visits => together(visits, naming))
    .sort((a, b) => a.cylinder - b.cylinder || a.head - b.head)
  const last = readings.reduce((most, r) => (r.sectors.some(s => s.whole > 0) ? Math.max(most, r.cylinder) : most), -1)
  // What was read for less than a turn lacks nothing: the rest may have come past later.
  // Beyond the last track that reads there is nothing on the disk, or nothing that the heads reach.
  return readings
    .filter(r => last < 0 || r.cylinder <= last || r.sectors.length > 0)
    .map(r => (r.cylinder <= last && r.seconds >= WHOLE_TURN_S ? withMissing(r, readings) : r))
}

function together(visits: readonly DiskTrack[], naming: Naming): TrackReading {
  const best = [...visits].sort((a, b) => (b.read?.sectors.length ?? 0) - (a.read?.sectors.length ?? 0))[0]!
  const same = visits.filter(
    v => v.read && v.read.format.code === best.read!.format.code && v.read.format.rate === best.read!.format.rate,
  )
  const found: MeasuredSector[] = same.flatMap(v => v.read!.sectors)
  const margins = same.map(v => v.read!.margin).filter(m => !Number.isNaN(m))
  const rates = same.map(v => v.read!.rateOff).filter(m => !Number.isNaN(m))
  const histogram = new Array<number>(PHASE_BINS).fill(0)
  for (const v of same)
    v.read!.histogram.forEach((n, i) => {
      histogram[i]! += n
    })
  const { cylinder } = best
  const quick = best.read ? isQuick(best.read.format.code) : false
  return {
    cylinder,
    head: best.head,
    fromS: Math.min(...visits.map(v => v.fromS)),
    toS: Math.max(...visits.map(v => v.toS)),
    turns: visits.reduce((n, v) => n + v.turns, 0),
    seconds: visits.reduce((n, v) => n + v.toS - v.fromS, 0),
    transitions: visits.reduce((n, v) => n + v.transitions, 0),
    sample: best.sample,
    format: best.read?.format ?? null,
    margin: margins.length ? Math.min(...margins) : null,
    shift: same[0]?.read!.shift ?? 0,
    asymmetry: same[0]?.read!.asymmetry ?? 0,
    rateOff: rates.length ? rates.reduce((a, b) => a + b) / rates.length : null,
    histogram,
    sectors: mergeTurns(found, quick ? 0 : cylinder + naming.offset).map((s): SectorReading => ({
      id: s.sector,
      bytes: s.size,
      state: s.state,
      names: s.cylinder,
      margin: Number.isNaN(s.margin) ? null : s.margin,
      whole: s.whole,
      seen: s.seen,
      weakBytes: s.weakBytes,
      data: s.data,
    })),
  }
}

/** Whether tracks hold as many sectors: one code and rate, and in a code with a speed for each zone one zone. */
function sameFormat(t: TrackReading, r: TrackReading): boolean {
  if (!r.format) return true
  if (t.format?.code !== r.format.code || t.format.rate !== r.format.rate) return false
  return r.format.code !== 'zoned 6-and-2' || speedZoneOf(t.cylinder) === speedZoneOf(r.cylinder)
}

/** Adds what tracks of the same head and format near by have and this one lacks. */
function withMissing(r: TrackReading, all: readonly TrackReading[]): TrackReading {
  const own = (t: TrackReading) => t.sectors.filter(s => s.state !== 'foreign' && s.id >= 0)
  const near = all
    .filter(t => own(t).length > 0 && sameFormat(t, r))
    .sort((a, b) => Math.abs(a.cylinder - r.cylinder) - Math.abs(b.cylinder - r.cylinder))
    .slice(0, 12)
  if (near.length === 0) return r
  const votes = new Map<string, number>()
  for (const t of near)
    for (const s of own(t)) votes.set(`${s.id} ${s.bytes}`, (votes.get(`${s.id} ${s.bytes}`) ?? 0) + 1)
  const here = new Set(own(r).map(s => `${s.id} ${s.bytes}`))
  const unnamed = r.sectors.filter(s => s.id < 0).length
  const missing = [...votes]
    .filter(([key, n]) => n * 2 >= near.length && !here.has(key))
    .map(([key]) => {
      const [id, bytes] = key.split(' ').map(Number) as [number, number]
      return {
        id,
        bytes,
        state: 'missing' as const,
        names: r.cylinder,
        margin: null,
        whole: 0,
        seen: 0,
        weakBytes: 0,
        data: null,
      }
    })
  // Headers that nobody could read stand for as many of those.
  return {
    ...r,
    sectors: [...r.sectors, ...missing.slice(0, Math.max(0, missing.length - unnamed))].sort((a, b) => a.id - b.id),
  }
}

/** Sectors by what became of them. */
export interface Totals {
  readonly good: number
  readonly bad: number
  readonly missing: number
  readonly foreign: number
}

export function totalsOf(readings: readonly TrackReading[]): Totals {
  const totals = { good: 0, bad: 0, missing: 0, foreign: 0 }
  for (const r of readings) {
    for (const s of r.sectors) {
      if (s.state === 'good') totals.good++
      else if (s.state === 'missing') totals.missing++
      else if (s.state === 'foreign') totals.foreign++
      else totals.bad++
    }
  }
  return totals
}
