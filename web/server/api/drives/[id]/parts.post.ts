import { partUseSchema } from '../../../../shared/parts'

export default api(async (event, { fitting }) =>
  fitting.fit(param(event, 'id'), await checkedBody(event, partUseSchema)),
)
