import { speedInputSchema } from '../../../../shared/log-input'

export default api(async (event, { speed, workshop }) =>
  speed.measure(param(event, 'id'), await checkedBody(event, speedInputSchema), workshop.get(), leaving(event)),
)
