import { InputError } from '../../base/errors'
import type { ReadOptions, TimeUnit } from './capture'

const UNIT_SECONDS: Readonly<Record<TimeUnit, number>> = { s: 1, ms: 1e-3, us: 1e-6, ns: 1e-9 }

/** What the columns of a CSV capture mean, found from its comments, its heading and its first rows. */
export interface CsvLayout {
  readonly delimiter: string
  readonly decimalComma: boolean
  /** Index of the time column; null where rows are evenly spaced samples. */
  readonly timeColumn: number | null
  readonly secondsPerUnit: number
  /** Given or announced sample rate; null where the time column tells. */
  readonly sampleRateHz: number | null
  /** Every column but the time, by index. */
  readonly columns: readonly { readonly index: number; readonly name: string }[]
  readonly hasHeading: boolean
  readonly notices: readonly string[]
}

/** Comment lines begin with one of these; a lone semicolon-separated row never begins with its separator. */
export function isComment(line: string): boolean {
  return /^\s*(?:[;#%]|\/\/|META\b)/.test(line)
}

const NUMBER = /^[+-]?(?:\d+(?:[.,]\d*)?|[.,]\d+)(?:e[+-]?\d+)?$/i
const LEVEL_WORD = /^(?:[01xzhl]|high|low|true|false)?$/i

const isNumber = (cell: string): boolean => NUMBER.test(cell.trim())

function findDelimiter(line: string): string {
  if (line.includes(';')) return ';'
  if (line.includes('\t')) return '\t'
  return ','
}

/** Sample rates that a recorder can have, Hz: from a slow logger to the fastest scopes (from memory). */
const RATES = { least: 1, most: 1e11 } as const

/** @throws InputError where no recorder has such a rate */
function checkRate(rateHz: number, where: { readonly file: string; readonly line: number }): void {
  if (!(rateHz >= RATES.least && rateHz <= RATES.most))
    throw new InputError(`a sample rate of ${rateHz} Hz`, `${RATES.least} Hz to ${RATES.most / 1e9} GHz`, where)
}

/** "Samplerate: 1 MHz" and the like, in comments. */
function announcedRate(comments: readonly string[]): number | null {
  for (const line of comments) {
    const m = /sample\s*-?rate\s*(?:[:=]\s*)?([\d.]+)\s*([kMG]?)(?:Hz|S\/s|Sa\/s)?/i.exec(line)
    if (m) return Number(m[1]) * ({ '': 1, k: 1e3, K: 1e3, M: 1e6, m: 1e6, G: 1e9, g: 1e9 }[m[2]!] ?? 1)
  }
  return null
}

/** "Channels (2/8): INDEX, STEP" in comments: names where the heading has none. */
function announcedNames(comments: readonly string[]): string[] | null {
  for (const line of comments) {
    const m = /channels?\s*(?:\([^)]*\)\s*)?:\s*(\S.*)$/i.exec(line)
    if (m)
      return m[1]!
        .split(',')
        .map(s => s.trim())
        .filter(Boolean)
  }
  return null
}

function unitInHeading(heading: string): TimeUnit | null {
  const m = /(?:[[(_\s/]|^)(s|sec|seconds?|ms|milliseconds?|us|\u00B5s|microseconds?|ns|nanoseconds?)[\])\s]*$/i.exec(
    heading.trim(),
  )
  if (!m) return null
  const unit = m[1]!.toLowerCase()
  if (unit.startsWith('ms') || unit.startsWith('milli')) return 'ms'
  if (unit.startsWith('us') || unit.startsWith('µ') || unit.startsWith('μ') || unit.startsWith('micro')) return 'us'
  if (unit.startsWith('n')) return 'ns'
  return 's'
}

const toNumber = (cell: string, decimalComma: boolean) => Number(decimalComma ? cell.replace(',', '.') : cell)

function looksLikeTime(rows: readonly string[][], decimalComma: boolean): boolean {
  const first = rows.map(r => r[0]!.trim())
  if (!first.every(isNumber)) return false
  const t = first.map(c => toNumber(c, decimalComma))
  for (let i = 1; i < t.length; i++) if (t[i]! < t[i - 1]!) return false
  return t.length > 1 && t.some(x => x !== 0 && x !== 1)
}

/**
 * Finds out how a CSV capture is laid out.
 * @param comments comment lines before the data @param lines the first few other lines
 * @param firstLine line number of the first of `lines`, for messages
 * @throws InputError when neither times nor a sample rate can be found
 */
export function findCsvLayout(
  comments: readonly string[],
  lines: readonly string[],
  firstLine: number,
  file: string,
  options: ReadOptions,
): CsvLayout {
  const probe = lines[Math.min(1, lines.length - 1)] ?? ''
  const delimiter = findDelimiter(probe)
  const rows = lines.slice(0, 50).map(l => l.split(delimiter).map(c => c.trim().replace(/^"(.*)"$/, '$1')))
  const hasHeading = rows[0]!.some(c => !isNumber(c) && !LEVEL_WORD.test(c))
  const body = hasHeading ? rows.slice(1) : rows
  const where = { file, line: firstLine + (hasHeading ? 1 : 0) }
  if (body.length === 0) throw new InputError('there are no rows of data', 'times and levels below the heading', where)
  const decimalComma = delimiter !== ',' && body.some(r => r.some(c => /^[+-]?\d+,\d+(?:e[+-]?\d+)?$/i.test(c)))
  const heading = hasHeading ? rows[0]! : []
  const notices: string[] = []

  const named = heading.findIndex(h => /^\W*(?:time|t|timestamp|zeit|sec|seconds?|x)\b/i.test(h) || /^time/i.test(h))
  const sampleRateHz = options.sampleRateHz ?? announcedRate(comments)
  let timeColumn: number | null = null
  if (named >= 0) timeColumn = named
  else if (!sampleRateHz && looksLikeTime(body, decimalComma)) timeColumn = 0
  if (timeColumn === null && !sampleRateHz) {
    const cell = body[0]![0]!
    if (!isNumber(cell) && !LEVEL_WORD.test(cell))
      throw new InputError(`"${cell.slice(0, 40)}" is neither a time nor a level`, 'rows of times and levels', where)
    throw new InputError(
      'there is no time column and no sample rate',
      'a column of times, a sample rate in the first lines, or one given by you',
      where,
    )
  }

  if (timeColumn === null) checkRate(sampleRateHz!, where)

  let unit: TimeUnit = options.timeUnit ?? 's'
  if (timeColumn !== null && !options.timeUnit) {
    const found = unitInHeading(heading[timeColumn] ?? '')
    if (found) unit = found
    else notices.push('The time column states no unit; seconds were assumed.')
  }
  const fallback = announcedNames(comments)
  const width = Math.max(heading.length, body[0]!.length)
  const columns: { index: number; name: string }[] = []
  for (let index = 0; index < width; index++) {
    if (index === timeColumn) continue
    const h = heading[index]
    const plain: string | undefined = h && !/^logic$/i.test(h) ? h : fallback?.[columns.length]
    columns.push({ index, name: plain || `column ${index + 1}` })
  }
  return {
    delimiter,
    decimalComma,
    timeColumn,
    secondsPerUnit: UNIT_SECONDS[unit],
    sampleRateHz: timeColumn === null ? sampleRateHz : null,
    columns,
    hasHeading,
    notices,
  }
}
