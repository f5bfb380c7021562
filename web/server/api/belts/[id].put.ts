import { beltSchema } from '../../../shared/belts'

export default api(async (event, { belts }) =>
  belts.put(uuidParam(event, 'id'), await checkedBody(event, beltSchema), new Date().toISOString()),
)
