import { createReadStream } from 'node:fs'

/** A kept photo, to be shown in a page. The browser made a JPEG of it before it was sent. */
export default api((event, { captures }) => {
  const kept = captures.find(param(event, 'sha'))
  setResponseHeader(event, 'content-type', 'image/jpeg')
  setResponseHeader(event, 'x-content-type-options', 'nosniff')
  setResponseHeader(event, 'cache-control', 'private, max-age=31536000, immutable')
  setResponseHeader(event, 'content-length', kept.bytes)
  return sendStream(event, createReadStream(captures.path(kept.sha)))
})
