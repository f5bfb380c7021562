import { routes } from '#api-routes'

const known = routes.map(({ route, method }) => ({
  method: method?.toUpperCase(),
  pattern: new RegExp(`^${route.replace(/:\w+/g, '[^/]+')}$`),
}))

/** What no other route answers: a path that is not there, or one that is asked in another way than it can be. */
export default defineEventHandler(event => {
  const path = event.path.split('?')[0]!
  const methods = known.filter(r => r.method && r.pattern.test(path)).map(r => r.method!)
  const status = methods.length ? 405 : 404
  setResponseStatus(event, status)
  setResponseHeader(event, 'content-type', 'application/problem+json')
  if (methods.length) setResponseHeader(event, 'allow', methods.join(', '))
  return methods.length
    ? {
        type: 'urn:wobrin:method',
        title: 'Not possible here',
        status,
        detail: `${path.slice(0, 120)} takes ${methods.join(' or ')}, not ${event.method}.`,
      }
    : { type: 'urn:wobrin:not-found', title: 'Not there', status, detail: `There is no ${path.slice(0, 120)} here.` }
})
