import { driveCase } from '@wobrin/core/bench/case'
import { walk } from '@wobrin/core/bench/stations'

/** What the log of a drive comes to: what it may be, and what to check next. */
export default api((event, { drives, knownBeside }) => {
  const drive = drives.get(param(event, 'id'))
  const log = drives.log(drive.id)
  const { complaints, diagnosis, held } = driveCase(drive, log, walk(drive, log, Date.now()), knownBeside(drive))
  return { complaints, held: held?.gate.id ?? null, ...diagnosis }
})
