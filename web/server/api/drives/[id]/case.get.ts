import { complaintsOf, driveCase } from '@wobrin/core/bench/case'
import { walk } from '@wobrin/core/bench/stations'

/**
 * The case of a drive, as its page shows it. Worked out here, where the engine is warm and all that is known beside the
 * log is at hand; the page draws it.
 * `skip`: ids of checks that cannot be made, with commas between them.
 */
export default api((event, { drives, knownBeside }) => {
  const drive = drives.get(param(event, 'id'))
  const log = drives.log(drive.id)
  const skip = new Set(
    String(getQuery(event).skip ?? '')
      .split(',')
      .filter(Boolean),
  )
  const known = knownBeside(drive)
  return {
    ...driveCase(drive, log, walk(drive, log, Date.now()), { ...known, ...(skip.size ? { skip } : {}) }),
    stories: complaintsOf(drive, log, known.knowledge),
  }
})
