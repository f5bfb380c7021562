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
        `at most ${length}, what a revolution has`,
        { field: 'sectors' },
      )
    while (this.cells.length < length) this.sync(1, zeros)
    return Uint8Array.from(this.cells.slice(0, length))
  }
}

/** A byte as two, with its bits in every second place. */
const fourAndFour = (b: number): [number, number] => [(b >> 1) | 0xaa, b | 0xaa]

/** Whose sector it is, as its address tells. */
export interface AddressSaid {
  readonly cylinder: number
  readonly head: number
  readonly sector: number
  /** Whether its check agrees. */
  readonly good: boolean
}

/** How a code writes and reads the address of a sector, between its mark and its end. */
export interface AddressField {
  readonly bytes: number
  readonly write: (s: Pick<SectorToWrite, 'cylinder' | 'head' | 'sector'>) => readonly number[]
  readonly read: (bytes: readonly number[]) => AddressSaid
}

const VOLUME = 254
const fromPair = (bytes: readonly number[], k: number) => ((bytes[2 * k]! << 1) | 1) & bytes[2 * k + 1]!

/** Volume, track, sector and their check, each as two bytes. The side is not on the disk: it is given as 0. */
export const PAIRED_ADDRESS: AddressField = {
  bytes: 8,
  write: ({ cylinder, sector }) => [VOLUME, cylinder, sector, VOLUME ^ cylinder ^ sector].flatMap(b => fourAndFour(b)),
  read: bytes => {
    const [volume, cylinder, sector, check] = [0, 1, 2, 3].map(k => fromPair(bytes, k)) as [
      number,
      number,
      number,
      number,
    ]
    return { cylinder, head: 0, sector, good: (volume ^ cylinder ^ sector ^ check) === 0 }
  },
}

/** How a code of such bytes lays its sectors down. */
export interface MarkedLayout {
  readonly marks: ByteMarks
  readonly address: AddressField
  readonly size: number
  /** Zeros after each self-syncing byte, and how many of them stand before an address and before data. */
  readonly zeros: number
  readonly syncs: readonly [beforeAddress: number, beforeData: number]
}

/**
 * A track: for each sector self-syncing bytes, address, self-syncing bytes, data.
 * @param encode a sector to the bytes of its data field
 * @throws ParameterError where it does not fit, or a sector has another size
 */
export function writeMarkedTrack(
  sectors: readonly SectorToWrite[],
  length: number,
  { marks, address, size, zeros, syncs }: MarkedLayout,
  encode: (sector: SectorToWrite) => readonly number[],
): Uint8Array {
  const w = new CellPacker()
  for (const s of sectors) {
    if (s.data.length !== size)
      throw new ParameterError(`a sector of ${s.data.length} bytes`, String(size), { field: 'data' })
    w.sync(syncs[0], zeros)
    marks.address.forEach(w.byte)
    address.write(s).forEach(w.byte)
    marks.end.forEach(w.byte)
    w.sync(syncs[1], zeros)
    marks.data.forEach(w.byte)
    encode(s).forEach(w.byte)
    marks.end.forEach(w.byte)
  }
  return w.done(length, sectors.length, zeros)
}

/** What a data field holds. */
export interface DecodedField {
  readonly data: Uint8Array
  readonly tags?: Uint8Array
}

/** How far after an address its data may begin, bytes. */
const REACH = 40

/**
 * Sectors that are found by an address mark and a data mark in bytes that begin with their first one.
 * @param coded bytes of a data field @param decode its bytes to data, or null where their check fails
 */
export function readMarkedSectors(
  cells: Uint8Array,
  { marks, address, size }: Pick<MarkedLayout, 'marks' | 'address' | 'size'>,
  coded: number,
  decode: (bytes: number[]) => DecodedField | null,
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
  const ahead = marks.address.length + address.bytes
  for (let k = 0; k < bytes.length - ahead; k++) {
    if (!is(marks.address, k)) continue
    const { good, ...who } = address.read(bytes.slice(k + marks.address.length, k + ahead))
    const known = { ...who, size, deleted: false, fromCell: at[k]!, toCell: at[k + ahead]! }
    if (!good) {
      found.push({ ...known, status: 'header check failed', data: null })
      continue
    }
    const d = Array.from({ length: REACH }, (_, j) => k + ahead + j).find(j => is(marks.data, j))
    // Where the recording ends before its data could, nothing can be said of it.
    if (k + ahead + REACH + coded > bytes.length && (d === undefined || d + 3 + coded > bytes.length)) continue
    if (d === undefined) {
      found.push({ ...known, status: 'header without data', data: null })
      continue
    }
    const field = decode(bytes.slice(d + 3, d + 3 + coded))
    found.push({
      ...known,
      status: field ? 'good' : 'data check failed',
      data: field?.data ?? null,
      ...(field?.tags ? { tags: field.tags } : {}),
      toCell: at[Math.min(at.length - 1, d + 3 + coded)]!,
    })
  }
  return found
}
