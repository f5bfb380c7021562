import { array, number, object, string, type InferType } from 'yup'
import type { BlameTable, ZoneName } from '@wobrin/core/proof'
import { instant, uuid } from './log-input'
import { UUID } from './patterns'

const count = (least: number) =>
  number()
    .typeError('Sectors are whole numbers.')
    .integer('Sectors are whole numbers.')
    .min(least, `At least ${least}.`)
    .max(100_000, 'At most 100 000 sectors.')
    .required('Give the sectors.')

/** A disk of the shelf read in a drive, counted by a person: head, zone, sectors good and in all. */
export const crossReadSchema = object({
  id: uuid(),
  at: instant(),
  disk: string().matches(UUID, 'Choose a disk of the shelf.').required('Choose a disk of the shelf.'),
  places: array(
    object({
      head: number<0 | 1>()
        .oneOf([0, 1] as const, 'A head is 0 or 1.')
        .required(),
      zone: string<ZoneName>()
        .oneOf(['outer', 'middle', 'inner'] as const)
        .required(),
      good: count(0),
      sectors: count(1),
    })
      .noUnknown()
      .required(),
  )
    .min(1, 'Give at least one place.')
    .max(6, 'A disk has at most six places.')
    .required(),
  remark: string().trim().max(300, 'At most 300 characters.').default(''),
}).noUnknown()
export type CrossReadInput = InferType<typeof crossReadSchema>

/** One family of disks and drives, and what was read. */
export interface BlameView extends BlameTable {
  readonly family: string
  /** Families that have disks on the shelf. */
  readonly families: readonly string[]
}
