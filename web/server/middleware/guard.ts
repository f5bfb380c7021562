const LOOPBACK = new Set(['localhost', '127.0.0.1', '[::1]'])

/**
 * Only this machine's own pages may change anything: the host must be one this server was started for (so that
 * no foreign name can be pointed here), and a change must come from the same origin.
 */
export default defineEventHandler(event => {
  const host = getRequestHeader(event, 'host') ?? ''
  const name = host.replace(/:\d+$/, '')
  const own = process.env.HOST && !['0.0.0.0', '::'].includes(process.env.HOST) ? process.env.HOST : null
  if (!LOOPBACK.has(name) && name !== own && process.env.HOST !== '0.0.0.0' && process.env.HOST !== '::') {
    return refuse(event, 'This server answers to the name of its own machine only.')
  }
  if (['GET', 'HEAD', 'OPTIONS'].includes(event.method)) return
  const site = getRequestHeader(event, 'sec-fetch-site')
  const origin = getRequestHeader(event, 'origin')
  const foreign =
    (site !== undefined && site !== 'same-origin') ||
    (origin !== undefined && origin !== `http://${host}` && origin !== `https://${host}`)
  if (foreign) return refuse(event, 'A change must come from this application’s own pages.')
})

function refuse(event: Parameters<typeof getRequestHeader>[0], detail: string) {
  setResponseStatus(event, 403)
  setResponseHeader(event, 'content-type', 'application/problem+json')
  return { type: 'urn:wobrin:refused', title: 'Refused', status: 403, detail }
}
