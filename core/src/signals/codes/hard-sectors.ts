import { lowerBound } from '../../base/numbers'
import { separate, type FluxTimes } from '../separator'
import { halfCellOf, type Format } from './formats'

/** What was found between one sector hole and the next. */
export interface HardSector {
  /** Counted from 0 after the index hole; from the first hole of the recording where no index was found. */
  readonly sector: number
  /** Time of the hole, s. */
  readonly atS: number
  /** From the hole to the first bit after the run of zeros, µs; null where no run was found. */
  readonly startUs: number | null
  /** Bytes from that first bit on, high bit first; empty where no run was found. */
  readonly bytes: Uint8Array
}

/** Zero bits that are enough for the run before the data. */
const RUN_BITS = 40

/**
 * The raw bytes after each hole of a hard-sectored disk in FM or MFM. Nothing but a run of zeros and a sync byte is
 * common to such disks: what follows is the host's own, and no check is judged. Both codes write zeros as one
 * transition for each bit, so the run tells which half of a cell is the clock.
 * @param times transitions, s, rising @param holes times of the sector holes, s, the index hole left out
 * @param firstOfTurn number of the hole in `holes` that follows the index hole @param count sectors of a turn
 * @param skip bits to leave out after the first one bit, 0 to 7, where the sync byte begins with zeros of its own
 */
export function readHardSectors(
  times: FluxTimes,
  holes: ArrayLike<number>,
  format: Format,
  turn: { readonly firstOfTurn: number; readonly count: number },
  skip = 0,
): HardSector[] {
  const out: HardSector[] = []
  for (let i = 0; i + 1 < holes.length; i++) {
    const [from, to] = [holes[i]!, holes[i + 1]!]
    const own = times.slice(lowerBound(times, from), lowerBound(times, to))
    const sector = (((i - turn.firstOfTurn) % turn.count) + turn.count) % turn.count
    const found = own.length > RUN_BITS ? dataAfterRun(own, format, skip) : null
    out.push({
      sector,
      atS: from,
      startUs: found ? (found.startS - from) * 1e6 : null,
      bytes: found?.bytes ?? new Uint8Array(),
    })
  }
  return out
}

function dataAfterRun(times: FluxTimes, format: Format, skip: number) {
  const half = halfCellOf(format)
  const { cells, at } = separate(times, { halfCellS: half })
  let [run, last] = [0, -1]
  for (let i = 0; i < cells.length; i++) {
    if (!cells[i]) continue
    const gap = i - last
    last = i
    if (gap === 2) {
      run++
      continue
    }
    // After a run of clocks the first data bit that is one stands one half cell after its clock (FM), or three after
    // the last clock (MFM, which leaves out the clock before it).
    const first = run >= RUN_BITS && (gap === 1 || gap === 3)
    run = 0
    if (!first) continue
    const from = i + 2 * skip
    const count = (cells.length - from) >> 4
    const bytes = Uint8Array.from({ length: count }, (_, b) => {
      let byte = 0
      for (let k = 0; k < 8; k++) byte = (byte << 1) | cells[from + 16 * b + 2 * k]!
      return byte
    })
    return { bytes, startS: times[Math.min(times.length - 1, lowerBound(at, i))]! }
  }
  return null
}
