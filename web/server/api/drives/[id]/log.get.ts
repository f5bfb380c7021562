import { ParameterError } from '@wobrin/core/base/errors'

/** Entries after `?after=`, so that a second tablet sees what the first one said. */
export default api((event, { drives }) => {
  const after = Number(getQuery(event).after ?? 0)
  if (!Number.isInteger(after) || after < 0)
    throw new ParameterError('“after” is no place in the log', 'a whole number, 0 or more', { field: 'after' })
  return drives.log(drives.get(param(event, 'id')).id, after)
})
