import { arrivalSchema } from '../../../shared/drive-facts'

export default api(async (event, { drives }) => {
  const { id, receivedAt, complaints, found, ...drive } = await checkedBody(event, arrivalSchema)
  return drives.receive(drive, receivedAt ?? new Date().toISOString(), id, { complaints, found })
})
