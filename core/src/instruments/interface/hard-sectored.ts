import { median } from '../../base/numbers'
import { CODE_IDS, readHardSectors, type Format, type HardSector } from '../../signals/codes'
import { fluxWithin } from '../../signals/separator'
import { findHardSectors, pulsesFromEdges } from '../spindle'
import type { BusLines } from './lines'
import { pulsesAt } from './synthetic'

/** One sector of a hard-sectored disk, over all the revolutions that were recorded. */
export interface HardSectorRow {
  readonly sector: number
  /** From its hole to the first bit, µs: the middle of all, and how far they lie apart. */
  readonly startUs: number | null
  readonly spreadUs: number | null
  /** The first bytes, as hexadecimal pairs; what they mean is the host's own. */
  readonly bytes: string
  /** Bytes that were read, up to the next hole. */
  readonly length: number
}

export interface HardSectored {
  readonly sectors: number
  readonly code: string
  readonly rows: readonly HardSectorRow[]
}

/** Formats that are tried: what drives with sector holes are known to use. */
const TRIED: readonly Format[] = [
  { code: 'FM', rate: 125_000 },
  { code: 'MFM', rate: 250_000 },
  { code: 'FM', rate: 250_000 },
  { code: 'MFM', rate: 500_000 },
]
/** Bytes that are shown of each. */
const SHOWN = 32
/** Seconds of a recording that are looked at: a few revolutions of one track. */
const LOOKED_S = 2

/** The sector holes of a recording, as an index of one pulse a revolution, and what each sector holds; null without. */
export function hardSectorsOf(
  lines: BusLines,
): { readonly index: BusLines['index']; readonly read: HardSectored } | null {
  if (!lines.index) return null
  const found = findHardSectors(pulsesFromEdges(lines.index))
  if (!found) return null
  const { train, sectors, firstOfTurn } = found
  const first = ((firstOfTurn % sectors) + sectors) % sectors
  const turns = [...train.starts].filter((_, i) => (i - first) % sectors === 0)
  return { index: pulsesAt(turns), read: rowsOf(lines, train.starts, { firstOfTurn: first, count: sectors }) }
}

function rowsOf(
  lines: BusLines,
  starts: ArrayLike<number>,
  turn: { readonly firstOfTurn: number; readonly count: number },
): HardSectored {
  const from = starts[0] ?? 0
  const holes = Array.from(starts).filter(t => t < from + LOOKED_S)
  const data = lines['read-data']
  const times = data ? fluxWithin(data, from, holes.at(-1) ?? from) : new Float64Array()
  const read = TRIED.map(format => ({ format, found: readHardSectors(times, holes, format, turn) }))
  const begun = (found: readonly HardSector[]) => found.filter(f => f.startUs !== null).length
  const best = read.reduce((a, b) => (begun(b.found) > begun(a.found) ? b : a))
  return {
    sectors: turn.count,
    code: `${CODE_IDS[best.format.code]} ${best.format.rate / 1000} kbit/s`,
    rows: Array.from({ length: turn.count }, (_, sector) => rowOf(sector, best.found)),
  }
}

function rowOf(sector: number, found: readonly HardSector[]): HardSectorRow {
  const own = found.filter(f => f.sector === sector && f.startUs !== null)
  const starts = own.map(f => f.startUs!)
  const bytes = own[0]?.bytes ?? new Uint8Array()
  return {
    sector,
    startUs: starts.length ? median(starts) : null,
    spreadUs: starts.length > 1 ? Math.max(...starts) - Math.min(...starts) : null,
    bytes: [...bytes.slice(0, SHOWN)].map(b => b.toString(16).padStart(2, '0').toUpperCase()).join(' '),
    length: bytes.length,
  }
}
