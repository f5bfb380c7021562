import { benchCalendar } from '../services/bench-calendar'

/** Waits that run and parts that are on their way, as a calendar file. */
export default api(async (event, { bench, wanting }) => {
  const now = new Date()
  const { waits } = await bench.at(now.getTime())
  const parts = await wanting.due(now.getTime())
  setResponseHeader(event, 'content-type', 'text/calendar; charset=utf-8')
  setResponseHeader(event, 'content-disposition', 'attachment; filename="bench.ics"')
  return benchCalendar(
    waits.filter(w => !w.over),
    parts,
    now,
    getRequestURL(event).origin,
  )
})
