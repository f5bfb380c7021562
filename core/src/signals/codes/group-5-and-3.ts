import { PAIRED_ADDRESS, readMarkedSectors, writeMarkedTrack, type MarkedLayout } from './byte-sectors'
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

const SIZE = 256
const LAYOUT: MarkedLayout = {
  marks: { address: [0xd5, 0xaa, 0xb5], data: [0xd5, 0xaa, 0xad], end: [0xde, 0xaa, 0xeb] },
  address: PAIRED_ADDRESS,
  size: SIZE,
  zeros: 1,
  syncs: [12, 8],
}
/** Groups of five bytes; each leaves three values of low bits, and the last byte of all leaves one. */
const GROUPS = 51
const LOWS = 3 * GROUPS + 1

/**
 * Places of the values on the disk (from memory of the published routine, which fills its buffers downwards): group g
 * of five bytes stands at index 50 − g of each part; low bits are written from the last one down, high bits upwards.
 */
const placeOf = (group: number) => GROUPS - 1 - group

/** 256 bytes as 411 values of five bits, each with the one before it taken off, the last one the check. */
export function toFives(data: Uint8Array): number[] {
  const lows = new Array<number>(LOWS).fill(0)
  const highs = new Array<number>(SIZE).fill(0)
  for (let g = 0; g < GROUPS; g++) {
    const at = placeOf(g)
    const [d, e] = [data[g * 5 + 3]! & 7, data[g * 5 + 4]! & 7]
    for (let k = 0; k < 5; k++) highs[GROUPS * k + at] = data[g * 5 + k]! >> 3
    for (let k = 0; k < 3; k++) {
      const bit = 2 - k
      lows[GROUPS * k + at] = ((data[g * 5 + k]! & 7) << 2) | (((d >> bit) & 1) << 1) | ((e >> bit) & 1)
    }
  }
  highs[SIZE - 1] = data[SIZE - 1]! >> 3
  lows[LOWS - 1] = data[SIZE - 1]! & 7
  const values = [...lows.reverse(), ...highs]
  return [...values.map((v, i) => v ^ (values[i - 1] ?? 0)), values.at(-1)!]
}

/** The way back. @returns null where the check fails */
export function fromFives(fives: readonly number[]): Uint8Array | null {
  const values: number[] = []
  for (const [i, v] of fives.entries()) values.push(v ^ (values[i - 1] ?? 0))
  if (values.pop() !== 0) return null
  const lows = values.slice(0, LOWS).reverse()
  const highs = values.slice(LOWS)
  const data = new Uint8Array(SIZE)
  for (let g = 0; g < GROUPS; g++) {
    const at = placeOf(g)
    for (let k = 0; k < 5; k++) data[g * 5 + k] = highs[GROUPS * k + at]! << 3
    for (let k = 0; k < 3; k++) {
      const low = lows[GROUPS * k + at]!
      const bit = 2 - k
      data[g * 5 + k]! |= low >> 2
      data[g * 5 + 3]! |= ((low >> 1) & 1) << bit
      data[g * 5 + 4]! |= (low & 1) << bit
    }
  }
  data[SIZE - 1] = (highs[SIZE - 1]! << 3) | lows[LOWS - 1]!
  return data
}

/**
 * A track in 5-and-3 group code: for each sector self-syncing bytes, address, self-syncing bytes, data.
 * @param length cells of a turn
 * @throws ParameterError where it does not fit, or a sector is not of 256 bytes
 */
export const fiveAndThreeTrack = (sectors: readonly SectorToWrite[], length: number): Uint8Array =>
  writeMarkedTrack(sectors, length, LAYOUT, ({ data }) => toFives(data).map(v => BYTES_OF_FIVE[v]!))

/** The sectors in a stream of cells of 5-and-3 group code. */
export const readFiveAndThreeSectors = (cells: Uint8Array): FoundSector[] =>
  readMarkedSectors(cells, LAYOUT, 411, bytes => {
    const fives = bytes.map(b => VALUE.get(b))
    const data = fives.includes(undefined) ? null : fromFives(fives as number[])
    return data && { data }
  })
