import { ParameterError } from '../../base/errors'
import type { FoundSector } from './read-sectors'
import type { SectorToWrite } from './sector-track'

/** Three-byte marks of a code whose bytes begin with a one. */
export interface ByteMarks {
  readonly address: readonly number[]
  readonly data: readonly number[]
  readonly end: readonly number[]
}

/** Writes bytes as cells, the high bit first. */
class CellPacker {
  private readonly cells: number[] = []
  readonly byte = (b: number): void => {
    for (let i = 7; i >= 0; i--) this.cells.push((b >> i) & 1)
  }

  /** Eight ones and some zeros, so often: after five of them every reader is in step. */
  sync(times: number, zeros: number): void {
    for (let i = 0; i < times; i++) {
      this.byte(0xff)
      for (let z = 0; z < zeros; z++) this.cells.push(0)
    }
  }

  /** @throws ParameterError where more was written than a turn has */
  done(length: number, sectors: number, zeros: number): Uint8Array {
    if (this.cells.length > length)
      throw new ParameterError(
        `${sectors} sectors take ${this.cells.length} cells`,
        `at most ${length}, what a turn has`,
        { field: 'sectors' },
      )
    while (this.cells.length < length) this.sync(1, zeros)
    return Uint8Array.from(this.cells.slice(0, length))
  }
}

/** A byte as two, with its bits in every second place. */
const fourAndFour = (b: number): [number, number] => [(b >> 1) | 0xaa, b | 0xaa]

/** How a code of such bytes lays its sectors down. */
export interface MarkedLayout {
  readonly marks: ByteMarks
  readonly size: number
  /** Zeros after each self-syncing byte, and how many of them stand before an address and before data. */
  readonly zeros: number
  readonly syncs: readonly [beforeAddress: number, beforeData: number]
}

const VOLUME = 254

/**
 * A track: for each sector self-syncing bytes, address, self-syncing bytes, data.
 * @param encode data to the bytes of a data field
 * @throws ParameterError where it does not fit, or a sector has another size
 */
export function writeMarkedTrack(
  sectors: readonly SectorToWrite[],
  length: number,
  { marks, size, zeros, syncs }: MarkedLayout,
  encode: (data: Uint8Array) => readonly number[],
): Uint8Array {
  const w = new CellPacker()
  for (const s of sectors) {
    if (s.data.length !== size)
      throw new ParameterError(`a sector of ${s.data.length} bytes`, String(size), { field: 'data' })
    w.sync(syncs[0], zeros)
    marks.address.forEach(w.byte)
    for (const b of [VOLUME, s.cylinder, s.sector, VOLUME ^ s.cylinder ^ s.sector]) fourAndFour(b).forEach(w.byte)
    marks.end.forEach(w.byte)
    w.sync(syncs[1], zeros)
    marks.data.forEach(w.byte)
    encode(s.data).forEach(w.byte)
    marks.end.forEach(w.byte)
  }
  return w.done(length, sectors.length, zeros)
}

/** How far after an address its data may begin, bytes. */
const REACH = 40

/**
 * Sectors that are found by an address mark and a data mark in bytes that begin with their first one.
 * @param coded bytes of a data field @param decode its bytes to data, or null where their check fails
 */
export function readMarkedSectors(
  cells: Uint8Array,
  marks: ByteMarks,
  size: number,
  coded: number,
  decode: (bytes: number[]) => Uint8Array | null,
): FoundSector[] {
  const bytes: number[] = []
  const at: number[] = []
  let byte = 0
  for (let i = 0; i < cells.length; i++) {
    byte = (byte << 1) | cells[i]!
    if (byte < 128) continue
    bytes.push(byte)
    at.push(i - 7)
    byte = 0
  }
  const is = (mark: readonly number[], k: number) => mark.every((m, j) => bytes[k + j] === m)
  const found: FoundSector[] = []
  for (let k = 0; k < bytes.length - 11; k++) {
    if (!is(marks.address, k)) continue
    const pair = (j: number) => ((bytes[k + 3 + 2 * j]! << 1) | 1) & bytes[k + 4 + 2 * j]!
    const [volume, cylinder, sector, check] = [pair(0), pair(1), pair(2), pair(3)]
    const known = { cylinder, head: 0, sector, size, deleted: false, fromCell: at[k]!, toCell: at[k + 11]! }
    if ((volume ^ cylinder ^ sector ^ check) !== 0) {
      found.push({ ...known, status: 'header check failed', data: null })
      continue
    }
    const d = Array.from({ length: REACH }, (_, j) => k + 11 + j).find(j => is(marks.data, j))
    // Where the recording ends before its data could, nothing can be said of it.
    if (k + 11 + REACH + coded > bytes.length && (d === undefined || d + 3 + coded > bytes.length)) continue
    if (d === undefined) {
      found.push({ ...known, status: 'header without data', data: null })
      continue
    }
    const data = decode(bytes.slice(d + 3, d + 3 + coded))
    found.push({
      ...known,
      status: data ? 'good' : 'data check failed',
      data,
      toCell: at[Math.min(at.length - 1, d + 3 + coded)]!,
    })
  }
  return found
}
