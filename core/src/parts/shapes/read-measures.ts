import { ParameterError } from '../../base/errors'
import { shapeOf, type ShapeId } from './shapes'
import type { Measures } from './shape'

/** Far above what any part of a drive measures. */
const LARGEST = 1e6

/**
 * Checks measures that a person typed. Empty ones are left out.
 * @throws ParameterError with the measure and what was expected
 */
export function readMeasures(shape: ShapeId, typed: Readonly<Record<string, unknown>>): Measures {
  const { label, measures } = shapeOf(shape)
  const unknown = Object.keys(typed).find(id => !measures.some(m => m.id === id))
  if (unknown !== undefined)
    throw new ParameterError(
      `“${unknown}” is not a measure of a ${label.toLowerCase()}`,
      measures.map(m => m.id).join(', '),
      { field: `measures.${unknown}` },
    )
  return Object.fromEntries(
    measures.flatMap((m): [string, number | string][] => {
      const value = typed[m.id]
      if (value === undefined || value === null || value === '') return []
      const field = `measures.${m.id}`
      if (m.words) {
        const text = String(value).trim()
        if (m.words.length && !m.words.includes(text))
          throw new ParameterError(`${m.label}: “${text}” is not one of its words`, m.words.join(', '), { field })
        return text ? [[m.id, text.slice(0, 80)]] : []
      }
      const number = typeof value === 'number' ? value : Number(String(value).trim().replace(',', '.'))
      if (!(number > 0 && number <= LARGEST))
        throw new ParameterError(
          `${m.label}: “${String(value)}” cannot be`,
          `a number above 0${m.unit && `, in ${m.unit}`}`,
          { field },
        )
      return [[m.id, number]]
    }),
  )
}
