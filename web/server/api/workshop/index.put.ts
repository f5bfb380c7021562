import { ParameterError } from '@wobrin/core/base/errors'
import { SecondPlace } from '../../services/second-place'
import { workshopSchema, type WorkshopSettings } from '../../../shared/workshop'

export default api(async (event, { folder, workshop }) => {
  const settings = (await checkedBody(event, workshopSchema)) as WorkshopSettings
  if (settings.secondPlace !== workshop.get().secondPlace) {
    if (event.context.own !== true)
      throw new ParameterError('where files are written is set at the machine that the server runs on', 'no change', {
        field: 'secondPlace',
      })
    if (settings.secondPlace) new SecondPlace(folder, settings.secondPlace)
  }
  checkUnchanged(event, workshop.get(), settings, 'the settings')
  return workshop.put(settings)
})
