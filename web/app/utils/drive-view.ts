import type { RouteId } from '@wobrin/core/log'

/** Views of a drive, in the order of their tabs. */
export const DRIVE_VIEWS = [
  { id: 'case', label: 'Case' },
  { id: 'test', label: 'Bench test' },
  { id: 'parts', label: 'Parts' },
  { id: 'model', label: 'Model' },
  { id: 'stations', label: 'Stations' },
] as const
export type DriveView = (typeof DRIVE_VIEWS)[number]['id']

type Query = { readonly view?: unknown; readonly station?: unknown }

/** The view of a drive that its address asks for; else the one that the drive's route begins with. */
export function viewOf(query: Query, route: RouteId): DriveView {
  const asked = DRIVE_VIEWS.find(v => v.id === query.view)
  if (asked) return asked.id
  if (query.station) return 'stations'
  return route === 'overhaul' ? 'stations' : 'case'
}
