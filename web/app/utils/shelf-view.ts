/** Views of the shelf, in the order of their tabs. */
export const SHELF_VIEWS = [
  { id: 'parts', label: 'Parts' },
  { id: 'wanted', label: 'Wanted' },
  { id: 'pool', label: 'Make one of several' },
  { id: 'donors', label: 'Donors' },
  { id: 'disks', label: 'Reference disks' },
  { id: 'belts', label: 'Belts' },
] as const
export type ShelfView = (typeof SHELF_VIEWS)[number]['id']

/** The view that an address asks for. */
export const shelfViewOf = (asked: unknown): ShelfView => SHELF_VIEWS.find(v => v.id === asked)?.id ?? 'parts'
