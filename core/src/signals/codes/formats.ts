import { PHASE_PARTS, separate, type FluxTimes } from '../separator'
import { ZONES } from './group-4-to-5'
import { ZONED_RATE } from './group-zoned'
import type { Code } from './sector-track'

export type TrackCode =
  Code | 'split MFM' | '4-to-5' | '6-and-2' | '5-and-3' | 'zoned 6-and-2' | 'quick stream' | QuickHostCode

/** How hosts are known to have laid out quick disks: byte blocks and file blocks. */
export type QuickHostCode = 'quick bytes' | 'quick files'
export const isQuick = (code: TrackCode): boolean => code.startsWith('quick ')

/** A code at a rate: what one may try to read a track as. */
export interface Format {
  readonly code: TrackCode
  /** Bits a second: of data for FM and MFM, whose cells have two halves; of cells for group codes. */
  readonly rate: number
}

/** Rate of a quick disk's stream, bit/s (from memory). */
export const QUICK_RATE = 101_600
/** Rate of a quick disk with file blocks, bit/s (from memory). */
export const QUICK_FILES_RATE = 96_400

/**
 * Formats of the usual disks: rate and code as in the titles of ECMA-54, -59, -69, -66, -70, -78, -99, -100, -125;
 * 300 kbit/s is a
 * 250 kbit/s disk at 360 r/min. Group codes and the quick stream from memory: the serial drives' four zones, and
 * cells of 4 µs.
 */
export const FORMATS: readonly Format[] = [
  { code: 'MFM', rate: 250_000 },
  { code: 'MFM', rate: 500_000 },
  { code: 'MFM', rate: 300_000 },
  { code: 'FM', rate: 125_000 },
  { code: 'FM', rate: 250_000 },
  { code: 'FM', rate: 150_000 },
  { code: 'split MFM', rate: 250_000 },
  ...ZONES.map((z): Format => ({ code: '4-to-5', rate: 1e6 / z.cellUs })),
  { code: '6-and-2', rate: 250_000 },
  { code: '5-and-3', rate: 250_000 },
  { code: 'zoned 6-and-2', rate: ZONED_RATE },
  { code: 'quick stream', rate: QUICK_RATE },
  { code: 'quick bytes', rate: QUICK_RATE },
  { code: 'quick files', rate: QUICK_FILES_RATE },
]
const CELL_CODES: readonly TrackCode[] = ['4-to-5', '6-and-2', '5-and-3', 'zoned 6-and-2']

/** Codes as they are typed: on the command line and in files. */
export const CODE_IDS: Readonly<Record<TrackCode, string>> = {
  FM: 'fm',
  MFM: 'mfm',
  'split MFM': 'split-mfm',
  '4-to-5': '4-to-5',
  '6-and-2': '6-and-2',
  '5-and-3': '5-and-3',
  'zoned 6-and-2': 'zoned-6-and-2',
  'quick stream': 'quick',
  'quick bytes': 'quick-bytes',
  'quick files': 'quick-files',
}

/**
 * What the separator counts in, s: half of a bit cell for FM and MFM, each bit having a clock half and a data half; a
 * cell for group codes.
 */
export const halfCellOf = (f: Format): number => (CELL_CODES.includes(f.code) ? 1 / f.rate : 0.5 / f.rate)

/** Half cells (cells for group codes) in a turn of a given time. */
export const cellsInTurn = (f: Format, turnS: number): number => Math.floor(turnS / halfCellOf(f) + 1e-6)

/** Codes as people read them. The blocks of the quick stream are invented: no host's disk is read by it. */
export const CODE_LABELS: Readonly<Record<TrackCode, string>> = {
  FM: 'FM',
  MFM: 'MFM',
  'split MFM': 'split MFM',
  '4-to-5': '4-to-5',
  '6-and-2': '6-and-2',
  '5-and-3': '5-and-3',
  'zoned 6-and-2': 'zoned 6-and-2',
  'quick stream': 'quick disk, invented blocks',
  'quick bytes': 'quick disk, byte blocks',
  'quick files': 'quick disk, file blocks',
}

/** @example formatName({ code: 'MFM', rate: 250_000 }) // 'MFM, 250 kbit/s' */
export const formatName = (f: Format): string => `${CODE_LABELS[f.code]}, ${Number((f.rate / 1000).toFixed(1))} kbit/s`

/** Transitions that are enough to tell whether a rate fits. */
const SAMPLE = 3000

/**
 * Formats in the order in which they fit the flux: least mean phase error first, and least transitions that no code
 * at that rate has.
 */
export function rankFormats(times: FluxTimes, formats: readonly Format[] = FORMATS): Format[] {
  const from = Math.max(0, (times.length - SAMPLE) >> 1)
  const sample = times.subarray(from, from + SAMPLE)
  const misfit = new Map<number, number>()
  const misfitOf = (half: number) => {
    const s = separate(sample, { halfCellS: half })
    let [off, odd] = [0, 0]
    for (let i = 1; i < s.at.length; i++) {
      off += Math.abs(s.phase[i]!) / PHASE_PARTS
      if (s.at[i]! - s.at[i - 1]! > 4) odd++
    }
    return (off + odd) / Math.max(1, s.at.length)
  }
  for (const f of formats) {
    const half = halfCellOf(f)
    if (!misfit.has(half)) misfit.set(half, misfitOf(half))
  }
  return formats
    .map((f, i) => ({ f, i, m: misfit.get(halfCellOf(f))! }))
    .sort((a, b) => a.m - b.m || a.i - b.i)
    .map(x => x.f)
}
