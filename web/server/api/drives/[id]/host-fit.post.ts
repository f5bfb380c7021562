import { hostFitInputSchema } from '../../../../shared/profiles'
import { hostFitEntry } from '@wobrin/core/bench/entries'

export default api(async (event, { drives }) => {
  const input = await checkedBody(event, hostFitInputSchema)
  const drive = drives.get(param(event, 'id'))
  return drives.sent(input.id, drive.id) ?? drives.append(hostFitEntry(input, drive))
})
