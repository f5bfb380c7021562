import type { RouteId } from '@wobrin/core/log'

/**
 * Which view of a drive its address asks for: the case or the stations; where it asks for neither, the one that the
 * drive's route begins with.
 */
export function viewOf(
  query: { readonly view?: unknown; readonly station?: unknown },
  route: RouteId,
): 'case' | 'stations' {
  if (query.view === 'case') return 'case'
  if (query.station || query.view === 'stations') return 'stations'
  return route === 'overhaul' ? 'stations' : 'case'
}
