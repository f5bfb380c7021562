/** Donors shown at once. */
const SHOWN = 40

/** Drives that were stripped for parts, the latest first: a page of them, and how many there are. */
export default api((event, { donors }) => {
  const all = donors.list()
  const from = Math.max(0, Number(getQuery(event).from) || 0)
  return { donors: all.slice(from, from + SHOWN), total: all.length }
})
