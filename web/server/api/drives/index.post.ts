import { driveSchema } from '../../../shared/drive-facts'
import { string } from 'yup'

const sent = driveSchema.shape({
  id: string()
    .matches(/^[0-9a-f-]{36}$/)
    .optional(),
  receivedAt: string()
    .matches(/^\d{4}-\d\d-\d\dT\d\d:\d\d:\d\d(?:\.\d+)?Z$/)
    .optional(),
})

export default api(async (event, { drives }) => {
  const { id, receivedAt, ...drive } = await checkedBody(event, sent)
  return drives.receive(drive, receivedAt ?? new Date().toISOString(), id)
})
