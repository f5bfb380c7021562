import { readingEntry } from '@wobrin/core/bench/entries'
import { readingInputSchema } from '../../../../shared/reading'

export default api(async (event, { drives }) => {
  const input = await checkedBody(event, readingInputSchema)
  const drive = drives.get(param(event, 'id'))
  return drives.sent(input.id, drive.id) ?? drives.append(readingEntry(input, drive))
})
