/** Answers once the database is open. */
export default api(() => ({ ok: true }))
