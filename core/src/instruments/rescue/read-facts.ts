import Papa from 'papaparse'
import { ParameterError } from '../../base/errors'
import type { AttemptFacts } from './attempt'

const YES = ['yes', 'true', '1']
const NO = ['no', 'false', '0', '']

/**
 * What is known of each recording, from a CSV table with the column `file` and any of drive, position, cleaned, slower
 * (the last two: yes or no).
 * @throws ParameterError that names the line and the column
 */
export function readFacts(text: string, file = 'facts'): Map<string, AttemptFacts> {
  const { data, meta } = Papa.parse<Record<string, string>>(text.trim(), {
    header: true,
    skipEmptyLines: true,
    transformHeader: h => h.trim().toLowerCase(),
  })
  if (!meta.fields?.includes('file'))
    throw new ParameterError('there is no column file', 'file, drive, position, cleaned, slower', { file })
  return new Map(
    data.map((row, i) => {
      const word = (column: string) => (row[column] ?? '').trim() || undefined
      const yes = (column: string): boolean => {
        const cell = (row[column] ?? '').trim().toLowerCase()
        if (!YES.includes(cell) && !NO.includes(cell))
          throw new ParameterError(`${column} is “${cell}”`, 'yes or no', { file, line: i + 2, field: column })
        return YES.includes(cell)
      }
      const facts = { drive: word('drive'), position: word('position'), cleaned: yes('cleaned'), slower: yes('slower') }
      return [(row.file ?? '').trim(), facts]
    }),
  )
}
