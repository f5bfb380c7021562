import { familyKey, modelKey } from '../../drives/models'
import type { PartKnown } from '../../log'
import { compareShapes, type Measures } from '../shapes'
import { findPart, withAssembly } from '../tree'
import { shapeWanted, type DriveNamed, type Want } from './want'

/** Where a part is, from what costs least to what costs most. */
export const PLACES = {
  shelf: 'On the shelf',
  donor: 'In a donor',
  post: 'On its way',
  open: 'In an open drive',
  used: 'In a drive in use',
} as const
export type PlaceId = keyof typeof PLACES

/** A part that is somewhere, and could be fitted. */
export interface Offer {
  /** One thing has one key. */
  readonly key: string
  readonly place: PlaceId
  readonly part: string
  readonly label: string
  /** Drive that it is in; null for one on the shelf. */
  readonly drive: DriveNamed | null
  /** Model that it came from, where that is known. */
  readonly model: Pick<DriveNamed, 'mechanism' | 'maker' | 'model'> | null
  readonly known: PartKnown
  readonly says: string
  readonly measures: Measures
  /** Drawer or box; when it is due, where it is on its way. */
  readonly where: string
}

/** How sure it is that an offer fits a want. */
export interface Fit {
  readonly how: 'same model' | 'by its measures' | 'another revision' | 'compare first'
  readonly says: string
}

/** Whether what is offered fits what is wanted, and how that is known; null where it does not. */
export function fitOf(want: Pick<Want, 'part' | 'drive' | 'measures'>, offer: Offer): Fit | null {
  if (want.part === null || offer.drive?.id === want.drive.id) return null
  const node = findPart(offer.part)
  if (!node || (node.newOnly && offer.drive !== null)) return null
  const same = node.id === want.part
  const key = modelKey(want.drive)
  if (same && offer.model && key !== null && modelKey(offer.model) === key) return { how: 'same model', says: '' }
  const shape = shapeWanted(want)
  if (shape && node.shape === shape) {
    const { fits, says, compared } = compareShapes(shape, want.measures, offer.measures)
    // Of another part of the same shape nothing but its measures tells.
    if (fits === 'no' || (!same && compared === 0)) return null
    return { how: fits === 'yes' ? 'by its measures' : 'compare first', says }
  }
  if (same && offer.model && key !== null && familyKey(offer.model) === familyKey(want.drive))
    return { how: 'another revision', says: 'Another revision of the same model: compare both before you fit it.' }
  return null
}

/** Costs of taking what is offered (from memory): a drive that works is the last to be asked. */
const PLACE_COST: Readonly<Record<PlaceId, number>> = { shelf: 0, donor: 1, post: 4, open: 6, used: 12 }
const FIT_COST: Readonly<Record<Fit['how'], number>> = {
  'same model': 0,
  'by its measures': 1,
  'another revision': 3,
  'compare first': 5,
}
const KNOWN_COST: Readonly<Record<PartKnown, number>> = { tested: 0, 'looked at': 1, 'not known': 2 }

/** The lower the better. */
export const costOf = (offer: Offer, fit: Fit): number =>
  PLACE_COST[offer.place] + FIT_COST[fit.how] + KNOWN_COST[offer.known]

/** Whether two offers are one thing, or one holds the other: only one of them can be taken. */
export const overlap = (a: Offer, b: Offer): boolean =>
  a.drive !== null &&
  a.drive.id === b.drive?.id &&
  (withAssembly(a.part).includes(b.part) || withAssembly(b.part).includes(a.part))
