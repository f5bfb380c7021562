import { createReadStream } from 'node:fs'
import { ParameterError } from '@wobrin/core/base/errors'

/** A kept photo, upright and without metadata: `?size=view` (the usual), `small` or `full`. */
export default api(async (event, { photos, captures }) => {
  const sha = param(event, 'sha')
  const size = getQuery(event).size ?? 'view'
  if (size !== 'view' && size !== 'small' && size !== 'full')
    throw new ParameterError('there is no such size', 'view, small or full', { field: 'size' })
  setResponseHeader(event, 'content-type', 'image/jpeg')
  setResponseHeader(event, 'x-content-type-options', 'nosniff')
  setResponseHeader(event, 'cache-control', 'private, max-age=31536000, immutable')
  if (photos.has(sha)) return photos.show(sha, size)
  // Photos of the first version were kept among the recordings, made small by the browser.
  return sendStream(event, createReadStream(captures.path(captures.find(sha).sha)))
})
