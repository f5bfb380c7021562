import type { H3Event } from 'h3'
import { isOwn, nameOf } from '../services/network'
import { pairPage, PAIR_PAGE_POLICY } from '../services/pair-page'
import { NotPaired } from '../services/pairing'

const COOKIE = 'wobrin'
const YEAR_S = 365 * 24 * 3600
/** A code and a name fit into this. */
const MOST_FORM = 2000

/**
 * Stands before everything else, files too: this machine itself goes through; any other device has to be paired first
 * and sees nothing of the workshop before.
 */
export default defineNitroPlugin(nitro => {
  nitro.h3App.stack.unshift({ route: '/', handler: defineEventHandler(pass) })
  if (theNetwork().open)
    useServices().then(
      ({ pairing }) => {
        const { code } = pairing.current()
        console.log(
          `Other devices: open ${networkAddresses().join(' or ')} and type the code ${code} within 10 minutes.`,
        )
        console.log('The Workshop page of this machine shows a fresh code at any time.')
      },
      // Why the server does not start is said elsewhere.
      () => {},
    )
})

async function pass(event: H3Event) {
  const net = theNetwork()
  const host = getRequestHeader(event, 'host') ?? ''
  if (!net.names.has(nameOf(host)))
    return sendProblem(event, {
      type: 'urn:wobrin:refused',
      title: 'Refused',
      status: 403,
      detail: 'This server does not answer to that name. Allow it with WOBRIN_HOSTS.',
    })
  const forwarded = ['x-forwarded-for', 'forwarded'].some(h => getRequestHeader(event, h) !== undefined)
  event.context.own = isOwn(event.node.req.socket, host, forwarded)
  if (!event.context.own && !(await isPaired(event))) return stranger(event, host)
  // Who is in already has nothing to do there.
  if (event.path.split('?')[0] === '/pair') return sendRedirect(event, '/', 303)
}

async function isPaired(event: H3Event): Promise<boolean> {
  const token = getCookie(event, COOKIE)
  if (!token) return false
  const { pairing } = await useServices()
  return pairing.deviceOf(token) !== null
}

/** What a device gets that is not paired: the page where it can be, and nothing else. */
async function stranger(event: H3Event, host: string) {
  const { pathname, searchParams } = getRequestURL(event)
  setResponseHeader(event, 'cache-control', 'no-store')
  if (pathname === '/pair' && event.method === 'POST') return pairNow(event, host)
  if (event.method !== 'GET' || pathname.startsWith('/api/') || !/html/.test(getRequestHeader(event, 'accept') ?? ''))
    return sendProblem(event, {
      type: 'urn:wobrin:not-paired',
      title: 'Not paired',
      status: 401,
      detail: 'This device is not paired with the workshop. Open its address in a browser and type the code.',
    })
  return page(event, 401, searchParams.get('code') ?? '', null)
}

async function pairNow(event: H3Event, host: string) {
  const origin = getRequestHeader(event, 'origin')
  if (origin !== undefined && origin !== `http://${host}` && origin !== `https://${host}`)
    return page(event, 403, '', 'Pair the device from its own page.')
  const length = Number(getRequestHeader(event, 'content-length') ?? Infinity)
  const form = length <= MOST_FORM ? new URLSearchParams(await readRawBody(event)) : new URLSearchParams()
  const code = form.get('code') ?? ''
  try {
    const { pairing } = await useServices()
    const token = pairing.pair(code, form.get('name') ?? '')
    setCookie(event, COOKIE, token, {
      httpOnly: true,
      sameSite: 'strict',
      secure: theNetwork().encrypted,
      path: '/',
      maxAge: YEAR_S,
    })
    return sendRedirect(event, '/', 303)
  } catch (error) {
    if (!(error instanceof NotPaired)) throw error
    return page(event, error.tooMany ? 429 : 403, '', error.message)
  }
}

function page(event: H3Event, status: number, code: string, problem: string | null) {
  setResponseStatus(event, status)
  setResponseHeader(event, 'content-type', 'text/html; charset=utf-8')
  setResponseHeader(event, 'content-security-policy', PAIR_PAGE_POLICY)
  setResponseHeader(event, 'referrer-policy', 'same-origin')
  setResponseHeader(event, 'x-content-type-options', 'nosniff')
  return pairPage(code, problem)
}
