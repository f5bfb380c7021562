/** What diagnosis of a drive works from beside its log: what this workshop knows, and reads in other drives. */
export default api((event, { knowledge, blame, drives }) => {
  const drive = drives.get(String(getQuery(event).drive ?? ''))
  return { ...knowledge.options(drive.model), also: blame.elsewhere(drive.id) }
})
