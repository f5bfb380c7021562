import { CERTIFICATE_SCHEMA } from '@wobrin/core/release/schema'

/** The certificate’s JSON Schema. */
export default api(event => {
  setResponseHeader(event, 'content-type', 'application/schema+json')
  return CERTIFICATE_SCHEMA
})
