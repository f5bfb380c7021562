import { diskSchema } from '../../../shared/disks'

export default api(async (event, { disks }) =>
  disks.put(uuidParam(event, 'id'), await checkedBody(event, diskSchema), new Date().toISOString()),
)
