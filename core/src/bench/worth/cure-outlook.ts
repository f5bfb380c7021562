import { findFault, outsideShare } from '../../diagnosis'
import { PART_TREE } from '../../parts'
import { caseMinutes, type DriveCase } from '../case'

/** How a fault is cured, as far as that decides whether it succeeds. */
export type CureKind = 'outside' | 'work' | 'bought' | 'at hand' | 'to be found'

/** How often a cure succeeds (from memory): what has to be found in another drive of the model often is not. */
export const SUCCEEDS: Readonly<Record<CureKind, number>> = {
  outside: 0.98,
  work: 0.95,
  bought: 0.9,
  'at hand': 0.85,
  'to be found': 0.5,
}
/** From this share on a part is none of the drive’s. */
const OUTSIDE = 0.9
/** No other fault shows once these are cured, so often (from memory): drives come with two. */
const NOTHING_BEHIND = 0.93

/** What the likely cures of a drive come to. */
export interface CureOutlook {
  /** Minutes of hands until it is tried again: looks, checks on the way, the cure. */
  readonly minutes: number
  /** Chance that it works afterwards. */
  readonly chance: number
  /** The likeliest fault; null where nothing is likelier than on any drive. */
  readonly likely: {
    readonly fault: string
    readonly label: string
    readonly probability: number
    readonly kind: CureKind
  } | null
}

/** The part that a fault needs; null where it needs none. */
export const partFor = (fault: string): string | null => PART_TREE.find(n => n.cures?.includes(fault))?.id ?? null

/**
 * How a fault is cured: by work alone, by a part that is sold, or by one of another drive.
 * @param atHand whether a part, by its id, lies on the shelf or in a donor
 */
export function cureKind(fault: string, atHand: (part: string) => boolean): CureKind {
  const known = findFault(fault)
  if (known && outsideShare(known.part) >= OUTSIDE) return 'outside'
  const id = partFor(fault)
  if (id === null) return 'work'
  if (atHand(id)) return 'at hand'
  const node = PART_TREE.find(n => n.id === id)!
  return node.newOnly || node.shape ? 'bought' : 'to be found'
}

/**
 * What the cures of a case take, and how likely the drive works after them.
 * @param usual chance of a drive of its type of which nothing is known
 * @returns null where nobody complains, or nothing points at a cause
 */
export function cureOutlook(
  found: DriveCase,
  usual: number,
  atHand: (part: string) => boolean = () => false,
): CureOutlook | null {
  const { causes, unknown } = found.diagnosis
  if (found.complaints.length === 0 || causes.length === 0) return null
  const fails = causes.map(c => c.probability * c.left * (1 - SUCCEEDS[cureKind(c.fault, atHand)]))
  const listed = fails.reduce((p, f) => p * (1 - Math.min(1, f)), NOTHING_BEHIND)
  const top = causes[0]!
  return {
    minutes: caseMinutes(found),
    chance: listed * (1 - unknown * (1 - usual)),
    likely: {
      fault: top.fault,
      label: top.label,
      probability: top.probability,
      kind: cureKind(top.fault, atHand),
    },
  }
}
