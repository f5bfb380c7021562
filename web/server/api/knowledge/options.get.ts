/** What diagnosis of a drive works from beside its log: what this workshop knows, reads in other drives, identical drives. */
export default api((event, { knownBeside, drives }) => knownBeside(drives.get(String(getQuery(event).drive ?? ''))))
