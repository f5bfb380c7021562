/** What diagnosis works from beside a drive's log: what this workshop knows, reads elsewhere, identical drives. */
export default api((event, { knownBeside, drives }) => knownBeside(drives.get(String(getQuery(event).drive ?? ''))))
