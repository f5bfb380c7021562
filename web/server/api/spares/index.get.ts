/** Parts at hand by their words. */
export default api((event, { wanting }) => {
  const { q, place } = getQuery(event)
  return wanting.search(String(q ?? '').slice(0, 200), String(place ?? ''), Date.now())
})
