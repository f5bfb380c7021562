import { basename } from 'node:path'

/** Keeps a photo sent as the plain body; `?name=` is its file name. */
export default api(async (event, { photos }) => {
  const name = getQuery(event).name
  const length = Number(getRequestHeader(event, 'content-length'))
  return photos.keep(
    basename(String(name ?? 'photo').replace(/\\/g, '/')).slice(0, 255) || 'photo',
    event.node.req,
    Number.isFinite(length) && length > 0 ? length : undefined,
  )
})
