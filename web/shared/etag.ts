import { sealOf, type Sha256 } from '@wobrin/core/log'

/** Entity tag of something as it is served (RFC 9110, 8.8.3): the seal of its JSON. @param sha a faster one, if any */
export const etagOf = (value: unknown, sha?: Sha256): string => `"${sealOf(value, sha)}"`
