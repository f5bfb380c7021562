import { createHash } from 'node:crypto'

const hashes = (html: string) =>
  [...html.matchAll(/<script(?![^>]+\ssrc=)[^>]*>([\s\S]*?)<\/script>/g)].map(
    ([, code]) => `'sha256-${createHash('sha256').update(code!).digest('base64')}'`,
  )

/** Strict headers on every page: own scripts only, the inline ones named by their hash, and no request elsewhere. */
export default defineNitroPlugin(nitro => {
  nitro.hooks.hook('render:response', response => {
    delete response.headers?.['x-powered-by']
    const html = typeof response.body === 'string' ? response.body : ''
    response.headers = {
      ...response.headers,
      'content-security-policy': [
        "default-src 'none'",
        `script-src 'self' ${hashes(html).join(' ')}`,
        "style-src 'self' 'unsafe-inline'",
        "img-src 'self' data: blob:",
        "font-src 'self'",
        "connect-src 'self'",
        "media-src 'self' blob:",
        "worker-src 'self' blob:",
        "form-action 'self'",
        "base-uri 'none'",
        "frame-ancestors 'none'",
      ].join('; '),
      'referrer-policy': 'no-referrer',
      'x-content-type-options': 'nosniff',
      'cross-origin-opener-policy': 'same-origin',
      'permissions-policy': 'camera=(self), microphone=(self), geolocation=()',
    }
  })
})
