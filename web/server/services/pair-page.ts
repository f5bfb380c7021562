import { createHash } from 'node:crypto'
import { escaped } from './escaped'

const STYLE = `body{margin:0;background:#F4F1EA;color:#1D2A33;font:18px/1.5 sans-serif}
main{max-width:26rem;margin:12vh auto;padding:1.5rem;background:#fff;border:1px solid #D8D2C6;border-radius:6px}
h1{font-size:1.4rem;margin:0 0 .5rem}label{display:block;margin:1rem 0 .25rem;font-weight:bold}
input{width:100%;box-sizing:border-box;min-height:48px;font:inherit;padding:0 .75rem;border:1px solid #5B6770;border-radius:6px}
button{margin-top:1.25rem;min-height:48px;width:100%;font:inherit;font-weight:bold;color:#fff;background:#1F4E8C;border:0;border-radius:6px}
[role=alert]{border-left:5px solid #C2410C;padding-left:.75rem}`
const styleHash = createHash('sha256').update(STYLE).digest('base64')

export const PAIR_PAGE_POLICY = `default-src 'none'; style-src 'sha256-${styleHash}'; form-action 'self'; base-uri 'none'; frame-ancestors 'none'`

/**
 * The one page that a device sees before it is paired: it stands by itself and tells nothing of the workshop.
 * @param code filled in already, from the address that the picture holds @param problem why it was not paired
 */
export function pairPage(code: string, problem: string | null): string {
  const digits = code.replace(/\D/g, '').slice(0, 8)
  return `<!doctype html><html lang="en"><head><meta charset="utf-8">
<meta name="viewport" content="width=device-width,initial-scale=1"><title>Pair this device</title>
<style>${STYLE}</style></head><body><main><h1>Pair this device</h1>
<p>Type the code that the Workshop page shows at the machine where the workshop runs.</p>
${problem ? `<p role="alert">${escaped(problem)}</p>` : ''}
<form method="post" action="/pair"><label for="code">Code</label>
<input id="code" name="code" inputmode="numeric" autocomplete="one-time-code" required value="${digits}">
<label for="name">Name of this device</label>
<input id="name" name="name" maxlength="60" required placeholder="phone at the bench">
<button>Pair device</button></form></main></body></html>`
}
