import { proofInputSchema } from '../../../../shared/proof'

export default api(async (event, { proofs }) =>
  proofs.keep(param(event, 'id'), await checkedBody(event, proofInputSchema)),
)
