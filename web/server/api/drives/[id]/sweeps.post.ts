import { sweepInputSchema } from '../../../../shared/sweep'

export default api(async (event, { sweeps }) =>
  sweeps.keep(param(event, 'id'), await checkedBody(event, sweepInputSchema)),
)
