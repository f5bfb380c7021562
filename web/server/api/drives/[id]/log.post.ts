import { entrySchema } from '../../../../shared/log-input'
import { entryData } from '../../../services/entry-data'

export default api(async (event, { drives, captures }) => {
  const { step, outcome, minutes, wait, photo, ...entry } = await checkedBody(event, entrySchema)
  const driveId = drives.get(param(event, 'id')).id
  const data = entryData(entry.kind, { step, outcome, minutes, wait, photo }, drives.log(driveId))
  if (data?.type === 'photo') captures.find(data.sha)
  return drives.append({ ...entry, takesBack: entry.takesBack ?? null, driveId, data, call: null, observations: [] })
})
