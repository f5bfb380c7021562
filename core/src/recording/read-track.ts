import { lowerBound, quantile } from '../numbers'
import type { FluxTimes } from './flux'
import { readGroupSectors, ZONES } from './group-4-to-5'
import { readSixAndTwoSectors } from './group-6-and-2'
import { readSectors, type FoundSector } from './read-sectors'
import type { Code } from './sector-track'
import { readSplitSectors } from './split-words'
import { separate, type Separated, type SeparatorOptions } from './separator'

/** A code at a rate: what one may try to read a track as. */
export interface Format {
  readonly code: TrackCode
  /** Bits a second: of data for FM and MFM, whose cells have two halves; of cells for group codes. */
  readonly rate: number
}
export type TrackCode = Code | 'split MFM' | '4-to-5' | '6-and-2'

/** How each code's sectors are found in its cells. */
const READERS: Readonly<Record<TrackCode, (cells: Uint8Array) => FoundSector[]>> = {
  'FM': cells => readSectors(cells, 'FM'), 'MFM': cells => readSectors(cells, 'MFM'), 'split MFM': readSplitSectors, '4-to-5': readGroupSectors, '6-and-2': readSixAndTwoSectors,
}

/** Formats of the usual disks: rate and code as in the titles of ECMA-54, -59, -69, -66, -70, -78, -99, -100, -125; 300 kbit/s is a 250 kbit/s disk at 360 r/min. */
export const FORMATS: readonly Format[] = [
  { code: 'MFM', rate: 250_000 }, { code: 'MFM', rate: 500_000 }, { code: 'MFM', rate: 300_000 },
  { code: 'FM', rate: 125_000 }, { code: 'FM', rate: 250_000 }, { code: 'FM', rate: 150_000 }, { code: 'split MFM', rate: 250_000 },
  // Group codes, from memory: the serial drives' four zones, and cells of 4 µs.
  ...ZONES.map((z): Format => ({ code: '4-to-5', rate: 1e6 / z.cellUs })), { code: '6-and-2', rate: 250_000 },
]
/** What the separator counts in, s: half of a bit cell for FM and MFM, each bit having a clock half and a data half; a cell for group codes. */
export const halfCellOf = (f: Format): number => f.code === '4-to-5' || f.code === '6-and-2' ? 1 / f.rate : 0.5 / f.rate

/** A sector with the timing margin that its bits had left. */
export interface MeasuredSector extends FoundSector {
  /** Share of the half window that the worst hundredth of its transitions left: 1 is dead on time, 0 falls into the next. */
  readonly margin: number
  readonly atS: number
}

export interface ReadTrack {
  readonly format: Format
  readonly sectors: readonly MeasuredSector[]
  /** Over all sectors that were found. */
  readonly margin: number
  /** Mean phase error of transitions that follow a short interval and precede a long one, less the other way round, half cells: peak shift pushes it up. */
  readonly shift: number
  /** Rate as followed over nominal, less 1. */
  readonly rateOff: number
}

/** Timing margin left, by the 1st percentile: 1 − 2 |phase error|. @returns NaN for no transition at all */
export function marginOf(s: Separated, fromCell: number, toCell: number): number {
  const [from, to] = [lowerBound(s.at, fromCell), lowerBound(s.at, toCell)]
  const left = new Float64Array(to - from)
  for (let i = from; i < to; i++) left[i - from] = 1 - 2 * Math.abs(s.phase[i]!)
  return quantile(left, 0.01)
}

/** Reads a track's flux as one format. */
export function readTrack(times: FluxTimes, format: Format, options: Partial<SeparatorOptions> = {}): ReadTrack {
  const s = separate(times, { ...options, halfCellS: options.halfCellS ?? halfCellOf(format) })
  const sectors = READERS[format.code](s.cells).map((f): MeasuredSector => ({ ...f, margin: marginOf(s, f.fromCell, f.toCell), atS: times[Math.min(times.length - 1, lowerBound(s.at, f.fromCell))]! }))
  const margins = sectors.map(f => f.margin).filter(m => !Number.isNaN(m))
  return { format, sectors, margin: margins.length ? quantile(margins, 0.01) : Number.NaN, shift: shiftOf(s, sectors), rateOff: rateOf(s, sectors, format) }
}

function shiftOf(s: Separated, sectors: readonly MeasuredSector[]): number {
  let [late, lates, early, earlies] = [0, 0, 0, 0]
  for (const f of sectors) {
    const to = lowerBound(s.at, f.toCell)
    for (let i = Math.max(1, lowerBound(s.at, f.fromCell)); i < Math.min(to, s.at.length - 1); i++) {
      const [before, after] = [s.at[i]! - s.at[i - 1]!, s.at[i + 1]! - s.at[i]!]
      if (before < after) { early += s.phase[i]!; earlies++ }
      else if (before > after) { late += s.phase[i]!; lates++ }
    }
  }
  return earlies && lates ? early / earlies - late / lates : 0
}

function rateOf(s: Separated, sectors: readonly MeasuredSector[], format: Format): number {
  const good = sectors.filter(f => f.status === 'good')
  if (good.length === 0) return Number.NaN
  let [cells, seconds] = [0, 0]
  for (const f of good) {
    const [from, to] = [lowerBound(s.at, f.fromCell), lowerBound(s.at, f.toCell) - 1]
    cells += s.at[to]! - s.at[from]!
    seconds += s.times[to]! - s.times[from]!
  }
  return cells * halfCellOf(format) / seconds - 1
}

/** Reads a track as the format that finds most good sectors, then most headers; null where none finds any. */
export function recogniseTrack(times: FluxTimes, formats: readonly Format[] = FORMATS, options: Partial<SeparatorOptions> = {}): ReadTrack | null {
  const score = (t: ReadTrack) => t.sectors.filter(s => s.status === 'good').length * 1000 + t.sectors.length
  return formats.map(f => readTrack(times, f, options)).filter(t => t.sectors.length > 0).sort((a, b) => score(b) - score(a))[0] ?? null
}
