/** Asks whoever sends the signal to put its recording on the log. */
export default api((event, { drives, live }) => live.askToKeep(drives.get(param(event, 'id')).id))
