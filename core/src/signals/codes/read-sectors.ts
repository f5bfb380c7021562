import { crc16 } from './crc16'
import { DATA_MARKS, DELETED, FM_MARKS, HEADER, MFM_SYNC, MOST_SIZE_CODE, type Code } from './sector-track'

export type SectorStatus = 'good' | 'data check failed' | 'header check failed' | 'header without data'

/** One sector as it was found in a turn. */
export interface FoundSector {
  readonly cylinder: number
  readonly head: number
  readonly sector: number
  /** Bytes of its data. */
  readonly size: number
  readonly status: SectorStatus
  readonly deleted: boolean
  /** As read, right or wrong; null where there is none. */
  readonly data: Uint8Array | null
  /** Bytes beside the data, in codes that have them. */
  readonly tags?: Uint8Array | null
  /** Half cells at which its header's mark begins and its data end. */
  readonly fromCell: number
  readonly toCell: number
}

/** Bytes between a header and its data's mark, at most; further on it belongs to another sector. */
const REACH = 60

interface Mark {
  readonly kind: number
  readonly from: number
  readonly next: number
}

/**
 * The sectors in a stream of half cells. Marks are found by their missing clocks, wherever they lie; a data field
 * belongs
 * to the header before it, if that is near enough.
 * @param at half cells of the transitions, where they are known: marks are found faster by them
 */
export function readSectors(cells: Uint8Array, code: Code, at?: Int32Array): FoundSector[] {
  const marks = code === 'MFM' ? mfmMarks(cells, at) : fmMarks(cells)
  const found: FoundSector[] = []
  const whole = (d: Mark | undefined, size: number) =>
    d !== undefined && d.kind !== HEADER && d.next + (size + 2) * 16 <= cells.length
  for (const [i, m] of marks.entries()) {
    if (m.kind !== HEADER) continue
    const head = bytesAt(cells, m.next, 6)
    if (!head) continue
    const good = check(code, HEADER, head)
    // A code beyond those that are used comes from a header that is wrong, or from a host of its own.
    const size = 128 << Math.min(head[3]!, MOST_SIZE_CODE)
    const known = { cylinder: head[0]!, head: head[1]!, sector: head[2]!, size, deleted: false, fromCell: m.from }
    if (!good) {
      found.push({ ...known, status: 'header check failed', data: null, toCell: m.next + 6 * 16 })
      continue
    }
    // Where the recording ends before its data could, nothing can be said of it.
    if (m.next + (6 + REACH + size + 2) * 16 > cells.length && !whole(marks[i + 1], size)) continue
    const d = marks[i + 1]
    const body = d && DATA_MARKS.has(d.kind) && d.from - m.next < REACH * 16 ? bytesAt(cells, d.next, size + 2) : null
    if (!body) {
      found.push({ ...known, status: 'header without data', data: null, toCell: m.next + 6 * 16 })
      continue
    }
    found.push({
      ...known,
      deleted: d!.kind === DELETED,
      status: check(code, d!.kind, body) ? 'good' : 'data check failed',
      data: body.slice(0, size),
      toCell: d!.next + (size + 2) * 16,
    })
  }
  return found
}

/** Whether bytes with their check after them are whole. */
const check = (code: Code, mark: number, bytes: Uint8Array) =>
  crc16(bytes, crc16(Uint8Array.of(mark), code === 'MFM' ? AFTER_SYNC : undefined)) === 0
/** The check after the three sync bytes. */
const AFTER_SYNC = crc16(Uint8Array.of(0xa1, 0xa1, 0xa1))

/** Bytes from half cells, the data half of each; null where the stream ends before. */
export function bytesAt(cells: Uint8Array, from: number, count: number): Uint8Array | null {
  if (from + count * 16 > cells.length) return null
  const out = new Uint8Array(count)
  for (let b = 0, at = from + 1; b < count; b++, at += 16) {
    out[b] =
      (cells[at]! << 7) |
      (cells[at + 2]! << 6) |
      (cells[at + 4]! << 5) |
      (cells[at + 6]! << 4) |
      (cells[at + 8]! << 3) |
      (cells[at + 10]! << 2) |
      (cells[at + 12]! << 1) |
      cells[at + 14]!
  }
  return out
}

/** Three sync words in a row, then the byte that says what follows. */
function mfmMarks(cells: Uint8Array, at?: Int32Array): Mark[] {
  const marks: Mark[] = []
  let [lastSync, row] = [-1, 0]
  const ends = at ? syncsByTransitions(at) : syncsByCells(cells)
  for (const i of ends) {
    row = i - lastSync === 16 ? row + 1 : 1
    lastSync = i
    if (row < 3) continue
    const kind = bytesAt(cells, i + 1, 1)
    // A fourth sync word is no kind of field; the next one is looked at again.
    if (kind && (kind[0] === HEADER || DATA_MARKS.has(kind[0]!)))
      marks.push({ kind: kind[0]!, from: i - 47, next: i + 17 })
  }
  return marks
}

/** Half cells at which a sync word ends. */
function syncsByCells(cells: Uint8Array): number[] {
  const ends: number[] = []
  let word = 0
  const n = cells.length
  for (let i = 0; i < n; i++) {
    word = ((word << 1) | cells[i]!) & 0xffff
    if (word === MFM_SYNC) ends.push(i)
  }
  return ends
}

/** The same from the transitions: the sync word is one half cell without, then spacings of 4, 3, 4 and 3. */
function syncsByTransitions(at: Int32Array): number[] {
  const ends: number[] = []
  const n = at.length
  let before = at[0] ?? 0
  let spacings = 0
  for (let i = 1; i < n; i++) {
    const here = at[i]!
    const apart = here - before
    before = here
    // Longer ones than the hexadecimal digit holds are in no sync word.
    spacings = ((spacings << 4) | (apart < 15 ? apart : 15)) & 0xfffff
    if ((spacings & 0xffff) === SYNC_SPACINGS && spacings >> 16 !== 1) ends.push(here)
  }
  return ends
}
const SYNC_SPACINGS = 0x4343

/** Sixteen half cells of a byte whose clock is C7 hex, and the byte. */
const withClockC7 = (byte: number): number => {
  let cells = 0
  for (let i = 7; i >= 0; i--) cells = (cells << 2) | (((0xc7 >> i) & 1) << 1) | ((byte >> i) & 1)
  return cells
}
const FM_KINDS = new Map([FM_MARKS.header, ...[...DATA_MARKS].map(withClockC7)].map(c => [c, dataOf(c)]))

/** The data half of sixteen half cells. */
function dataOf(cells: number): number {
  let byte = 0
  for (let i = 7; i >= 0; i--) byte = (byte << 1) | ((cells >> (2 * i)) & 1)
  return byte
}

/** FM marks are told from data by their missing clocks. */
function fmMarks(cells: Uint8Array): Mark[] {
  const marks: Mark[] = []
  let word = 0
  const n = cells.length
  for (let i = 0; i < n; i++) {
    word = ((word << 1) | cells[i]!) & 0xffff
    const kind = i < 15 ? undefined : FM_KINDS.get(word)
    if (kind !== undefined) marks.push({ kind, from: i - 15, next: i + 1 })
  }
  return marks
}
