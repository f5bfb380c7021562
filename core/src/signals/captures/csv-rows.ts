import type { CsvLayout } from './csv-layout'

const LF = 10
const CR = 13
const ZERO = 48
/** Integers of so many digits are exact, and so is a power of ten: their quotient is the number that text reads as. */
const MOST_DIGITS = 15
const POWERS = Float64Array.from({ length: MOST_DIGITS + 1 }, (_, k) => 10 ** k)
/** No change in this cell. */
const NOTHING = -1

/**
 * Rows as logic analysers write nearly all of them, read from the bytes without making text of them: a plain decimal
 * time, and 0, 1 or nothing in each column. Any other row is left to whoever knows all that CSV allows.
 */
export class CsvRows {
  /** Time of the row that was read last, in the unit of its column; NaN without such a column. */
  time = Number.NaN
  /** Level of each channel in that row: 0, 1, or -1 where it does not change. */
  readonly levels: Int8Array
  private readonly delimiter: number
  private readonly point: number
  private readonly timeColumn: number
  /** Channel in each column; -1 for none. */
  private readonly channels: Int32Array

  constructor({ delimiter, decimalComma, timeColumn, columns }: CsvLayout) {
    this.delimiter = delimiter.charCodeAt(0)
    this.point = decimalComma ? 44 : 46
    this.timeColumn = timeColumn ?? -1
    const width = Math.max(this.timeColumn, ...columns.map(c => c.index)) + 1
    this.channels = new Int32Array(width).fill(-1)
    columns.forEach((c, i) => {
      this.channels[c.index] = i
    })
    this.levels = new Int8Array(columns.length)
  }

  /** @returns where the next row begins; -1 where this one is not of the usual kind, or has no end */
  read(bytes: Uint8Array, from: number): number {
    const { delimiter, channels, levels } = this
    levels.fill(NOTHING)
    let at = from
    for (let column = 0; ; column++) {
      if (column === this.timeColumn) at = this.readTime(bytes, at)
      else if (column < channels.length && channels[column]! >= 0) {
        const level = bytes[at]! - ZERO
        if (level === 0 || level === 1) {
          levels[channels[column]!] = level
          at++
        }
      } else return -1
      if (at < 0) return -1
      const end = bytes[at]
      if (end === delimiter) {
        at++
        continue
      }
      // A row that is too short may lack the very column of its time.
      if (column < channels.length - 1) return -1
      if (end === LF) return at + 1
      return end === CR && bytes[at + 1] === LF ? at + 2 : -1
    }
  }

  /** @returns where the time ends; -1 where it is not a plain decimal number */
  private readTime(bytes: Uint8Array, from: number): number {
    let at = from
    let whole = 0
    let digits = 0
    let behind = -1
    for (;;) {
      const c = bytes[at]! - ZERO
      if (c >= 0 && c <= 9) {
        whole = whole * 10 + c
        digits++
        if (behind >= 0) behind++
      } else if (bytes[at] === this.point && behind < 0) behind = 0
      else break
      at++
    }
    if (digits === 0 || digits > MOST_DIGITS) return -1
    this.time = behind > 0 ? whole / POWERS[behind]! : whole
    return at
  }
}
