import { ParameterError } from '../../base/errors'
import { CellWriter } from './cells'
import { crc16 } from './crc16'
import { bytesAt, type FoundSector } from './read-sectors'

/**
 * A quick disk has one spiral that is read from end to end: no headers, no cylinders, only blocks one after another.
 * Each is a run of zeros,
 * a mark, its kind, its length in two bytes (low one first), its data and a check over all from the mark on (all
 * from memory; hosts differ
 * in what they put into the blocks).
 */
const MARK = 0x80
/** Bytes of zeros before a block; the first comes after a longer lead-in. */
const RUN = 40
const LEAD_IN = 320
/** Zeros that are enough to be taken for a run, half cells. */
const ENOUGH = 16 * 12
/** Longest block: a side holds about 64 KB. */
export const LONGEST_BLOCK = 0xffff
const HEAD_BYTES = 4

export interface QuickBlock {
  readonly kind: number
  readonly data: Uint8Array
}

/**
 * The half cells of a whole pass.
 * @param length half cells of the spiral; zeros fill what is left @throws ParameterError where the blocks do not fit
 */
export function quickStream(blocks: readonly QuickBlock[], length: number): Uint8Array {
  const w = new CellWriter()
  for (let i = 0; i < LEAD_IN; i++) w.mfm(0)
  for (const b of blocks) {
    if (b.data.length > LONGEST_BLOCK)
      throw new ParameterError(`a block of ${b.data.length} bytes`, `at most ${LONGEST_BLOCK}`, { field: 'blocks' })
    for (let i = 0; i < RUN; i++) w.mfm(0)
    const bytes = Uint8Array.of(MARK, b.kind, b.data.length & 0xff, b.data.length >> 8, ...b.data)
    for (const x of bytes) w.mfm(x)
    const crc = crc16(bytes)
    w.mfm(crc >> 8)
    w.mfm(crc & 0xff)
  }
  if (w.length > length)
    throw new ParameterError(
      `${blocks.length} blocks take ${w.length} half cells`,
      `at most ${length}, what the spiral holds`,
      { field: 'blocks' },
    )
  while (w.length + 16 <= length) w.mfm(0)
  return w.done()
}

/**
 * Blocks in a stream of half cells, numbered as they come; what fails its check keeps its number. A run of ones
 * inside good data is none.
 */
export function readQuickBlocks(cells: Uint8Array): FoundSector[] {
  const found: FoundSector[] = []
  let [last, run, inside] = [-1, 0, 0]
  for (let i = 0; i < cells.length; i++) {
    if (!cells[i]) continue
    const gap = i - last
    last = i
    if (gap === 2) {
      run += 2
      continue
    }
    // The mark's one is a data bit: it comes three half cells after the last clock of the run.
    const starts = gap === 3 && run >= ENOUGH && i >= inside
    run = 0
    if (!starts) continue
    const from = i - 1
    const head = bytesAt(cells, from, HEAD_BYTES)
    if (!head || head[0] !== MARK) continue
    const size = head[2]! | (head[3]! << 8)
    const whole = bytesAt(cells, from, HEAD_BYTES + size + 2)
    const good = whole !== null && crc16(whole) === 0
    // Where the recording ends before its data could, nothing can be said of it; a length that was misread is no such
    // case.
    if (!whole && size <= 4096) continue
    const end = good ? from + (HEAD_BYTES + size + 2) * 16 : from + HEAD_BYTES * 16
    found.push({
      cylinder: 0,
      head: 0,
      sector: found.length + 1,
      size,
      deleted: false,
      status: good ? 'good' : 'data check failed',
      data: whole?.slice(HEAD_BYTES, HEAD_BYTES + size) ?? null,
      fromCell: from,
      toCell: good || !whole ? end : from + whole.length * 16,
    })
    if (good) inside = end
  }
  return found
}
