import { object } from 'yup'

/** Any object: core says what is wrong with it, field by field. */
const anything = object()

export default api(async (event, { profiles }) => {
  const id = uuidParam(event, 'id')
  const profile = await checkedBody(event, anything)
  checkUnchanged(event, profiles.find(id)?.profile ?? null, profile, 'it')
  return profiles.put(id, profile, new Date().toISOString())
})
