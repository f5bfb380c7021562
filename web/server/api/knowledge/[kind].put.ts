/** Knowledge and rates have at most so many bytes. */
const MOST = 5 * 1024 ** 2

/** Takes in knowledge or rates that somebody edited; a mistake leaves everything as it was. */
export default api(async (event, { knowledge }) => {
  const kind = knowledgeKind(event)
  const text = new TextDecoder().decode(await limitedBody(event, MOST))
  checkUnchanged(event, knowledge.written(kind), text, 'the file')
  return knowledge.take(kind, text, String(getQuery(event).name ?? 'the file').slice(0, 200))
})
