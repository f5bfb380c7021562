import { crossReadSchema } from '../../../../shared/blame'

export default api(async (event, { blame }) =>
  blame.keep(param(event, 'id'), await checkedBody(event, crossReadSchema)),
)
