import { object } from 'yup'

/** Any object: core says what is wrong with it, field by field. */
const anything = object()

export default api(async (event, { profiles }) =>
  profiles.put(uuidParam(event, 'id'), await checkedBody(event, anything), new Date().toISOString()),
)
