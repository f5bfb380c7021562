import { PAIRED_ADDRESS, readMarkedSectors, writeMarkedTrack, type MarkedLayout } from './byte-sectors'
import type { FoundSector } from './read-sectors'
import type { SectorToWrite } from './sector-track'

/**
 * The sixty-four bytes of 6-and-2 group code, in order: high bit set, at least one pair of neighbouring ones beside
 * it, at most one
 * pair of neighbouring zeros, and neither AA nor D5, which make the marks (rule from memory; it gives exactly these).
 */
export const BYTES: readonly number[] = Array.from({ length: 128 }, (_, i) => i + 128).filter(b => {
  const bits = b.toString(2)
  return b !== 0xaa && b !== 0xd5 && /11/.test(bits.slice(1)) && (bits.match(/(?=00)/g) ?? []).length <= 1
})
/** The value of each byte. */
export const VALUE = new Map<number, number>(BYTES.map((b, i) => [b, i]))

const SIZE = 256
const LAYOUT: MarkedLayout = {
  marks: { address: [0xd5, 0xaa, 0x96], data: [0xd5, 0xaa, 0xad], end: [0xde, 0xaa, 0xeb] },
  address: PAIRED_ADDRESS,
  size: SIZE,
  zeros: 2,
  syncs: [16, 6],
}
/** Two-bit ends of the bytes are gathered three to a value. */
const ENDS = 86

/**
 * 256 bytes as 343 values of six bits, each with the one before it taken off, the last one the check. The low bits come
 * first, ascending; the last two values have no third byte, and zeros in its place (from memory).
 */
export function toSixes(data: Uint8Array): number[] {
  const swap = (b: number) => ((b & 1) << 1) | ((b >> 1) & 1)
  const ends = Array.from(
    { length: ENDS },
    (_, i) =>
      swap(data[i]!) | (swap(data[i + ENDS]!) << 2) | (i + 2 * ENDS < SIZE ? swap(data[i + 2 * ENDS]!) << 4 : 0),
  )
  const values = [...ends, ...Array.from(data, b => b >> 2)]
  return [...values.map((v, i) => v ^ (values[i - 1] ?? 0)), values.at(-1)!]
}

/** The way back. @returns null where the check fails */
export function fromSixes(sixes: readonly number[]): Uint8Array | null {
  const values: number[] = []
  for (const [i, s] of sixes.entries()) values.push(s ^ (values[i - 1] ?? 0))
  if (values.pop() !== 0) return null
  const ends = values.slice(0, ENDS)
  const swap = (b: number) => ((b & 1) << 1) | ((b >> 1) & 1)
  return Uint8Array.from(
    { length: SIZE },
    (_, i) => (values[ENDS + i]! << 2) | swap((ends[i % ENDS]! >> (2 * Math.floor(i / ENDS))) & 3),
  )
}

/**
 * A track in 6-and-2 group code: for each sector self-syncing bytes, address, self-syncing bytes, data.
 * @param length cells of a turn
 * @throws ParameterError where it does not fit, or a sector is not of 256 bytes
 */
export const sixAndTwoTrack = (sectors: readonly SectorToWrite[], length: number): Uint8Array =>
  writeMarkedTrack(sectors, length, LAYOUT, ({ data }) => toSixes(data).map(v => BYTES[v]!))

/** The sectors in a stream of cells of 6-and-2 group code. */
export const readSixAndTwoSectors = (cells: Uint8Array): FoundSector[] =>
  readMarkedSectors(cells, LAYOUT, 343, bytes => {
    const sixes = bytes.map(b => VALUE.get(b))
    const data = sixes.includes(undefined) ? null : fromSixes(sixes as number[])
    return data && { data }
  })
