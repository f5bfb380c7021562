import { basename } from 'node:path'
import { ParameterError } from '@wobrin/core/base/errors'

/** Keeps a recording sent as the plain body; `?name=` is its file name. */
export default api(async (event, { captures }) => {
  const name = getQuery(event).name
  if (typeof name !== 'string' || name.length === 0 || name.length > 255)
    throw new ParameterError('the recording has no name', 'its file name, at most 255 characters', { field: 'name' })
  return captures.keep(basename(name.replace(/\\/g, '/')), event.node.req)
})
