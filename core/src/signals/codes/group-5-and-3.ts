import { readMarkedSectors, writeMarkedTrack, type ByteMarks } from './byte-sectors'
import type { FoundSector } from './read-sectors'
import type { SectorToWrite } from './sector-track'

/**
 * The thirty-two bytes of 5-and-3 group code, in order: high bit set, never two zeros side by side, and neither AA
 * nor D5, which make
 * the marks (rule from memory; it gives exactly these).
 */
export const BYTES_OF_FIVE: readonly number[] = Array.from({ length: 128 }, (_, i) => i + 128).filter(
  b => b !== 0xaa && b !== 0xd5 && !b.toString(2).includes('00'),
)
const VALUE = new Map<number, number>(BYTES_OF_FIVE.map((b, i) => [b, i]))

const MARKS: ByteMarks = { address: [0xd5, 0xaa, 0xb5], data: [0xd5, 0xaa, 0xad], end: [0xde, 0xaa, 0xeb] }
const SIZE = 256
/** Groups of five bytes; each leaves three values of low bits, and the last byte leaves one. */
const GROUPS = 51
const LOWS = 3 * GROUPS + 1

/** 256 bytes as 411 values of five bits, each with the one before it taken off, the last one the check. */
export function toFives(data: Uint8Array): number[] {
  const lows = new Array<number>(LOWS).fill(0)
  for (let g = 0; g < GROUPS; g++) {
    const [a, b, c, d, e] = Array.from({ length: 5 }, (_, k) => data[g * 5 + k]! & 7) as [
      number,
      number,
      number,
      number,
      number,
    ]
    lows[g] = (a << 2) | ((d >> 2) << 1) | (e >> 2)
    lows[g + GROUPS] = (b << 2) | (((d >> 1) & 1) << 1) | ((e >> 1) & 1)
    lows[g + 2 * GROUPS] = (c << 2) | ((d & 1) << 1) | (e & 1)
  }
  lows[LOWS - 1] = data[SIZE - 1]! & 7
  const values = [...lows.reverse(), ...Array.from(data, b => b >> 3)]
  return [...values.map((v, i) => v ^ (values[i - 1] ?? 0)), values.at(-1)!]
}

/** The way back. @returns null where the check fails */
export function fromFives(fives: readonly number[]): Uint8Array | null {
  const values: number[] = []
  for (const [i, v] of fives.entries()) values.push(v ^ (values[i - 1] ?? 0))
  if (values.pop() !== 0) return null
  const lows = values.slice(0, LOWS).reverse()
  const data = Uint8Array.from({ length: SIZE }, (_, i) => values[LOWS + i]! << 3)
  for (let g = 0; g < GROUPS; g++) {
    const [x, y, z] = [lows[g]!, lows[g + GROUPS]!, lows[g + 2 * GROUPS]!]
    const low = [
      x >> 2,
      y >> 2,
      z >> 2,
      (((x >> 1) & 1) << 2) | (((y >> 1) & 1) << 1) | ((z >> 1) & 1),
      ((x & 1) << 2) | ((y & 1) << 1) | (z & 1),
    ]
    low.forEach((l, k) => {
      data[g * 5 + k]! |= l
    })
  }
  data[SIZE - 1]! |= lows[LOWS - 1]!
  return data
}

/**
 * A track in 5-and-3 group code: for each sector self-syncing bytes, address, self-syncing bytes, data.
 * @param length cells of a turn
 * @throws ParameterError where it does not fit, or a sector is not of 256 bytes
 */
export const fiveAndThreeTrack = (sectors: readonly SectorToWrite[], length: number): Uint8Array =>
  writeMarkedTrack(sectors, length, { marks: MARKS, size: SIZE, zeros: 1, syncs: [12, 8] }, data =>
    toFives(data).map(v => BYTES_OF_FIVE[v]!),
  )

/** The sectors in a stream of cells of 5-and-3 group code. */
export const readFiveAndThreeSectors = (cells: Uint8Array): FoundSector[] =>
  readMarkedSectors(cells, MARKS, SIZE, 411, bytes => {
    const fives = bytes.map(b => VALUE.get(b))
    return fives.includes(undefined) ? null : fromFives(fives as number[])
  })
