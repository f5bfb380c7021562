import { hostFitInputSchema } from '../../../../shared/profiles'
import { hostFitEntry } from '../../../services/host-fit'

export default api(async (event, { drives }) => {
  const input = await checkedBody(event, hostFitInputSchema)
  const { id } = drives.get(param(event, 'id'))
  return drives.sent(input.id, id) ?? drives.append(hostFitEntry(input, id))
})
