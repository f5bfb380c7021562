/** Knowledge or rates as a plain file, to be read and edited. */
export default api((event, { knowledge }) => {
  const kind = knowledgeKind(event)
  const name = kind === 'knowledge' ? 'knowledge.json' : 'rates.csv'
  setResponseHeader(event, 'content-type', kind === 'knowledge' ? 'application/json' : 'text/csv; charset=utf-8')
  setResponseHeader(event, 'content-disposition', `attachment; filename="${name}"`)
  return knowledge.written(kind)
})
