import type { H3Event } from 'h3'

/**
 * Only this application's own pages may ask for or change anything: what is asked of the server must come from the same
 * origin. Nothing is taken that would go nowhere.
 */
export default defineEventHandler(async event => {
  const host = getRequestHeader(event, 'host') ?? ''
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
