import { lowerBound } from '../../base/numbers'
import {
  TimingMeter,
  separate,
  SeparatorRoom,
  type FluxTimes,
  type Separated,
  type SeparatorOptions,
} from '../separator'
import { FORMATS, halfCellOf, rankFormats, type Format, type TrackCode } from './formats'
import { readGroupSectors } from './group-4-to-5'
import { readFiveAndThreeSectors } from './group-5-and-3'
import { readSixAndTwoSectors } from './group-6-and-2'
import { readZonedSectors } from './group-zoned'
import { readByteBlocks, readFileBlocks } from './quick-hosts'
import { readQuickBlocks } from './quick-stream'
import { readSectors, type FoundSector } from './read-sectors'
import { readSplitSectors } from './split-words'

/** How each code's sectors are found in its cells. */
const READERS: Readonly<Record<TrackCode, (cells: Uint8Array, at?: Int32Array) => FoundSector[]>> = {
  FM: cells => readSectors(cells, 'FM'),
  MFM: (cells, at) => readSectors(cells, 'MFM', at),
  'split MFM': readSplitSectors,
  '4-to-5': readGroupSectors,
  '6-and-2': readSixAndTwoSectors,
  '5-and-3': readFiveAndThreeSectors,
  'zoned 6-and-2': readZonedSectors,
  'quick stream': readQuickBlocks,
  'quick bytes': readByteBlocks,
  'quick files': readFileBlocks,
}

/** Sectors in the cells of a track. @param at cells of its transitions, where they are known */
export const readCells = (cells: Uint8Array, code: TrackCode, at?: Int32Array): FoundSector[] =>
  READERS[code](cells, at)

/** A sector with the timing margin that its bits had left. */
export interface MeasuredSector extends FoundSector {
  /**
   * Share of the half window that the worst hundredth of its transitions left: 1 is dead on time, 0 falls into the
   * next.
   */
  readonly margin: number
  readonly atS: number
}

export interface ReadTrack {
  readonly format: Format
  readonly sectors: readonly MeasuredSector[]
  /** Over the transitions of all sectors that were found. */
  readonly margin: number
  /** Peak shift, half cells: see {@link TimingMeter.shift}. */
  readonly shift: number
  /** Pulse asymmetry, half cells: see {@link TimingMeter.asymmetry}. */
  readonly asymmetry: number
  /** Rate as followed over nominal, less 1. */
  readonly rateOff: number
  /** Transitions of the sectors by phase, in equal bins over the window. */
  readonly histogram: Uint32Array
}

export type TrackReadOptions = Partial<SeparatorOptions>

/** Nothing of it leaves {@link readTrack}. */
const room = new SeparatorRoom()

/** Reads a track's flux as one format. */
export function readTrack(times: FluxTimes, format: Format, options: TrackReadOptions = {}): ReadTrack {
  const s = separate(times, { ...options, halfCellS: options.halfCellS ?? halfCellOf(format) }, room)
  const meter = new TimingMeter()
  const sectors = readCells(s.cells, format.code, s.at).map((f): MeasuredSector => ({
    ...f,
    margin: meter.take(s, f.fromCell, f.toCell),
    atS: times[Math.min(times.length - 1, lowerBound(s.at, f.fromCell))]!,
  }))
  return {
    format,
    sectors,
    margin: meter.margin,
    shift: meter.shift,
    asymmetry: meter.asymmetry,
    rateOff: rateOf(s, sectors, format),
    histogram: meter.histogram,
  }
}

function rateOf(s: Separated, sectors: readonly MeasuredSector[], format: Format): number {
  let [cells, seconds] = [0, 0]
  for (const f of sectors) {
    if (f.status !== 'good') continue
    const [from, to] = [lowerBound(s.at, f.fromCell), lowerBound(s.at, f.toCell) - 1]
    cells += s.at[to]! - s.at[from]!
    seconds += s.times[to]! - s.times[from]!
  }
  return cells ? (cells * halfCellOf(format)) / seconds - 1 : Number.NaN
}

const goodOf = (t: ReadTrack) => t.sectors.reduce((n, s) => n + (s.status === 'good' ? 1 : 0), 0)

/**
 * Reads a track as the format that finds most good sectors, then most headers that pass their check; null where none
 * finds any. Formats are tried in the
 * order in which they fit, and the first that reads at least half of what it finds is taken.
 * @param likely format of the track before, which is tried first
 */
export function recogniseTrack(
  times: FluxTimes,
  formats: readonly Format[] = FORMATS,
  options: TrackReadOptions = {},
  likely?: Format,
): ReadTrack | null {
  let best: ReadTrack | null = null
  let most = 0
  const tryAs = (f: Format): boolean => {
    const track = readTrack(times, f, options)
    const good = goodOf(track)
    // Marks come up by chance in any code: headers that all fail their check make no track, unless it is the code of
    // the track before.
    const headers = track.sectors.filter(s => s.status !== 'header check failed').length
    const score = good * 1000 + headers + (f === likely ? track.sectors.length / 1000 : 0)
    if (score > most) {
      best = track
      most = score
    }
    return good > 0 && good * 2 >= track.sectors.length
  }
  if (likely && formats.includes(likely) && tryAs(likely)) return sameCodeNearer(best!, formats, tryAs) ?? best
  for (const f of rankFormats(times, formats))
    if (f !== likely && tryAs(f)) return sameCodeNearer(best!, formats, tryAs) ?? best
  return best

  /**
   * The separator follows rates that are some way off: the format that the rate is nearest to is the one that was
   * meant.
   */
  function sameCodeNearer(track: ReadTrack, all: readonly Format[], again: (f: Format) => boolean): ReadTrack | null {
    if (Math.abs(track.rateOff) < 0.03) return null
    const rate = track.format.rate * (1 + track.rateOff)
    const nearest = all
      .filter(f => f.code === track.format.code)
      .sort((a, b) => Math.abs(a.rate / rate - 1) - Math.abs(b.rate / rate - 1))[0]!
    if (nearest === track.format) return null
    most = 0
    return again(nearest) ? best : track
  }
}
