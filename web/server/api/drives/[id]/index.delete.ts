import { eraseDriveSchema } from '../../../../shared/erasure'

/** Erases a drive with its log for good, where its tag comes along. */
export default api(async (event, { erasing }) => {
  const { tag } = await checkedBody(event, eraseDriveSchema)
  await erasing.eraseDrive(param(event, 'id'), tag, new Date().toISOString())
  return { erased: tag }
})
