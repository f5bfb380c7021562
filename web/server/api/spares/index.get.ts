import { InputError, ParameterError } from '@wobrin/core/base/errors'
import { findPart, readMeasures } from '@wobrin/core/parts'
import type { MeasuredLike } from '../../services/parts'

/** Parts at hand by their words; with `part` and `measures` (JSON) those that may replace one of these measures. */
export default api((event, { wanting }) => {
  const { q, place, part, measures } = getQuery(event)
  const like = part ? likeOf(String(part), String(measures ?? '{}')) : null
  return wanting.search(String(q ?? '').slice(0, 200), String(place ?? ''), Date.now(), like)
})

/** @throws ParameterError where nothing is measured of such a part; InputError where the measures are no JSON */
function likeOf(part: string, text: string): MeasuredLike {
  const shape = findPart(part)?.shape
  if (!shape) throw new ParameterError(`“${part}” is not found by measures`, 'a part that has some', { field: 'part' })
  try {
    const typed: unknown = JSON.parse(text)
    if (typeof typed === 'object' && typed !== null && !Array.isArray(typed))
      return { shape, measures: readMeasures(shape, typed as Record<string, unknown>) }
  } catch (error) {
    if (!(error instanceof SyntaxError)) throw error
  }
  throw new InputError('the measures cannot be read', 'a JSON object', { field: 'measures' })
}
