import { ParameterError } from '../../base/errors'
import { CellWriter } from './cells'
import type { FoundSector } from './read-sectors'
import { MFM_SYNC, type SectorToWrite } from './sector-track'

/** Sectors of a track that is written at once, and bytes of each. */
const [COUNT, SIZE] = [11, 512]

/** Odd bits of every byte first, then the even ones, each as the data bits of MFM. */
export function splitBits(bytes: Uint8Array): Uint8Array {
  const out = new Uint8Array(bytes.length * 2)
  for (const [i, b] of bytes.entries()) {
    out[i] = (b >> 1) & 0x55
    out[bytes.length + i] = b & 0x55
  }
  return out
}
/** The way back, from data bits with clocks left out. */
export const joinBits = (split: Uint8Array): Uint8Array =>
  Uint8Array.from(
    { length: split.length / 2 },
    (_, i) => ((split[i]! & 0x55) << 1) | (split[split.length / 2 + i]! & 0x55),
  )

/** Exclusive or of the long words of split data, four bytes. */
export function splitCheck(split: Uint8Array): Uint8Array {
  const sum = new Uint8Array(4)
  for (const [i, b] of split.entries()) sum[i % 4] = sum[i % 4]! ^ b
  return sum
}

/**
 * A track of eleven sectors written in one go, each word split into odd and even bits (from memory).
 * @param length half cells of a turn
 * @throws ParameterError where it does not fit
 */
export function splitTrack(sectors: readonly SectorToWrite[], length: number): Uint8Array {
  if (sectors.length !== COUNT || sectors.some(s => s.data.length !== SIZE))
    throw new ParameterError(`${sectors.length} sectors`, `${COUNT} of ${SIZE} bytes`, { field: 'sectors' })
  const w = new CellWriter()
  /** Bytes of data bits only in their lower places: every second half cell, with the clocks worked out. */
  const bits = (split: Uint8Array) => {
    for (let i = 0; i + 1 < split.length; i += 2) w.mfm((pack(split[i]!) << 4) | pack(split[i + 1]!))
  }
  for (const [i, s] of sectors.entries()) {
    w.mfm(0)
    w.mfm(0)
    w.raw(MFM_SYNC)
    w.raw(MFM_SYNC)
    const info = splitBits(Uint8Array.of(0xff, s.cylinder * 2 + s.head, s.sector, COUNT - i))
    const label = splitBits(new Uint8Array(16))
    const data = splitBits(s.data)
    bits(info)
    bits(label)
    for (const check of [splitCheck(Uint8Array.from([...info, ...label])), splitCheck(data)]) bits(splitBits(check))
    bits(data)
  }
  if (w.length > length)
    throw new ParameterError(`the track takes ${w.length} half cells`, `at most ${length}, what a revolution has`, {
      field: 'sectors',
    })
  while (w.length < length) w.mfm(0)
  return w.done().slice(0, length)
}

/** Four data bits from a byte that has them in every second place. */
const pack = (b: number) => ((b >> 3) & 8) | ((b >> 2) & 4) | ((b >> 1) & 2) | (b & 1)

/** The sectors of a track written at once, each found by its two sync words. */
export function readSplitSectors(cells: Uint8Array): FoundSector[] {
  const found: FoundSector[] = []
  let word = 0
  let last = -1
  for (let i = 0; i < cells.length; i++) {
    word = ((word << 1) | cells[i]!) & 0xffff
    if (word !== MFM_SYNC) continue
    const pair = i - last === 16
    last = i
    if (!pair) continue
    const from = i + 1
    // Eight bytes of header, thirty-two of label, sixteen of checks: half cells as they are, masked to data bits.
    const head = dataBits(cells, from, 56)
    if (!head) continue
    const [format, track, sector] = joinBits(head.slice(0, 8))
    if (format !== 0xff) continue
    const known = {
      cylinder: track! >> 1,
      head: track! & 1,
      sector: sector!,
      size: SIZE,
      deleted: false,
      fromCell: i - 31,
      toCell: from + 56 * 8,
    }
    if (!same(splitCheck(head.slice(0, 40)), joinBits(head.slice(40, 48)))) {
      found.push({ ...known, status: 'header check failed', data: null })
      continue
    }
    const body = dataBits(cells, from + 56 * 8, SIZE * 2)
    // Where the recording ends before its data, nothing can be said of it.
    if (!body) continue
    const whole = same(splitCheck(body), joinBits(head.slice(48, 56)))
    found.push({
      ...known,
      status: whole ? 'good' : 'data check failed',
      data: joinBits(body),
      toCell: from + (56 + SIZE * 2) * 8,
    })
  }
  return found
}

/** Eight half cells to a byte, clocks masked away; null where the stream ends before. */
function dataBits(cells: Uint8Array, from: number, count: number): Uint8Array | null {
  if (from + count * 8 > cells.length) return null
  return Uint8Array.from({ length: count }, (_, k) => {
    let b = 0
    for (let i = 0; i < 8; i++) b = (b << 1) | cells[from + k * 8 + i]!
    return b & 0x55
  })
}

const same = (a: Uint8Array, b: Uint8Array) => a.every((x, i) => x === b[i])
