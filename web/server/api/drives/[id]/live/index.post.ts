import { livePulsesSchema } from '../../../../../shared/live'

/** Pulses of a drive as they come. */
export default api(async (event, { drives, live }) =>
  live.take(drives.get(param(event, 'id')).id, await checkedBody(event, livePulsesSchema)),
)
