/** What came of the last copy of a backup to the second place; null where none was made since the start. */
export default api((_event, { backups }) => ({ last: backups.secondState() }))
