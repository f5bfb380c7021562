/** Version of the certificate's form; its JSON Schema is published with it. */
export const CERTIFICATE_VERSION = 5
