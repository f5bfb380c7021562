import type { H3Event } from 'h3'

const LOOPBACK = new Set(['localhost', '127.0.0.1', '[::1]'])

/**
 * Only this machine's own pages may ask for or change anything: the host must be one this server was started for (so
 * that no foreign name can be pointed here), and what is asked of the server must come from the same origin. Nothing is
 * taken that would go nowhere.
 */
export default defineEventHandler(async event => {
  const host = getRequestHeader(event, 'host') ?? ''
  const name = host.replace(/:\d+$/, '')
  const own = process.env.HOST && !['0.0.0.0', '::'].includes(process.env.HOST) ? process.env.HOST : null
  if (!LOOPBACK.has(name) && name !== own && process.env.HOST !== '0.0.0.0' && process.env.HOST !== '::') {
    return refuse(event, 403, 'This server answers to the name of its own machine only.')
  }
  const site = getRequestHeader(event, 'sec-fetch-site')
  const reads = ['GET', 'HEAD', 'OPTIONS'].includes(event.method)
  if (reads) {
    // A page may be opened from anywhere; only this application's own pages ask the server for data.
    const asks = event.path.startsWith('/api/') && site !== undefined && !['same-origin', 'none'].includes(site)
    return asks ? refuse(event, 403, 'Data is given to this application’s own pages only.') : undefined
  }
  const origin = getRequestHeader(event, 'origin')
  const foreign =
    (site !== undefined && site !== 'same-origin') ||
    (origin !== undefined && origin !== `http://${host}` && origin !== `https://${host}`)
  if (foreign) return refuse(event, 403, 'A change must come from this application’s own pages.')
  const { stillThere } = await useServices()
  if (!stillThere())
    return refuse(
      event,
      503,
      'The data folder was moved or deleted while the server runs. Nothing is saved until the server is started again.',
    )
})

const refuse = (event: H3Event, status: number, detail: string) =>
  sendProblem(event, { type: 'urn:wobrin:refused', title: 'Refused', status, detail })
