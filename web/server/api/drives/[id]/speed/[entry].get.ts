import { NotFound } from '../../../../services/not-found'

/** A logged speed recording, read again for drawing. */
export default api(async (event, { drives, speed, workshop }) => {
  const entry = drives.log(param(event, 'id')).find(e => e.id === param(event, 'entry'))
  if (!entry) throw new NotFound('There is no such entry on this drive’s log.')
  const { measurement, notices } = await speed.again(entry, workshop.get(), leaving(event))
  if (!measurement) return null
  const { series, ...rest } = measurement
  return {
    ...rest,
    drift: { ...rest.drift, trend: [] },
    series: { timeS: [...series.timeS], rpm: [...series.rpm] },
    notices,
  }
})
