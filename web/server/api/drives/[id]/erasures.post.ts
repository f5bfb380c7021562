import { erasureSchema } from '../../../../shared/erasure'

/** Erases words and photos of a drive's log for good; answers with the log as it is then. */
export default api(async (event, { drives, erasing }) => {
  const id = param(event, 'id')
  await erasing.erase(id, await checkedBody(event, erasureSchema), new Date().toISOString())
  return drives.log(id)
})
