/** Donors shown at once. */
const SHOWN = 40

/** Drives that were stripped for parts, the latest first: a page of them, and how many there are. */
export default api((event, { donors }) => donors.page(Math.max(0, Number(getQuery(event).from) || 0), SHOWN))
