import { sensedInputSchema } from '../../../../shared/sensed'

export default api(async (event, { sensed }) =>
  sensed.measure(param(event, 'id'), await checkedBody(event, sensedInputSchema), leaving(event)),
)
