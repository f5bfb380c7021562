import { workshopSchema, type WorkshopSettings } from '../../../shared/workshop'

export default api(async (event, { workshop }) =>
  workshop.put((await checkedBody(event, workshopSchema)) as WorkshopSettings),
)
