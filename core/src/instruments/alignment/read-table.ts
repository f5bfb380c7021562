import Papa from 'papaparse'
import { ParameterError } from '../../base/errors'
import type { Counted, SweepPosition } from './check-positions'

const COLUMNS = ['position', 'lower_good', 'lower_expected', 'upper_good', 'upper_expected'] as const

/**
 * A sweep from a CSV table with the columns position, lower_good, lower_expected and, for two heads, upper_good,
 * upper_expected. Margins
 * (lower_margin, upper_margin, in per cent), cylinders that the headers are off (lower_named, upper_named) and the
 * side that a position
 * was come to from (side: below or above) may stand beside them; a cell that is left empty says nothing.
 * @throws ParameterError that names the line and the column
 */
export function readSweep(text: string, file = 'sweep'): SweepPosition[] {
  const { data, meta } = Papa.parse<Record<string, string>>(text.trim(), {
    header: true,
    skipEmptyLines: true,
    transformHeader: h => h.trim().toLowerCase(),
  })
  const has = (c: string) => meta.fields?.includes(c) ?? false
  const lacking = COLUMNS.slice(0, 3).filter(c => !has(c))
  if (lacking.length) throw new ParameterError(`there is no column ${lacking.join(', ')}`, COLUMNS.join(', '), { file })
  const two = has('upper_good') && has('upper_expected')
  return data.map((row, i) => {
    const number = (column: string): number => {
      const cell = (row[column] ?? '').trim()
      const value = Number(cell.replace(',', '.'))
      if (cell === '' || !Number.isFinite(value))
        throw new ParameterError(`${column} is “${cell}”`, 'a plain number, in one unit throughout', {
          file,
          line: i + 2,
          field: column,
        })
      return value
    }
    const maybe = (column: string) => (has(column) && (row[column] ?? '').trim() !== '' ? number(column) : undefined)
    const counted = (head: 'lower' | 'upper'): Counted => {
      const [margin, named] = [maybe(`${head}_margin`), maybe(`${head}_named`)]
      return {
        good: number(`${head}_good`),
        expected: number(`${head}_expected`),
        ...(margin === undefined ? {} : { margin: margin / 100 }),
        ...(named ? { named } : {}),
      }
    }
    const side = (row.side ?? '').trim()
    if (side !== '' && side !== 'below' && side !== 'above')
      throw new ParameterError(`side is “${side}”`, 'below or above', { file, line: i + 2, field: 'side' })
    return {
      position: number('position'),
      lower: counted('lower'),
      upper: two ? counted('upper') : null,
      ...(side ? { side: side as 'below' | 'above' } : {}),
    }
  })
}
