import { walk } from '@wobrin/core/bench/stations'

/** A drive with its log. A log that cannot be replayed is said here, not left for the page to stumble over. */
export default api((event, { drives }) => {
  const drive = drives.get(param(event, 'id'))
  return drives.aside.need(drive, () => {
    const log = drives.log(drive.id)
    walk(drive, log, Date.now())
    return { drive, log }
  })
})
