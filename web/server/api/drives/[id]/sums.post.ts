import { sumInputSchema } from '../../../../shared/log-input'
import { sumEntry } from '../../../services/sums'

export default api(async (event, { drives }) => {
  const input = await checkedBody(event, sumInputSchema)
  const { id } = drives.get(param(event, 'id'))
  return drives.sent(input.id, id) ?? drives.append(sumEntry(input, id))
})
