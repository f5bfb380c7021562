import Papa from 'papaparse'
import { InputError } from '../../base/errors'
import { FAULTS } from '../knowledge/knowledge'
import type { Fault } from '../knowledge/types'
import { nearestIds } from '../nearest'
import type { LearnedRate } from './learn'

const COLUMNS = ['fault', 'per_thousand', 'as_listed', 'own_cases'] as const
/** No fault is met in more than every drive. */
const MOST = 1000

/** Rates of all faults as a plain file: one fault a line, to be read, edited and taken in again. */
export function writeRates(rates: readonly LearnedRate[] = [], faults: readonly Fault[] = FAULTS): string {
  const own = new Map(rates.map(r => [r.fault, r]))
  const rows = faults.map(f => [
    f.id,
    Number((own.get(f.id)?.now ?? f.odds).toPrecision(4)),
    f.odds,
    Number((own.get(f.id)?.seen ?? 0).toFixed(2)),
  ])
  return `${Papa.unparse({ fields: [...COLUMNS], data: rows }, { newline: '\n' })}\n`
}

/**
 * Rates of a file that somebody may have edited, as factors over the list.
 * @throws InputError that names line, column and reason; nothing of the file is taken then
 */
export function readRates(text: string, file: string, faults: readonly Fault[] = FAULTS): Record<string, number> {
  const ids = faults.map(f => f.id)
  const { data } = Papa.parse<string[]>(text.replace(/^\uFEFF/, '').trimEnd(), { skipEmptyLines: false })
  const header = data[0]?.map(h => h.trim()) ?? []
  const [fault, rate] = [header.indexOf('fault'), header.indexOf('per_thousand')]
  if (fault < 0 || rate < 0)
    throw new InputError('the columns fault and per_thousand are missing', `a first line ${COLUMNS.join(',')}`, {
      file,
      line: 1,
    })
  const factors: Record<string, number> = {}
  data.slice(1).forEach((row, i) => {
    if (row.every(cell => cell.trim() === '')) return
    const where = { file, line: i + 2 }
    const id = (row[fault] ?? '').trim()
    const known = faults.find(f => f.id === id)
    if (!known)
      throw new InputError(`there is no fault “${id}”`, `one such as ${nearestIds(id, ids).join(', ')}`, where)
    if (id in factors) throw new InputError(`the fault ${id} stands there twice`, 'each fault once', where)
    const value = Number((row[rate] ?? '').trim() || Number.NaN)
    if (!(value > 0) || value > MOST)
      throw new InputError(
        `${id} is met in “${row[rate] ?? ''}” of a thousand drives`,
        `a number above 0, and at most ${MOST}`,
        { ...where, field: 'per_thousand' },
      )
    factors[id] = value / known.odds
  })
  return factors
}
