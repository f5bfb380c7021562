import { walk } from '@wobrin/core/bench/stations'

/** A drive with its log. A log that cannot be replayed is said here, not left for the page to stumble over. */
export default api((event, { drives }) => {
  const drive = drives.get(param(event, 'id'))
  const log = drives.aside.guard(drive, () => {
    const entries = drives.log(drive.id)
    walk(drive, entries, Date.now())
    return entries
  })
  return { drive, log: log ?? drives.log(drive.id) }
})
