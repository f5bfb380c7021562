import { writeTestSchema } from '../../../../shared/write-test'

export default api(async (event, { proofs }) =>
  proofs.keepWriteTest(param(event, 'id'), await checkedBody(event, writeTestSchema)),
)
