import { complaintsOf } from '@wobrin/core/bench/case'
import { walk } from '@wobrin/core/bench/stations'

/**
 * The case of a drive, as its page shows it. Worked out here, where the engine is warm and all that is known beside the
 * log is at hand; the page draws it.
 * `skip`: ids of checks that cannot be made, with commas between them.
 */
export default api((event, { drives, cases, knowledge }) => {
  const drive = drives.get(param(event, 'id'))
  const log = drives.log(drive.id)
  const skip = new Set(
    String(getQuery(event).skip ?? '')
      .split(',')
      .filter(Boolean),
  )
  return {
    ...cases.without(skip, drive, log, walk(drive, log, Date.now())),
    stories: complaintsOf(drive, log, knowledge.options(drive.model).knowledge),
  }
})
