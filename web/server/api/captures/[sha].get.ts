import { createReadStream } from 'node:fs'

export default api((event, { captures }) => {
  const kept = captures.find(param(event, 'sha'))
  setResponseHeader(event, 'content-type', 'application/octet-stream')
  setResponseHeader(event, 'content-length', kept.bytes)
  setResponseHeader(event, 'content-disposition', `attachment; filename*=UTF-8''${encodeURIComponent(kept.name)}`)
  return sendStream(event, createReadStream(captures.path(kept.sha)))
})
