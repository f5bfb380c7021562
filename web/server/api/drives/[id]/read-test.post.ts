import { readTestInputSchema } from '../../../../shared/read-test'

export default api(async (event, { readTest }) =>
  readTest.measure(param(event, 'id'), await checkedBody(event, readTestInputSchema), leaving(event)),
)
