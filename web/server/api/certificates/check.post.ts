import { ParameterError } from '@wobrin/core/base/errors'

/** Larger than any certificate. */
const MOST_BYTES = 4 * 1024 * 1024

/** Whether a certificate that came back is as it was issued. Nothing of it is kept. */
export default api(async (event, { certificates }) => {
  const bytes = await limitedBody(event, MOST_BYTES)
  let json: unknown
  try {
    json = JSON.parse(new TextDecoder('utf-8', { fatal: true }).decode(bytes))
  } catch {
    throw new ParameterError('the file is not JSON', 'the JSON file of a certificate')
  }
  return certificates.check(json)
})
