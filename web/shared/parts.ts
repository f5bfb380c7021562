import { object, string, type InferType } from 'yup'
import type { PartLeft } from '@wobrin/core/log'
import { driveNamed, type DriveNamed, type MatchedWant, type Offer, type PartOrder } from '@wobrin/core/parts'
import { instant, uuid } from './log-input'
import { UUID } from './patterns'

const ref = (what: string) => string().matches(UUID, what)

/**
 * A part put into a drive: of a donor, by its release; of the shelf; or of another drive, which is then owed one.
 */
export const partUseSchema = object({
  id: uuid(),
  at: instant(),
  part: string().max(40).required('Choose a part of the shelf.'),
  /** What it is called where it goes in, where that is another part. */
  as: string().max(40).optional(),
  release: ref('Choose a part of the shelf.').optional(),
  spare: ref('Choose a part of the shelf.').optional(),
  drive: ref('Choose a drive.').optional(),
  remark: string().trim().max(300, 'At most 300 characters.').default(''),
})
  .noUnknown()
  .test(
    'one',
    'Choose one place that the part comes from.',
    v => [v.release, v.spare, v.drive].filter(Boolean).length === 1,
  )
export type PartUse = InferType<typeof partUseSchema>

/** A lending that ends. */
export const partBackSchema = object({
  id: uuid(),
  at: instant(),
  lent: ref('Choose what was lent.').required('Choose what was lent.'),
  how: string()
    .oneOf(['returned', 'replaced'] as const)
    .required('Say how it was settled.'),
  remark: string().trim().max(300, 'At most 300 characters.').default(''),
}).noUnknown()
export type PartBack = InferType<typeof partBackSchema>

/** A donor with what is left in it. */
export interface Donor {
  readonly drive: DriveNamed
  readonly tag: string
  readonly name: string
  readonly release: string
  readonly at: string
  readonly remark: string
  readonly parts: readonly DonorPart[]
}

export interface DonorPart extends PartLeft {
  /** Assembly that it is a piece of. */
  readonly within: string | null
  /** Tag of the drive that has it now. */
  readonly wentTo: string | null
}

/** A part that is somewhere, and how it is asked for: of a donor by its release, of the shelf by its own id. */
export interface Obtainable extends Offer {
  readonly release: string | null
  readonly spare: string | null
}

/**
 * A part of a drive as something that could be fitted.
 * @param release of the donor that the drive is; null for a drive that lends it
 */
export const offerIn = (
  drive: DriveNamed,
  part: PartLeft,
  place: Offer['place'],
  release: string | null = null,
): Obtainable => {
  const from = driveNamed(drive)
  return {
    key: `${release ?? drive.id} ${part.id}`,
    place,
    part: part.id,
    label: part.label,
    drive: from,
    model: from,
    known: part.state,
    says: part.says,
    measures: part.measures ?? {},
    where: drive.tag,
    release,
    spare: null,
  }
}

/** A part at hand with the drives that it would serve. */
export interface ShelfPart extends Obtainable {
  /** Name on its bag; empty where it is in a drive. */
  readonly name: string
  /** Day on which it should arrive; null for one that is here. */
  readonly dueOn: string | null
  readonly pieces: number
  readonly photo: string | null
  /** Tags of the open drives that want one like it. */
  readonly serves: readonly string[]
  /** How it agrees with the measures that were asked for; null where none were. */
  readonly fit: string | null
}

/** What a search for parts comes to. */
export interface ShelfParts {
  readonly items: readonly ShelfPart[]
  readonly total: number
}

/** A part that a drive lent, not back yet. */
export interface Debt {
  readonly lent: string
  readonly at: string
  readonly label: string
  readonly lender: { readonly id: string; readonly tag: string }
  readonly to: { readonly id: string; readonly tag: string }
}

/** A consumable with the drives whose steps ahead use it. */
export interface UsedUp {
  readonly name: string
  readonly tags: readonly string[]
}

/** What the open drives want, what would serve them, what is to be ordered, and what is owed. */
export interface Wants {
  readonly wants: readonly MatchedWant<Obtainable>[]
  readonly order: PartOrder
  readonly debts: readonly Debt[]
  readonly usedUp: readonly UsedUp[]
}
