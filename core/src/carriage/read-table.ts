import Papa from 'papaparse'
import { ParameterError } from '../errors'
import type { SweepPosition } from './check-positions'

const COLUMNS = ['position', 'lower_good', 'lower_expected', 'upper_good', 'upper_expected'] as const

/**
 * A sweep from a CSV table with the columns position, lower_good, lower_expected and, for two heads, upper_good, upper_expected.
 * @throws ParameterError that names the line and the column
 */
export function readSweep(text: string, file = 'sweep'): SweepPosition[] {
  const { data, meta } = Papa.parse<Record<string, string>>(text.trim(), { header: true, skipEmptyLines: true, transformHeader: h => h.trim().toLowerCase() })
  const has = (c: string) => meta.fields?.includes(c) ?? false
  const lacking = COLUMNS.slice(0, 3).filter(c => !has(c))
  if (lacking.length) throw new ParameterError(`there is no column ${lacking.join(', ')}`, COLUMNS.join(', '), { file })
  const two = has('upper_good') && has('upper_expected')
  return data.map((row, i) => {
    const number = (column: string): number => {
      const cell = (row[column] ?? '').trim()
      const value = Number(cell.replace(',', '.'))
      if (cell === '' || !Number.isFinite(value)) throw new ParameterError(`${column} is “${cell}”`, 'a plain number, in one unit throughout', { file, line: i + 2, field: column })
      return value
    }
    return { position: number('position'), lower: { good: number('lower_good'), expected: number('lower_expected') }, upper: two ? { good: number('upper_good'), expected: number('upper_expected') } : null }
  })
}
