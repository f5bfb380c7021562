/** A name as the name of a file: small letters, digits and hyphens. */
export const fileSlug = (name: string, otherwise: string): string =>
  name
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^-|-$/g, '') || otherwise
