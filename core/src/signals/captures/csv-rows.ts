import type { CsvLayout } from './csv-layout'

const LF = 10
const CR = 13
const ZERO = 48
/** Integers of so many digits are exact, and so is a power of ten: their quotient is the number that text reads as. */
const MOST_DIGITS = 15
const POWERS = Float64Array.from({ length: MOST_DIGITS + 1 }, (_, k) => 10 ** k)
const MINUS = 45

/**
 * Rows as analysers and scopes write nearly all of them, read from the bytes without making text of them: a plain
 * decimal time, and in each column 0, 1 or nothing, or a plain decimal voltage. Any other row is left to whoever knows
 * all that CSV allows.
 */
export class CsvRows {
  /** Time of the row that was read last, in the unit of its column; NaN without such a column. */
  time = Number.NaN
  /** Level (0, 1) or voltage of each channel in that row; NaN where it does not change. */
  readonly values: Float64Array
  private number = 0
  private readonly delimiter: number
  private readonly point: number
  private readonly timeColumn: number
  /** Channel in each column; -1 for none. */
  private readonly channels: Int32Array

  /** @param voltages whether each channel holds voltages instead of levels */
  constructor(
    { delimiter, decimalComma, timeColumn, columns }: CsvLayout,
    private readonly voltages: readonly boolean[],
  ) {
    this.delimiter = delimiter.charCodeAt(0)
    this.point = decimalComma ? 44 : 46
    this.timeColumn = timeColumn ?? -1
    const width = Math.max(this.timeColumn, ...columns.map(c => c.index)) + 1
    this.channels = new Int32Array(width).fill(-1)
    columns.forEach((c, i) => {
      this.channels[c.index] = i
    })
    this.values = new Float64Array(columns.length)
  }

  /** @returns where the next row begins; -1 where this one is not of the usual kind, or has no end */
  read(bytes: Uint8Array, from: number): number {
    const { delimiter, channels, values, voltages } = this
    let at = from
    for (let column = 0; ; column++) {
      const channel = column < channels.length ? channels[column]! : -1
      if (column === this.timeColumn) {
        at = this.readNumber(bytes, at)
        this.time = this.number
      } else if (channel < 0) return -1
      else if (voltages[channel]) {
        const none = bytes[at] === delimiter || bytes[at]! <= CR
        if (!none) at = this.readNumber(bytes, at)
        values[channel] = none ? Number.NaN : this.number
      } else {
        const level = bytes[at]! - ZERO
        const known = level === 0 || level === 1
        if (known) at++
        values[channel] = known ? level : Number.NaN
      }
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

  /** @returns where the number ends; -1 where it is not a plain decimal one */
  private readNumber(bytes: Uint8Array, from: number): number {
    const negative = bytes[from] === MINUS
    let at = negative ? from + 1 : from
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
    const size = behind > 0 ? whole / POWERS[behind]! : whole
    this.number = negative ? -size : size
    return at
  }
}
