import { aheadOf } from '../services/bench-calendar'

/** What is to be done on all open drives, for the plan of a bench day, and what the next week brings. */
export default api(async (_, { bench, wanting }) => {
  const now = Date.now()
  const [day, { waits }, parts] = [await bench.day(now), await bench.at(now), await wanting.due(now)]
  return { ...day, ahead: aheadOf(waits, parts, now) }
})
