import { routes } from '#api-routes'

const known = routes.map(({ route, method }) => ({
  method,
  pattern: new RegExp(`^${route.replace(/:\w+/g, '[^/]+')}$`),
}))

/** What no other route answers: a path that is not there, or one that is asked in another way than it can be. */
export default defineEventHandler(event => {
  const path = event.path.split('?')[0]!
  const shown = path.slice(0, 120)
  const methods = known.filter(r => r.pattern.test(path)).map(r => r.method)
  if (methods.length === 0)
    return sendProblem(event, {
      type: 'urn:wobrin:not-found',
      title: 'Not there',
      status: 404,
      detail: `There is no ${shown} here.`,
    })
  setResponseHeader(event, 'allow', methods.join(', '))
  return sendProblem(event, {
    type: 'urn:wobrin:method',
    title: 'Not possible here',
    status: 405,
    detail: `${shown} takes ${methods.join(' or ')}, not ${event.method}.`,
  })
})
