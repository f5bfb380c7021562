import Papa from 'papaparse'
import { strFromU8 } from 'fflate'
import { InputError, LimitError } from '../../base/errors'
import { DEFAULT_MAX_EDGES, type Capture, type CaptureChannel, type FormatReader, type ReadOptions } from './capture'
import { AnalogueColumn, LogicColumn, logicLevel, type CsvColumn } from './csv-column'
import { findCsvLayout, isComment, type CsvLayout } from './csv-layout'
import { CsvRows } from './csv-rows'

const MAX_LINE_BYTES = 64 * 1024
/** Lines looked at before the layout is settled. */
const LOOKAHEAD = 50
const LF = 10
const CR = 13

/** A streaming reader for comma- or semicolon-separated captures: edge lists, sampled levels or bare pulse times. */
export class CsvReader implements FormatReader {
  private held = new Uint8Array(0)
  private offset = 0
  private line = 1
  private layout: CsvLayout | null = null
  private pending: string[] = []
  private columns: CsvColumn[] = []
  /** Most rows go a short way. */
  private rows: CsvRows | null = null
  private pulses: number[] | null = null
  private row = 0
  private firstTime = Number.NaN
  private lastTime = Number.NEGATIVE_INFINITY
  private readonly notices: string[] = []

  constructor(
    private readonly file: string,
    private readonly options: ReadOptions = {},
  ) {}

  feed(chunk: Uint8Array): void {
    if (this.held.length === 0) {
      this.wholeLines(chunk)
      return
    }
    // Only the line that the last chunk cut in two is copied (all of it where lines end with CR alone).
    const to = chunk.indexOf(LF) + 1 || chunk.length
    const cut = new Uint8Array(this.held.length + to)
    cut.set(this.held)
    cut.set(chunk.subarray(0, to), this.held.length)
    this.wholeLines(cut)
    if (to < chunk.length) this.wholeLines(chunk.subarray(to))
  }

  /** Takes the lines that have an end, and keeps the rest. */
  private wholeLines(bytes: Uint8Array): void {
    let end = bytes.length
    while (end > 0 && bytes[end - 1] !== LF && bytes[end - 1] !== CR) end--
    // A lone CR at the very end may be half of a CR LF: wait for the rest.
    if (end === bytes.length && bytes[end - 1] === CR) end--
    while (end > 0 && bytes[end - 1] !== LF && bytes[end - 1] !== CR) end--
    if (bytes.length - end > MAX_LINE_BYTES) throw this.tooLong(end)
    this.held = bytes.slice(end)
    if (end > 0) this.lines(bytes.subarray(0, end))
    this.offset += end
  }

  private tooLong(at: number): LimitError {
    return new LimitError(`a line is longer than ${MAX_LINE_BYTES} characters`, 'rows of a few times and levels', {
      file: this.file,
      line: this.line + this.pending.length,
      byteOffset: this.offset + at,
    })
  }

  private lines(bytes: Uint8Array): void {
    if (this.rows) {
      this.usualRows(bytes, this.rows)
      return
    }
    const lines = strFromU8(bytes)
      .replace(/^\uFEFF/, '')
      .split(/\r\n|\n|\r/)
    lines.pop()
    this.take(lines)
  }

  /** Rows of the usual kind from their bytes; any other is made text of. */
  private usualRows(bytes: Uint8Array, rows: CsvRows): void {
    const { columns } = this
    const { values } = rows
    for (let at = 0; at < bytes.length;) {
      const next = rows.read(bytes, at)
      if (next >= 0) {
        const since = this.timeOf(rows.time, '')
        for (let i = 0; i < columns.length; i++) {
          const value = values[i]!
          if (!Number.isNaN(value)) columns[i]!.set(since, value)
        }
        this.line++
        at = next
        continue
      }
      let end = at
      while (bytes[end] !== LF && bytes[end] !== CR) end++
      this.take([strFromU8(bytes.subarray(at, end))])
      at = end + (bytes[end] === CR && bytes[end + 1] === LF ? 2 : 1)
    }
  }

  /** Holds lines back until there are enough to tell the layout by, or no more are to come. */
  private take(lines: string[], final = false): void {
    if (!this.layout) {
      // Not pushed one by one as arguments: a chunk can hold more short rows than a call may have.
      lines = this.pending = this.pending.concat(lines)
      const body = lines.filter(l => l.trim() !== '' && !isComment(l))
      if (body.length < LOOKAHEAD && !final) return
      if (body.length === 0) return
      const first = lines.indexOf(body[0]!)
      const comments = lines.slice(0, first).filter(isComment)
      this.layout = findCsvLayout(comments, body, this.line + first, this.file, this.options)
      this.notices.push(...this.layout.notices)
      this.prepare(body.slice(this.layout.hasHeading ? 1 : 0))
      const skip = first + (this.layout.hasHeading ? 1 : 0)
      this.line += skip
      lines = lines.slice(skip)
      this.pending = []
    }
    for (const line of lines) {
      // Most rows begin with a digit, and then are no comment.
      const first = line.charCodeAt(0)
      const digit = first >= 48 && first <= 57
      if (digit || (line.trim() !== '' && !isComment(line))) this.addRow(this.cells(line))
      this.line++
    }
  }

  /** The cells of a row; quotes are rare, so only rows that hold any go through the full parser (RFC 4180). */
  private cells(line: string): string[] {
    const { delimiter } = this.layout!
    if (!line.includes('"')) return line.split(delimiter)
    return Papa.parse<string[]>(line, { delimiter, quoteChar: '"' }).data[0] ?? ['']
  }

  private prepare(body: string[]): void {
    const { columns, delimiter, timeColumn, secondsPerUnit, decimalComma, sampleRateHz } = this.layout!
    const max = this.options.maxEdgesPerChannel ?? DEFAULT_MAX_EDGES
    if (columns.length === 0) {
      this.pulses = []
      this.notices.push('There is only a column of times: each row was taken as the start of one pulse.')
      return
    }
    const rows = body.map(l => l.split(delimiter).map(c => c.trim().replace(/^"(.*)"$/, '$1')))
    const rate = () => {
      if (sampleRateHz) return sampleRateHz
      const t = rows.map(r => this.number(r[timeColumn!]) * secondsPerUnit).filter(Number.isFinite)
      const dt = (t[t.length - 1]! - t[0]!) / (t.length - 1)
      return dt > 0 ? 1 / dt : 1000
    }
    this.columns = columns.map(({ index, name }) => {
      const logic = rows.every(r => logicLevel(r[index] ?? '') !== -2)
      return logic
        ? new LogicColumn(name, max, this.options.rolling)
        : new AnalogueColumn(name, decimalComma, rate(), max, this.options.polarity, this.options.rolling)
    })
    const voltages = this.columns.map(c => c instanceof AnalogueColumn)
    this.rows = new CsvRows(this.layout!, voltages)
  }

  private number(cell: string | undefined): number {
    const text = cell?.trim() ?? ''
    if (text === '') return Number.NaN
    return Number(this.layout!.decimalComma ? text.replace(',', '.') : text)
  }

  /**
   * Seconds of a row since the first one.
   * @param time as its column has it; it counts only where there is such a column @param cell its text, for the message
   */
  private timeOf(time: number, cell: string): number {
    const { timeColumn, secondsPerUnit, sampleRateHz } = this.layout!
    const t = timeColumn === null ? this.row / sampleRateHz! : time * secondsPerUnit
    if (!Number.isFinite(t))
      throw new InputError(`"${cell.slice(0, 40)}" is not a time`, 'a number in the time column', {
        file: this.file,
        line: this.line,
      })
    if (t < this.lastTime)
      throw new InputError(`time runs backwards from ${this.lastTime} s to ${t} s`, 'times that never decrease', {
        file: this.file,
        line: this.line,
      })
    if (this.row === 0) this.firstTime = t
    this.lastTime = t
    this.row++
    return t - this.firstTime
  }

  private addRow(row: string[]): void {
    const { timeColumn, columns } = this.layout!
    const cell = timeColumn === null ? '' : (row[timeColumn] ?? '')
    const since = this.timeOf(timeColumn === null ? 0 : this.number(cell), cell)
    if (this.pulses) {
      const most = this.options.rolling ? (this.options.maxEdgesPerChannel ?? DEFAULT_MAX_EDGES) : Infinity
      if (this.pulses.length >= most) this.pulses.splice(0, most >> 1)
      this.pulses.push(since)
      return
    }
    for (let i = 0; i < this.columns.length; i++) {
      const cell = row[columns[i]!.index]?.trim() ?? ''
      if (!this.columns[i]!.add(since, cell)) {
        throw new InputError(
          `"${cell.slice(0, 40)}" in column "${columns[i]!.name}"`,
          'a level (0 or 1) or a voltage as in the rows above',
          { file: this.file, line: this.line },
        )
      }
    }
  }

  /** A last line without a line end: whole, or cut off within. */
  private lastLine(line: string): void {
    const width = this.layout ? this.layout.columns.length + (this.layout.timeColumn === null ? 0 : 1) : 0
    if (this.layout && line.split(this.layout.delimiter).length < width) {
      this.notices.push(`${this.file} breaks off within line ${this.line}; everything before it was read.`)
    } else this.take([line], true)
  }

  snapshot(windowS: number): Omit<Capture, 'fileName'> | null {
    if (!this.layout || this.row === 0) return null
    const durationS = this.lastTime - this.firstTime
    const from = durationS - windowS
    const channels = this.pulses
      ? [pulseChannel(this.pulses.filter(t => t >= from))]
      : this.columns.map(c => c.peek(from, durationS))
    return { format: 'csv', durationS, channels, notices: this.notices }
  }

  finish(): Omit<Capture, 'fileName'> {
    this.take([], true)
    const last = strFromU8(this.held).replace(/\r$/, '')
    if (last.trim() !== '') this.lastLine(last)
    if (!this.layout || this.row === 0) {
      throw new InputError('there are no rows of data', 'times and levels', { file: this.file, line: this.line })
    }
    const durationS = this.row > 0 ? this.lastTime - this.firstTime : 0
    const channels: CaptureChannel[] = this.pulses ? [pulseChannel(this.pulses)] : []
    for (const column of this.columns) {
      const { channel, notice } = column.finish(durationS) as { channel: CaptureChannel; notice?: string }
      channels.push(channel)
      if (notice) this.notices.push(notice)
    }
    return { format: 'csv', durationS, channels, notices: this.notices }
  }
}

/** Bare pulse times as a channel: each pulse is drawn a twentieth of the way to the next one, at most 1 ms. */
function pulseChannel(starts: readonly number[]): CaptureChannel {
  const unique = starts.filter((t, i) => i === 0 || t > starts[i - 1]!)
  const times = new Float64Array(unique.length * 2)
  unique.forEach((t, i) => {
    const gap = (unique[i + 1] ?? t + 0.02) - t
    times[2 * i] = t
    times[2 * i + 1] = t + Math.min(0.001, gap / 20)
  })
  return { name: 'pulses', edgeCount: times.length, edges: { initial: 0, times, gaps: [] } }
}
