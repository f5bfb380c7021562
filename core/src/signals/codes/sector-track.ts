import { ParameterError } from '../../base/errors'
import { CellWriter } from './cells'
import { crc16 } from './crc16'

export type Code = 'FM' | 'MFM'

/** One sector as it is to be written. */
export interface SectorToWrite {
  readonly cylinder: number
  readonly head: number
  readonly sector: number
  /** 128 bytes doubled up to six times; group codes have sizes of their own. */
  readonly data: Uint8Array
  /** Bytes beside the data, in codes that have them. */
  readonly tags?: Uint8Array
  /** Written with the mark for deleted data. */
  readonly deleted?: boolean
}

/** Gaps between what is written, bytes (ECMA-66, -70, -78, -99, -100, from memory). */
export interface Gaps {
  readonly start: number
  readonly afterHeader: number
  readonly afterData: number
}
export const GAPS: Readonly<Record<Code, Gaps>> = {
  FM: { start: 40, afterHeader: 11, afterData: 27 },
  MFM: { start: 80, afterHeader: 22, afterData: 54 },
}

/** Marks: the byte with its missing clocks, as sixteen half cells (ECMA standards, from memory). */
export const MFM_SYNC = 0x4489
export const FM_MARKS = { header: 0xf57e, data: 0xf56f, deleted: 0xf56a, index: 0xf77a } as const
/** Marks of a data field; what FB and F8 mean is standard, FA and F9 are data of the host’s own kind (from memory). */
export const DATA_MARKS: ReadonlySet<number> = new Set([0xf8, 0xf9, 0xfa, 0xfb])
export const HEADER = 0xfe
export const DATA = 0xfb
export const DELETED = 0xf8

/** Largest size code: 6 for 8192 bytes. */
export const MOST_SIZE_CODE = 6

/** Size code of a sector length: 0 for 128 bytes up to 6 for 8192. @throws ParameterError */
export function sizeCode(bytes: number): number {
  const code = Math.log2(bytes / 128)
  if (!Number.isInteger(code) || code < 0 || code > MOST_SIZE_CODE)
    throw new ParameterError(`a sector of ${bytes} bytes`, '128 bytes, doubled up to six times', { field: 'data' })
  return code
}

/**
 * A track of sectors with headers, as half cells from the index on.
 * @param length half cells that a turn has; the last gap fills what is left
 * @throws ParameterError where it does not fit
 */
export function sectorTrack(
  code: Code,
  sectors: readonly SectorToWrite[],
  length: number,
  gaps: Gaps = GAPS[code],
): Uint8Array {
  const w = new CellWriter()
  const byte = (b: number) => (code === 'MFM' ? w.mfm(b) : w.fm(b))
  const fill = (n: number) => {
    for (let i = 0; i < n; i++) byte(code === 'MFM' ? 0x4e : 0xff)
  }
  const sync = () => {
    for (let i = 0; i < (code === 'MFM' ? 12 : 6); i++) byte(0)
  }
  /** A mark, and the check's value after it. */
  const mark = (kind: 'header' | 'data' | 'deleted'): number => {
    const value = kind === 'header' ? HEADER : kind === 'data' ? DATA : DELETED
    sync()
    if (code === 'FM') {
      w.raw(FM_MARKS[kind])
      return crc16([value])
    }
    for (let i = 0; i < 3; i++) w.raw(MFM_SYNC)
    byte(value)
    return crc16([0xa1, 0xa1, 0xa1, value])
  }
  const checked = (bytes: ArrayLike<number>, start: number) => {
    for (let i = 0; i < bytes.length; i++) byte(bytes[i]!)
    const crc = crc16(bytes, start)
    byte(crc >> 8)
    byte(crc & 0xff)
  }
  fill(gaps.start)
  for (const s of sectors) {
    checked([s.cylinder, s.head, s.sector, sizeCode(s.data.length)], mark('header'))
    fill(gaps.afterHeader)
    checked(s.data, mark(s.deleted ? 'deleted' : 'data'))
    fill(gaps.afterData)
  }
  if (w.length > length)
    throw new ParameterError(
      `${sectors.length} sectors take ${w.length} half cells`,
      `at most ${length}, what a revolution has`,
      { field: 'sectors' },
    )
  while (w.length < length) fill(1)
  return w.done().slice(0, length)
}
