/** Reads an archive in, sent as the plain body. */
export default api((event, { archives }) => {
  const length = Number(getRequestHeader(event, 'content-length'))
  return archives.import(event.node.req, Number.isFinite(length) && length > 0 ? length : undefined)
})
