import { object, string, type InferType } from 'yup'
import type { PartLeft } from '@wobrin/core/log'
import { instant, uuid } from './log-input'
import { UUID } from './patterns'

/** A part of a donor put into a drive. */
export const partUseSchema = object({
  id: uuid(),
  at: instant(),
  release: string().matches(UUID, 'Choose a part of the shelf.').required('Choose a part of the shelf.'),
  part: string().max(40).required('Choose a part of the shelf.'),
  remark: string().trim().max(300, 'At most 300 characters.').default(''),
}).noUnknown()
export type PartUse = InferType<typeof partUseSchema>

/** A donor with what is left in it. */
export interface Donor {
  readonly driveId: string
  readonly tag: string
  readonly mechanism: string
  readonly name: string
  readonly release: string
  readonly at: string
  readonly remark: string
  readonly parts: readonly (PartLeft & { /** Tag of the drive that has it now. */ readonly wentTo: string | null })[]
}
