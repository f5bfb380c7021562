import { walk } from '@wobrin/core/bench/stations'

/** What the log of a drive comes to: what it may be, and what to check next. */
export default api((event, { drives, cases }) => {
  const drive = drives.get(param(event, 'id'))
  const log = drives.log(drive.id)
  const { complaints, diagnosis, held } = cases.of(drive, log, walk(drive, log, Date.now()))
  return { complaints, held: held?.gate.id ?? null, ...diagnosis }
})
