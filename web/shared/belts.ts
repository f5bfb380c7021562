import { number, object, string, type InferType } from 'yup'
import { STRETCH, type BeltMaterial } from '@wobrin/core/calculators/mechanics'
import type { BeltNeed, BeltOrder } from '@wobrin/core/bench/belts'

export const beltSchema = object({
  name: string()
    .trim()
    .min(1, 'Give it a name that finds it again.')
    .max(80, 'A name has at most 80 characters.')
    .required('Give it a name that finds it again.'),
  insideMm: number()
    .typeError('Inside length: a number of millimetres.')
    .min(40, 'Inside length: 40 mm or more.')
    .max(1200, 'Inside length: at most 1200 mm.')
    .required('Inside length: a number of millimetres.'),
  sectionMm: number()
    .typeError('Section: a number of millimetres.')
    .min(0.2, 'Section: 0.2 mm or more.')
    .max(6, 'Section: at most 6 mm.')
    .required('Section: a number of millimetres.'),
  material: string()
    .oneOf(Object.keys(STRETCH) as BeltMaterial[])
    .required('Say what kind of belt it is.'),
  origin: string().trim().max(120, 'At most 120 characters.').default(''),
  /** What became of it; null while it is at hand. */
  gone: string().trim().max(120, 'At most 120 characters.').nullable().default(null),
}).noUnknown()
export type BeltInput = InferType<typeof beltSchema>

export interface KeptBelt extends BeltInput {
  readonly id: string
  readonly material: BeltMaterial
  readonly addedAt: string
}

/** A drive whose belt was worked out. */
export interface DriveBelt {
  readonly driveId: string
  readonly need: BeltNeed
  /** A belt at hand was judged snug. */
  readonly settled: boolean
  readonly closed: boolean
}

export interface BeltShelfView {
  readonly belts: readonly KeptBelt[]
  readonly drives: readonly DriveBelt[]
  /** Open drives that a belt at hand serves, each belt once; the rest is to be ordered. */
  readonly served: readonly { readonly drive: string; readonly belt: string }[]
  readonly orders: readonly BeltOrder[]
}
