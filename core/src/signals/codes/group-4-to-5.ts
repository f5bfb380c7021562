import { ParameterError } from '../../base/errors'
import type { FoundSector } from './read-sectors'
import type { SectorToWrite } from './sector-track'

/**
 * Five cells for each half byte: never more than two without a turn of the flux, never more than eight with one (from
 * memory).
 */
export const GROUPS = [
  0b01010, 0b01011, 0b10010, 0b10011, 0b01110, 0b01111, 0b10110, 0b10111, 0b01001, 0b11001, 0b11010, 0b11011, 0b01101,
  0b11101, 0b11110, 0b10101,
] as const
const HALF_BYTE = new Map<number, number>(GROUPS.map((g, i) => [g, i]))

/** Zones of the serial drives, by cylinder counted from 0: sectors a track and microseconds a cell (from memory). */
export const ZONES = [
  { upTo: 16, sectors: 21, cellUs: 3.25 },
  { upTo: 23, sectors: 19, cellUs: 3.5 },
  { upTo: 29, sectors: 18, cellUs: 3.75 },
  { upTo: 41, sectors: 17, cellUs: 4 },
] as const
export const zoneOf = (cylinder: number) => ZONES.find(z => cylinder <= z.upTo) ?? ZONES[3]

const [HEADER, DATA] = [0x08, 0x07]
/** Turns in a row that are a sync: no byte and no pair of them has so many. */
const SYNC = 10
/** Bytes of a block before and after which nothing else belongs to it. */
const HEADER_BYTES = 8
const SIZE = 256

const xor = (bytes: Iterable<number>) => {
  let x = 0
  for (const b of bytes) x ^= b
  return x
}

/**
 * A track in 4-to-5 group code: sync, header, gap, sync, data, gap.
 * @param length cells of a turn
 * @throws ParameterError where it does not fit, or a sector is not of 256 bytes
 */
export function groupTrack(sectors: readonly SectorToWrite[], length: number): Uint8Array {
  const cells: number[] = []
  const put = (value: number, bits: number) => {
    for (let i = bits - 1; i >= 0; i--) cells.push((value >> i) & 1)
  }
  const byte = (b: number) => {
    put(GROUPS[b >> 4]!, 5)
    put(GROUPS[b & 15]!, 5)
  }
  const sync = () => {
    for (let i = 0; i < 40; i++) cells.push(1)
  }
  const gap = (n: number) => {
    for (let i = 0; i < n; i++) put(0x55, 8)
  }
  for (const s of sectors) {
    if (s.data.length !== SIZE) throw new ParameterError(`a sector of ${s.data.length} bytes`, '256', { field: 'data' })
    // Cylinders are counted from 1 on the disk; two id bytes say which disk it is.
    const head = [s.sector, trackOf(s.cylinder, s.head), 0x57, 0x4f]
    sync()
    for (const b of [HEADER, xor(head), ...head, 0x0f, 0x0f]) byte(b)
    gap(9)
    sync()
    byte(DATA)
    for (const b of s.data) byte(b)
    for (const b of [xor(s.data), 0, 0]) byte(b)
    gap(6)
  }
  if (cells.length > length)
    throw new ParameterError(
      `${sectors.length} sectors take ${cells.length} cells`,
      `at most ${length}, what a revolution has`,
      { field: 'sectors' },
    )
  while (cells.length < length) put(0x55, 8)
  return Uint8Array.from(cells.slice(0, length))
}

/** Tracks of a side as two-headed drives count them: 1 to 35 below, 36 to 70 above (from memory). */
const SIDE_TRACKS = 35
const trackOf = (cylinder: number, head: number) => cylinder + 1 + (head ? SIDE_TRACKS : 0)

/** Highest sector of the innermost zone, counted from 0: what has more is further out. */
const INNER_SECTORS = ZONES[3].sectors

/**
 * Whether tracks beyond 35 are the second side's. A disk of one side that was written beyond its 35 tracks has the
 * few sectors of the innermost zone there; the second side's first tracks have more.
 */
function isSecondSide(heads: readonly (readonly number[])[]): boolean {
  const beyond = heads.filter(h => h[3]! > SIDE_TRACKS)
  return beyond.some(h => h[3]! > ZONES[3].upTo + 1 || h[2]! >= INNER_SECTORS)
}

/**
 * The sectors in a stream of cells of 4-to-5 group code. The side is told by the number of the track alone: two-headed
 * drives go on counting on the second side.
 */
export function readGroupSectors(cells: Uint8Array): FoundSector[] {
  const starts = blockStarts(cells)
  const headers = starts.flatMap(from => {
    const head = bytesAt(cells, from, HEADER_BYTES)
    return head?.[0] === HEADER && !head.slice(0, 6).includes(-1) && xor(head.slice(1, 6)) === 0 ? [head] : []
  })
  const second = isSecondSide(headers)
  const found: FoundSector[] = []
  for (const [i, from] of starts.entries()) {
    const head = bytesAt(cells, from, HEADER_BYTES)
    if (head?.[0] !== HEADER) continue
    const known = {
      cylinder: (head[3]! < 0 ? 0 : head[3]!) - 1 - (second && head[3]! > SIDE_TRACKS ? SIDE_TRACKS : 0),
      head: second && head[3]! > SIDE_TRACKS ? 1 : 0,
      sector: head[2]!,
      size: SIZE,
      deleted: false,
      fromCell: from,
      toCell: from + HEADER_BYTES * 10,
    }
    if (head.slice(0, 6).includes(-1) || xor(head.slice(1, 6)) !== 0) {
      found.push({ ...known, status: 'header check failed', data: null })
      continue
    }
    const next = starts[i + 1]
    // Where the recording ends before its data could, nothing can be said of it.
    if ((next ?? from + 400) + (SIZE + 2) * 10 > cells.length) continue
    const body = next !== undefined && next - from < 400 ? bytesAt(cells, next, SIZE + 2) : null
    if (body?.[0] !== DATA) {
      found.push({ ...known, status: 'header without data', data: null })
      continue
    }
    const whole = !body.includes(-1) && xor(body.slice(1)) === 0
    found.push({
      ...known,
      status: whole ? 'good' : 'data check failed',
      data: Uint8Array.from(body.slice(1, SIZE + 1), b => Math.max(0, b)),
      toCell: next! + (SIZE + 2) * 10,
    })
  }
  return found
}

/** Cells at which blocks begin: the first zero after a sync, with the one before it left to the sync. */
function blockStarts(cells: Uint8Array): number[] {
  const starts: number[] = []
  let ones = 0
  for (let i = 0; i < cells.length; i++) {
    if (cells[i]) ones++
    else {
      // A header's and a data block's first group begin with 01.
      if (ones >= SYNC) starts.push(i)
      ones = 0
    }
  }
  return starts
}

/** Bytes from groups, −1 for a group that is none; null where the stream ends before. */
function bytesAt(cells: Uint8Array, from: number, count: number): number[] | null {
  if (from + count * 10 > cells.length) return null
  const out: number[] = []
  for (let b = 0, at = from; b < count; b++) {
    const half = () => {
      let g = 0
      for (let i = 0; i < 5; i++) g = (g << 1) | cells[at++]!
      return HALF_BYTE.get(g)
    }
    const [high, low] = [half(), half()]
    out.push(high === undefined || low === undefined ? -1 : (high << 4) | low)
  }
  return out
}
