/** What can be made of drives of one model with the good parts of the others. */
export default api((event, { pooling }) => {
  const allowed = String(getQuery(event).allowed ?? '')
  return pooling.models(Date.now(), allowed.split(',').filter(Boolean).slice(0, 100))
})
