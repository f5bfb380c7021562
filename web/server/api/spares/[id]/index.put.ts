import { spareSchema, type SpareInput } from '../../../../shared/spares'

export default api(async (event, { spares, places }) => {
  const id = uuidParam(event, 'id')
  const spare = (await checkedBody(event, spareSchema)) as SpareInput
  const now = spares.find(id)
  checkUnchanged(event, now, now && { ...now, ...spare }, 'the part')
  return spares.put(id, spare, places.used(id), new Date().toISOString())
})
