import { exchangeSchema } from '../../../../shared/exchange'

/** Another drive goes into the machine in its place. */
export default api(async (event, { exchanging }) =>
  exchanging.exchange(param(event, 'id'), await checkedBody(event, exchangeSchema)),
)
