/** One of the files that a workshop may edit, as it is in force. */
export default api((event, { knowledge }) => {
  const kind = knowledgeKind(event)
  const isTable = kind === 'rates'
  setResponseHeader(event, 'content-type', isTable ? 'text/csv; charset=utf-8' : 'application/json')
  setResponseHeader(event, 'content-disposition', `attachment; filename="${kind}.${isTable ? 'csv' : 'json'}"`)
  return knowledge.written(kind)
})
