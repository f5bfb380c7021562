import type { FoundSector, SectorStatus } from './read-sectors'

/**
 * The two layouts of quick disks that hosts are known to have used (both from memory). Bytes come low bit first, in
 * MFM cells, without a mark that breaks the rules of the code.
 *
 * (a) byte blocks: a run of 16 hex bytes, A5 hex, then a block with its own length; the first block says how many there
 * are. (b) file blocks: a run of zeros and a single one bit, then a block that its first byte tells: 1 the volume, 2
 * the count of files, 3 a file's header, 4 its data, as long as the header before said.
 */
const SYNC = 0x16
const MARK = 0xa5
/** Zeros of data that are enough to be taken for the run before a block. */
const RUN_BITS = 64
const [VOLUME, COUNT, HEADER, DATA] = [1, 2, 3, 4]
/** Bytes of the blocks whose length is fixed, the kind counted in; a header has its size of data at bytes 13, 14. */
const FIXED: Readonly<Record<number, number>> = { [VOLUME]: 56, [COUNT]: 2, [HEADER]: 16 }
const SIZE_AT = 13

/** A reflected check of 16 bits over bytes, low bit first. @param poly polynomial, reflected */
export function reflectedCheck(bytes: ArrayLike<number>, poly: number, start = 0): number {
  let r = start
  for (let i = 0; i < bytes.length; i++) {
    r ^= bytes[i]!
    for (let k = 0; k < 8; k++) r = r & 1 ? (r >>> 1) ^ poly : r >>> 1
  }
  return r
}
/** Reflected 8005 hex, as serial chips compute it, and reflected 1021 hex. */
export const BYTE_POLY = 0xa001
export const FILE_POLY = 0x8408

/** Data bits of a stream of half cells, seen at one of its two phases. */
class Bits {
  readonly length: number
  constructor(
    private readonly cells: Uint8Array,
    private readonly phase: 0 | 1,
  ) {
    this.length = (cells.length - phase) >> 1
  }
  at(bit: number): number {
    return this.cells[this.phase + 2 * bit]!
  }
  /** Bytes from a bit on, low bit first; null where the stream ends before. */
  bytes(from: number, count: number): Uint8Array | null {
    if (from + 8 * count > this.length) return null
    return Uint8Array.from({ length: count }, (_, b) => {
      let byte = 0
      for (let k = 0; k < 8; k++) byte |= this.at(from + 8 * b + k) << k
      return byte
    })
  }
  cell(bit: number): number {
    return this.phase + 2 * bit
  }
}

interface Block {
  readonly from: number
  readonly bits: number
  readonly data: Uint8Array
  readonly kind: number
  readonly status: SectorStatus
}

const asSector = (b: Block, bits: Bits, i: number): FoundSector => ({
  cylinder: 0,
  head: 0,
  sector: i + 1,
  size: b.data.length,
  deleted: false,
  status: b.status,
  data: b.data,
  tags: Uint8Array.of(b.kind),
  fromCell: bits.cell(b.from),
  toCell: bits.cell(b.from + b.bits),
})

/** Reads both phases: a splice between blocks may change it. Blocks in the order in which they come. */
function inBothPhases(cells: Uint8Array, read: (bits: Bits) => Block[]): FoundSector[] {
  return ([0, 1] as const)
    .flatMap(phase => {
      const bits = new Bits(cells, phase)
      return read(bits).map(b => ({ b, bits }))
    })
    .sort((a, b) => a.bits.cell(a.b.from) - b.bits.cell(b.b.from))
    .map(({ b, bits }, i) => asSector(b, bits, i))
}

/** Blocks of layout (a). A kind of −1 is the first block, whose one byte is the number of blocks. */
export const readByteBlocks = (cells: Uint8Array): FoundSector[] => inBothPhases(cells, byteBlocks)

/** @returns blocks that were found at one phase */
function byteBlocks(bits: Bits): Block[] {
  const found: Block[] = []
  const wanted = SYNC | (SYNC << 8) | (MARK << 16)
  let [word, first] = [0, true]
  for (let i = 0; i < bits.length; i++) {
    word = (word >>> 1) | (bits.at(i) << 23)
    if (word !== wanted) continue
    const from = i - 7
    const block = (first && countBlock(bits, from)) || lengthBlock(bits, from)
    if (!block) continue
    first = false
    found.push(block)
    if (block.status === 'good') i = from + block.bits - 1
  }
  return found
}

/** Whether bytes with their check after them are whole; the mark may be part of what was checked. */
const wholeBytes = (bytes: Uint8Array) =>
  reflectedCheck(bytes, BYTE_POLY) === 0 || reflectedCheck(bytes.subarray(1), BYTE_POLY) === 0

/** Number that stands for the first block, which has no kind of its own. */
const FIRST_KIND = 0xff

function countBlock(bits: Bits, from: number): Block | null {
  const bytes = bits.bytes(from, 4)
  if (!bytes || !wholeBytes(bytes)) return null
  return { from, bits: 32, data: bytes.slice(1, 2), kind: FIRST_KIND, status: 'good' }
}

function lengthBlock(bits: Bits, from: number): Block | null {
  const head = bits.bytes(from, 4)
  if (!head) return null
  const size = head[2]! | (head[3]! << 8)
  const all = bits.bytes(from, 4 + size + 2)
  if (!all) return null
  const status = wholeBytes(all) ? 'good' : 'data check failed'
  return { from, bits: all.length * 8, data: all.slice(4, 4 + size), kind: head[1]!, status }
}

/** Blocks of layout (b). */
export const readFileBlocks = (cells: Uint8Array): FoundSector[] => inBothPhases(cells, fileBlocks)

function fileBlocks(bits: Bits): Block[] {
  const found: Block[] = []
  let [zeros, size] = [0, 0]
  for (let i = 0; i < bits.length; i++) {
    if (bits.at(i) === 0) {
      zeros++
      continue
    }
    const starts = zeros >= RUN_BITS
    zeros = 0
    if (!starts) continue
    const from = i + 1
    const kind = bits.bytes(from, 1)?.[0]
    const length = kind === DATA ? 1 + size : FIXED[kind ?? 0]
    const all = length === undefined ? null : bits.bytes(from, length + 2)
    if (!all || kind === undefined) continue
    // The one bit that ends the run may be counted in, as the last bit of a byte of zeros before it.
    const whole = reflectedCheck(all, FILE_POLY) === 0 || reflectedCheck(Uint8Array.of(0x80, ...all), FILE_POLY) === 0
    found.push({
      from,
      bits: all.length * 8,
      data: all.slice(1, -2),
      kind,
      status: whole ? 'good' : 'data check failed',
    })
    if (kind === HEADER) size = whole ? all[SIZE_AT]! | (all[SIZE_AT + 1]! << 8) : 0
    if (whole) i = from + all.length * 8 - 1
  }
  return found
}
