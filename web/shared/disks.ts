import { object, string, type InferType } from 'yup'
import { MECHANISM_IDS } from '@wobrin/core/drives'
import { PROOFS, type DiskEvent, type Disagreement, type DiskStanding, type Proof } from '@wobrin/core/proof'
import { instant, uuid } from './log-input'
import { UUID } from './patterns'

const ref = () => string().matches(UUID, 'An id is a UUID.').nullable().default(null)

/** A reference disk as it is put on the shelf. */
export const diskSchema = object({
  name: string()
    .trim()
    .min(1, 'Give it the name that stands on its label.')
    .max(60, 'A name has at most 60 characters.')
    .required('Give it the name that stands on its label.'),
  mechanism: string()
    .oneOf([...MECHANISM_IDS], 'Choose the drive type that reads it.')
    .required('Choose the drive type that reads it.'),
  /** Drive of the workshop that wrote it. */
  writtenBy: ref(),
  writer: string().trim().max(120, 'At most 120 characters.').default(''),
  writtenAt: string()
    .matches(/^\d{4}-\d\d-\d\d$/, 'Say when it was written: a day, such as 2026-03-31.')
    .required('Say when it was written.'),
  proof: string()
    .oneOf(Object.keys(PROOFS) as Proof[])
    .required('Say how the drive that wrote it was verified.'),
  provedBy: ref(),
}).noUnknown()
export type DiskInput = InferType<typeof diskSchema>

export const DISK_EVENT_KINDS = ['verified', 'retired', 'back', 'note'] as const satisfies readonly DiskEvent['kind'][]

export const diskEventSchema = object({
  id: uuid(),
  at: instant(),
  kind: string().oneOf(DISK_EVENT_KINDS).required(),
  detail: string().trim().max(300, 'At most 300 characters.').default(''),
}).noUnknown()
export type DiskEventInput = InferType<typeof diskEventSchema>

export interface DiskView {
  readonly standings: readonly (DiskStanding & { readonly mechanism: string; readonly wroteIt: string })[]
  readonly disagreements: readonly Disagreement[]
  readonly drives: readonly { readonly id: string; readonly tag: string }[]
}
