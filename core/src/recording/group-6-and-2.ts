import { ParameterError } from '../errors'
import type { FoundSector } from './read-sectors'
import type { SectorToWrite } from './sector-track'

/**
 * The sixty-four bytes of 6-and-2 group code, in order: high bit set, at least one pair of neighbouring ones beside it, at most one
 * pair of neighbouring zeros, and neither AA nor D5, which make the marks (rule from memory; it gives exactly these).
 */
export const BYTES: readonly number[] = Array.from({ length: 128 }, (_, i) => i + 128).filter((b) => {
  const bits = b.toString(2)
  return b !== 0xAA && b !== 0xD5 && /11/.test(bits.slice(1)) && (bits.match(/(?=00)/g) ?? []).length <= 1
})
const VALUE = new Map<number, number>(BYTES.map((b, i) => [b, i]))

const [ADDRESS, DATA, END] = [[0xD5, 0xAA, 0x96], [0xD5, 0xAA, 0xAD], [0xDE, 0xAA, 0xEB]] as const
const SIZE = 256
/** Two-bit ends of the bytes are gathered three to a value. */
const ENDS = 86
const VOLUME = 254

/** 256 bytes as 343 values of six bits, each with the one before it taken off, the last one the check. */
export function toSixes(data: Uint8Array): number[] {
  const swap = (b: number) => (b & 1) << 1 | (b >> 1 & 1)
  const ends = Array.from({ length: ENDS }, (_, i) => swap(data[i]!) | swap(data[i + ENDS]!) << 2 | (i + 2 * ENDS < SIZE ? swap(data[i + 2 * ENDS]!) << 4 : 0))
  const values = [...ends.reverse(), ...Array.from(data, b => b >> 2)]
  return [...values.map((v, i) => v ^ (values[i - 1] ?? 0)), values.at(-1)!]
}

/** The way back. @returns null where the check fails */
export function fromSixes(sixes: readonly number[]): Uint8Array | null {
  const values: number[] = []
  for (const [i, s] of sixes.entries()) values.push(s ^ (values[i - 1] ?? 0))
  if (values.pop() !== 0) return null
  const ends = values.slice(0, ENDS).reverse()
  const swap = (b: number) => (b & 1) << 1 | (b >> 1 & 1)
  return Uint8Array.from({ length: SIZE }, (_, i) => values[ENDS + i]! << 2 | swap(ends[i % ENDS]! >> 2 * Math.floor(i / ENDS) & 3))
}

/**
 * A track in 6-and-2 group code: for each sector self-syncing bytes, address, self-syncing bytes, data.
 * @param length cells of a turn
 * @throws ParameterError where it does not fit, or a sector is not of 256 bytes
 */
export function sixAndTwoTrack(sectors: readonly SectorToWrite[], length: number): Uint8Array {
  const cells: number[] = []
  const byte = (b: number) => { for (let i = 7; i >= 0; i--) cells.push(b >> i & 1) }
  // Eight ones and two zeros: after five of them every reader is in step.
  const sync = (n: number) => { for (let i = 0; i < n; i++) { byte(0xFF); cells.push(0, 0) } }
  const fourAndFour = (b: number) => { byte(b >> 1 | 0xAA); byte(b | 0xAA) }
  for (const s of sectors) {
    if (s.data.length !== SIZE) throw new ParameterError(`a sector of ${s.data.length} bytes`, '256', { field: 'data' })
    sync(16)
    ADDRESS.forEach(byte)
    for (const b of [VOLUME, s.cylinder, s.sector, VOLUME ^ s.cylinder ^ s.sector]) fourAndFour(b)
    END.forEach(byte)
    sync(6)
    DATA.forEach(byte)
    for (const v of toSixes(s.data)) byte(BYTES[v]!)
    END.forEach(byte)
  }
  if (cells.length > length) throw new ParameterError(`${sectors.length} sectors take ${cells.length} cells`, `at most ${length}, what a turn has`, { field: 'sectors' })
  while (cells.length < length) sync(1)
  return Uint8Array.from(cells.slice(0, length))
}

/** The sectors in a stream of cells of 6-and-2 group code: bytes begin with their first one. */
export function readSixAndTwoSectors(cells: Uint8Array): FoundSector[] {
  const bytes: number[] = []
  const at: number[] = []
  let byte = 0
  for (let i = 0; i < cells.length; i++) {
    byte = byte << 1 | cells[i]!
    if (byte < 128) continue
    bytes.push(byte)
    at.push(i - 7)
    byte = 0
  }
  const is = (mark: readonly number[], k: number) => mark.every((m, j) => bytes[k + j] === m)
  const found: FoundSector[] = []
  for (let k = 0; k < bytes.length - 11; k++) {
    if (!is(ADDRESS, k)) continue
    const pair = (j: number) => (bytes[k + 3 + 2 * j]! << 1 | 1) & bytes[k + 4 + 2 * j]!
    const [volume, cylinder, sector, check] = [pair(0), pair(1), pair(2), pair(3)]
    const known = { cylinder, head: 0, sector, size: SIZE, deleted: false, fromCell: at[k]!, toCell: at[k + 11]! }
    if ((volume ^ cylinder ^ sector ^ check) !== 0) {
      found.push({ ...known, status: 'header check failed', data: null })
      continue
    }
    const d = Array.from({ length: 40 }, (_, j) => k + 11 + j).find(j => is(DATA, j))
    // Where the recording ends before its data could, nothing can be said of it.
    if (k + 11 + 40 + 343 > bytes.length && (d === undefined || d + 3 + 343 > bytes.length)) continue
    if (d === undefined) {
      found.push({ ...known, status: 'header without data', data: null })
      continue
    }
    const sixes = bytes.slice(d + 3, d + 3 + 343).map(b => VALUE.get(b))
    const data = sixes.includes(undefined) ? null : fromSixes(sixes as number[])
    found.push({ ...known, status: data ? 'good' : 'data check failed', data, toCell: at[Math.min(at.length - 1, d + 346)]! })
  }
  return found
}
